import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { beforeEach, describe, expect, it } from 'vitest';
import { packBackup, unpackBackup } from '$lib/core/record/archive';
import { verifyChain } from '$lib/core/record/chain';
import { newAircraft } from '$lib/schema/newAircraft';
import type { Aircraft, CalibrationPayload, CheckPayload } from '$lib/schema/records';
import { readBackup, restore } from './backup';
import { db, WinglogosDb } from './db';
import { appendEntry, listKept, loadSession, newId, saveAircraft, saveSite, startSession } from './repository';

const AT = '2026-05-14T09:00:00.000Z';

const aircraft = (): Aircraft => ({ ...newAircraft('a1', 'multirotor', AT), name: 'Dunlin' });

const check = (task: string): CheckPayload => ({
	kind: 'check',
	task,
	outcome: 'done',
	value: null,
	unit: '',
	waitedS: null,
	reason: '',
});

async function begin() {
	await saveAircraft(aircraft());
	await saveSite({ id: 'p1', name: 'Saltings', latDeg: 54.2, lonDeg: -3.1, altM: 10, notes: '', updatedAt: AT });
	return startSession({ title: 'Morning', aircraftId: 'a1', siteId: 'p1', packId: null, pilot: 'Pilot' });
}

beforeEach(async () => {
	await db.delete();
	await db.open();
});

describe('entries', () => {
	it('are chained in the order written, also when written at the same time', async () => {
		const { id } = await begin();
		await Promise.all(['a', 'b', 'c', 'd'].map((task) => appendEntry(id, 'plan', 'Pilot', check(task))));
		const bundle = await loadSession(id);
		expect(bundle?.entries.map((e) => e.seq)).toEqual([0, 1, 2, 3]);
		expect(verifyChain(bundle?.entries ?? [], bundle?.session.head ?? '').ok).toBe(true);
	});

	it('are refused whole when a field is wrong: neither entry nor head changes', async () => {
		const { id, head } = await begin();
		await expect(appendEntry(id, 'plan', '', check('a'))).rejects.toThrow();
		expect((await loadSession(id))?.entries).toHaveLength(0);
		expect((await db.sessions.get(id))?.head).toBe(head);
	});

	it('of a session that is gone are refused', async () => {
		await expect(appendEntry('nope', 'plan', 'Pilot', check('a'))).rejects.toThrow(/not on this device/);
	});
});

describe('a practice calibration', () => {
	const compass = (practice: boolean): CalibrationPayload => ({
		kind: 'calibration',
		task: 'compass',
		accepted: 'accepted',
		...(practice ? { practice: true } : {}),
		sourceName: 'x',
		hardIronUt: [1, 2, 3],
		softIron: [
			[1, 0, 0],
			[0, 1, 0],
			[0, 0, 1],
		],
		fieldUt: 50,
		headingSigmaDeg: 0.2,
		headingBeforeDeg: 20,
		headingAfterDeg: 0.4,
		samples: 900,
		rejected: 0,
		place: { latDeg: 54.2, lonDeg: -3.1, altM: 10 },
		verdict: 'pass',
		reasons: [],
	});

	it('counts in its own session and makes nothing less due after it; a real one does', async () => {
		const first = await begin();
		await appendEntry(first.id, 'site', 'Pilot', compass(true));
		expect((await loadSession(first.id))?.entries).toHaveLength(1);
		const second = await begin();
		expect((await loadSession(second.id))?.lastCompass).toBeNull();
		expect((await loadSession(second.id))?.done.has('compass')).toBe(false);
		expect((await listKept('a1', 'compass')).map(({ practice }) => practice)).toEqual([true]);
		await appendEntry(first.id, 'site', 'Pilot', compass(false));
		expect((await loadSession(second.id))?.lastCompass).not.toBeNull();
	});
});

describe('a backup', () => {
	it('goes into an empty store and into the same store again without doubling', async () => {
		const { id } = await begin();
		await appendEntry(id, 'plan', 'Pilot', check('a'));
		const bytes = packBackup(await readBackup(), AT);
		await db.delete();
		await db.open();
		expect(await restore(unpackBackup(bytes, 'b.zip'))).toEqual({ sessions: 1, entries: 1, aircraft: 1 });
		expect(await restore(unpackBackup(bytes, 'b.zip'))).toEqual({ sessions: 0, entries: 0, aircraft: 0 });
		expect((await loadSession(id))?.entries).toHaveLength(1);
	});

	it('prolongs a session that goes on in the file and keeps one that went on here', async () => {
		const { id } = await begin();
		await appendEntry(id, 'plan', 'Pilot', check('a'));
		const older = await readBackup();
		await appendEntry(id, 'plan', 'Pilot', check('b'));
		const newer = await readBackup();
		await restore(older);
		expect((await loadSession(id))?.entries).toHaveLength(2);
		await db.delete();
		await db.open();
		await restore(older);
		await restore(newer);
		const bundle = await loadSession(id);
		expect(verifyChain(bundle?.entries ?? [], bundle?.session.head ?? '').ok).toBe(true);
		expect(bundle?.entries).toHaveLength(2);
	});

	it('whose session parted from the one here imports nothing at all', async () => {
		const { id } = await begin();
		const common = await readBackup();
		await appendEntry(id, 'plan', 'Pilot', check('here'));
		const here = await readBackup();
		await db.delete();
		await db.open();
		await restore(common);
		await appendEntry(id, 'plan', 'Pilot', check('there'));
		await saveAircraft({ ...aircraft(), id: 'a2', name: 'Curlew' });
		const incoming = { ...here, aircraft: [...here.aircraft, { ...aircraft(), id: 'a3', name: 'Avocet' }] };
		await expect(restore(incoming)).rejects.toThrow(/Nothing was imported/);
		expect((await db.aircraft.toArray()).map((a) => a.id).sort()).toEqual(['a1', 'a2']);
		expect((await loadSession(id))?.entries).toHaveLength(1);
	});
});

describe('migration', () => {
	it('brings sessions of version 1 to station and task, and keeps their entries', async () => {
		const name = `old-${newId()}`;
		const old = new Dexie(name);
		old.version(1).stores({
			aircraft: 'id',
			sites: 'id',
			packs: 'id, aircraftId',
			sessions: 'id, startedAt, aircraftId',
			entries: 'id, sessionId, aircraftId',
		});
		await old.table('sessions').bulkAdd([
			{ id: 's1', startedAt: AT, aircraftId: 'a1', station: 'hover' },
			{ id: 's2', startedAt: AT, aircraftId: 'a1' },
		]);
		await old.table('entries').add({ id: 'e1', sessionId: 's1', aircraftId: 'a1', seq: 0 });
		old.close();
		const now = new WinglogosDb(name);
		expect(await now.sessions.get('s1')).toMatchObject({ place: { station: 'hover', task: null } });
		expect(await now.sessions.get('s2')).toMatchObject({ place: { station: 'plan', task: null } });
		expect(await now.entries.where('sessionId').equals('s1').sortBy('seq')).toHaveLength(1);
		expect(await now.mappings.count()).toBe(0);
		now.close();
	});
});
