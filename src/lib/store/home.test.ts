import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { makeDemo } from '$lib/rig/demo';
import { newAircraft } from '$lib/schema/newAircraft';
import { restore } from './backup';
import { db } from './db';
import { flownAt, lastFlights, lastSite, lastSiteId, loadHome } from './home';
import { saveAircraft, saveSite, startSession } from './repository';

const AT = '2026-05-14T09:00:00.000Z';
const demo = makeDemo(new Date('2026-05-14T10:30:00'));
const latest = <T extends { startedAt: string }>(rows: readonly T[]) =>
	rows.toSorted((a, b) => (a.startedAt < b.startedAt ? 1 : -1)).at(0);

beforeEach(async () => {
	await Promise.all(db.record.map((table) => table.clear()));
});

describe('an empty device', () => {
	it('has no aircraft, no flight and no last place', async () => {
		expect(await loadHome()).toMatchObject({ aircraft: [], sites: 0, sessions: 0, open: [] });
		expect([await flownAt('a'), await lastSiteId(), await lastSite('a'), await lastFlights('a')]).toEqual([
			null,
			null,
			null,
			[],
		]);
	});
});

describe('the start page of the demo', () => {
	beforeEach(async () => {
		await restore(demo);
	});

	it('shows what is open, the latest first, and of each aircraft its last flight', async () => {
		const home = await loadHome();
		expect(home.aircraft.map(({ id }) => id).toSorted()).toEqual(demo.aircraft.map(({ id }) => id).toSorted());
		expect([home.sites, home.sessions]).toEqual([demo.sites.length, demo.sessions.length]);
		const open = demo.sessions.filter(({ kind, endedAt }) => kind !== 'bench' && endedAt === null);
		expect(home.open.map(({ id }) => id)).toEqual(
			open.toSorted((a, b) => (a.startedAt < b.startedAt ? 1 : -1)).map(({ id }) => id),
		);
		for (const { id } of demo.aircraft) {
			const flights = demo.sessions.filter(({ aircraftId, kind }) => aircraftId === id && kind === 'flight');
			expect(home.flown.get(id)?.id).toBe(latest(flights)?.id);
			expect(await flownAt(id)).toBe(latest(flights)?.startedAt ?? null);
			expect(home.done.get(id)).toBeInstanceOf(Map);
		}
	});

	it('leaves out what is out of use', async () => {
		const [craft] = demo.aircraft;
		const [site] = demo.sites;
		await db.aircraft.update(craft.id, { retired: { at: AT, why: 'sold' } });
		await db.sites.update(site.id, { retired: { at: AT, why: 'closed' } });
		const home = await loadHome();
		expect(home.aircraft.map(({ id }) => id)).not.toContain(craft.id);
		expect(home.sites).toBe(demo.sites.length - 1);
	});

	it('tells flight times from sessions in which it flew, with their packs', async () => {
		for (const { id } of demo.aircraft) {
			const flown = new Set(
				demo.entries
					.filter(({ payload, aircraftId }) => aircraftId === id && (payload as { kind: string }).kind === 'flight')
					.map(({ sessionId }) => sessionId),
			);
			const real = demo.sessions.filter((session) => flown.has(session.id) && session.kind === 'flight');
			const flights = await lastFlights(id);
			expect(flights).toHaveLength(real.length);
			for (const { entries, pack } of flights) {
				expect(entries.some(({ payload }) => payload.kind === 'flight')).toBe(true);
				if (pack) expect(pack.aircraftId).toBe(id);
			}
			expect((await lastFlights(id, 1)).length).toBeLessThanOrEqual(1);
		}
	});

	it('knows where an aircraft last was; one that was nowhere yet is where somebody last was', async () => {
		for (const { id } of demo.aircraft) {
			const placed = demo.sessions.filter(({ aircraftId, siteId }) => aircraftId === id && siteId !== null);
			if (placed.length > 0) expect(await lastSiteId(id)).toBe(latest(placed)?.siteId);
		}
		await saveAircraft({ ...newAircraft('new', 'camera', AT), name: 'Siskin' });
		const anywhere = latest(demo.sessions.filter(({ siteId }) => siteId !== null))?.siteId ?? null;
		expect(await lastSiteId('new')).toBe(anywhere);
		expect((await lastSite('new'))?.id).toBe(anywhere);
	});
});

describe('a session begun now', () => {
	it('is open at once, and its place is the last one', async () => {
		await saveAircraft({ ...newAircraft('a1', 'camera', AT), name: 'Siskin' });
		await saveSite({ id: 's1', name: 'Marsh', latDeg: 54, lonDeg: -3, altM: 5, notes: '', updatedAt: AT });
		const { id } = await startSession({
			kind: 'flight',
			title: 'First',
			aircraftId: 'a1',
			siteId: 's1',
			packId: null,
			pilot: 'Ines Marlowe',
		} as Parameters<typeof startSession>[0]);
		const home = await loadHome();
		expect(home.open.map((session) => session.id)).toEqual([id]);
		expect(await lastSiteId()).toBe('s1');
		expect(await lastFlights('a1')).toEqual([]);
	});
});
