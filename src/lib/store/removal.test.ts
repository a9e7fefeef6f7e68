import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { newAircraft } from '$lib/schema/newAircraft';
import { ticked } from '$lib/core/facts/entries.fixture';
import { sha256Hex } from '$lib/core/record/chain';
import { makeDemo } from '$lib/rig/demo';
import { readBackup, restore } from './backup';
import { db } from './db';
import { addPhoto, listPhotos } from './photos';
import { deleteEmptySession, deleteUnused, demoHere, isEmptySession, takeOutDemo } from './removal';
import { appendEntry, saveAircraft, savePack, saveSite, startSession } from './repository';
import { inUse, listAircraft } from './tables';

const AT = '2026-05-14T09:00:00.000Z';
const site = (id: string) => ({ id, name: id, latDeg: 54, lonDeg: -3, altM: 0, notes: '', updatedAt: AT });
const flight = (aircraftId: string, siteId: string, title = 'One') =>
	startSession({ kind: 'flight', title, aircraftId, siteId, packId: null, pilot: 'Ines Marlowe' });
const seen = ticked('rules');

beforeEach(async () => {
	await Promise.all(db.record.map((table) => table.clear()));
	await saveAircraft({ ...newAircraft('a', 'multirotor', AT), name: 'Redshank' });
	await saveSite(site('s'));
	await savePack({
		id: 'p',
		name: 'R-1',
		aircraftId: 'a',
		cells: 4,
		capacityMah: 4000,
		cycles: 0,
		boughtOn: '2026-01-01',
		notes: '',
		updatedAt: AT,
	});
	await addPhoto({
		of: { table: 'packs', id: 'p' },
		caption: 'leads',
		widthPx: 8,
		heightPx: 3,
		jpeg: btoa('not quite a picture'),
		sha256: sha256Hex(new TextEncoder().encode('not quite a picture')),
	});
});

describe('what was entered by mistake', () => {
	it('is deleted with all that belongs to it, where no session names it', async () => {
		const before = await readBackup();
		const back = [await deleteUnused('aircraft', 'a'), await deleteUnused('sites', 's')];
		expect([await db.aircraft.count(), await db.sites.count(), await db.packs.count()]).toEqual([0, 0, 0]);
		expect(await listPhotos('p')).toEqual([]);
		for (const undo of back) await undo();
		expect(await readBackup()).toEqual(before);
	});

	it('stays where a session names it, and nothing of it is lost by trying', async () => {
		await flight('a', 's');
		await expect(deleteUnused('aircraft', 'a')).rejects.toThrow('stands in 1 session of the record');
		await expect(deleteUnused('sites', 's')).rejects.toThrow('take it out of use instead');
		expect([await db.aircraft.count(), await db.sites.count(), await db.packs.count()]).toEqual([1, 1, 1]);
	});

	it('is offered no more once it is out of use, and is still listed', async () => {
		const [craft] = await listAircraft();
		await saveAircraft({ ...craft, retired: { at: AT, why: 'sold' } });
		expect(inUse(await listAircraft())).toEqual([]);
		expect((await listAircraft())[0].retired?.why).toBe('sold');
	});
});

describe('a session', () => {
	it('in which nothing was recorded is deleted, one with a single entry never', async () => {
		const empty = await flight('a', 's');
		const kept = await flight('a', 's', 'Two');
		await appendEntry(kept.id, 'plan', 'Ines Marlowe', seen);
		expect([await isEmptySession(empty.id), await isEmptySession(kept.id)]).toEqual([true, false]);
		const undo = await deleteEmptySession(empty.id);
		await undo();
		expect(await isEmptySession(empty.id)).toBe(true);
		await deleteEmptySession(empty.id);
		await expect(deleteEmptySession(kept.id)).rejects.toThrow('it is ended, not deleted');
		expect((await db.sessions.toArray()).map(({ id }) => id)).toEqual([kept.id]);
		expect(await db.entries.where('sessionId').equals(empty.id).count()).toBe(0);
	});
});

describe('the demo', () => {
	it('is taken out whole, what was entered by the pilot stays, and it can be loaded again', async () => {
		const own = await flight('a', 's');
		const before = await Promise.all(db.record.map((table) => table.count()));
		const demo = makeDemo(new Date(AT));
		await restore(demo);
		// One begun with an aircraft of the demo, one of the pilot's own at a site of the demo.
		const begun = await flight('demo-dunlin', 'demo-saltings', 'Tried');
		await db.sessions.update(own.id, { siteId: 'demo-north' });
		const here = await demoHere();
		expect(here.aircraft).toBe(demo.aircraft.length);
		expect(here.begun.map(({ id }) => id)).toEqual([begun.id]);
		const whole = await readBackup();
		await (
			await takeOutDemo()
		)();
		expect(await readBackup()).toEqual(whole);
		await takeOutDemo();
		expect(await demoHere()).toEqual({ aircraft: 0, sessions: 0, begun: [] });
		expect((await db.sites.toArray()).map(({ id }) => id).sort()).toEqual(['demo-north', 's']);
		await db.sites.delete('demo-north');
		expect(await Promise.all(db.record.map((table) => table.count()))).toEqual(before);
		await restore(makeDemo(new Date(AT)));
		expect((await demoHere()).aircraft).toBe(demo.aircraft.length);
	});
});
