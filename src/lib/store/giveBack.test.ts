import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { FigureName } from '$lib/core/figures/catalogue';
import { figure } from '$lib/core/figures/figure';
import { newAircraft } from '$lib/schema/newAircraft';
import type { Entry, TestPayload } from '$lib/schema/entries';
import { makeDemo } from '$lib/rig/demo';
import { restore } from './backup';
import { handEntries } from './currency';
import { db } from './db';
import { giveBack, remember } from './giveBack';
import { appendEntry, noteEvent, saveAircraft, savePack, saveSite, startSession } from './repository';
import { LOOKED_BACK } from './earlier';
import { trendEntries } from './trends';

const AT = '2026-05-14T09:00:00.000Z';
const TO = { aircraftId: 'a', packId: 'p', siteId: 's' };
const found = (
	task: string,
	figures: Partial<Record<FigureName, number | null>>,
	more: Partial<TestPayload> = {},
): TestPayload => ({
	kind: 'test',
	task,
	verdict: 'pass',
	headline: 'Found',
	reasons: [],
	figures: (Object.keys(figures) as FigureName[]).map((name) => figure(name, figures[name] ?? null)),
	grade: 'measured',
	sourceName: 'a log',
	...more,
});
const resistance = async () => (await db.packs.get('p'))?.resistanceMohm;
const spot = async () => (await db.sites.get('s'))?.cleanSpot;

beforeEach(async () => {
	await Promise.all(db.record.map((table) => table.clear()));
	await saveAircraft({ ...newAircraft('a', 'multirotor', AT), name: 'Redshank' });
	await saveSite({ id: 's', name: 'Field', latDeg: 54, lonDeg: -3, altM: 0, notes: '', updatedAt: AT });
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
});

describe('what a finding gives back', () => {
	it('a pack’s resistance is kept with the pack', async () => {
		await giveBack(found('pack', { 'cell-resistance': 4.2 }), TO);
		expect(await resistance()).toBe(4.2);
	});
	it('the clean spot of a survey is kept with the place, in words that a pilot can walk', async () => {
		vi.setSystemTime(new Date('2026-05-14T12:00:00Z'));
		await giveBack(found('survey', { 'clean-north': 12.4, 'clean-east': -7.6 }), TO);
		vi.useRealTimers();
		expect(await spot()).toBe('12 m north, 8 m west of where the survey of 2026-05-14 began');
	});
	it('how a good hover sounded is what the next one is compared with; one that was unsteady is not', async () => {
		await remember('a', 'sound', { blades: 3 });
		await giveBack(found('sound', { 'motor-tone': 212.4, surging: 0.3 }), TO);
		await giveBack(found('sound', { 'motor-tone': 230, surging: 3 }, { verdict: 'caution' }), TO);
		await giveBack(found('sound', { 'motor-tone': null, surging: null }), TO);
		expect((await db.aircraft.get('a'))?.forms?.sound).toEqual({ blades: 3, usualHz: 212.4, usualPct: 0.3 });
	});
	it('the usual hum is the first since a part was changed, so that slow wear is heard', async () => {
		const { id } = await startSession({
			kind: 'flight',
			title: 'S',
			aircraftId: 'a',
			siteId: 's',
			packId: null,
			pilot: 'Ines Marlowe',
		});
		const hover = async (at: string, tone: number) => {
			vi.setSystemTime(new Date(at));
			const payload = found('sound', { 'motor-tone': tone, surging: 0.3 });
			await appendEntry(id, 'hover', 'Ines Marlowe', payload);
			await giveBack(payload, TO);
			return (await db.aircraft.get('a'))?.forms?.sound?.usualHz;
		};
		try {
			expect(await hover('2026-05-14T10:00:00Z', 210)).toBe(210);
			expect(await hover('2026-05-15T10:00:00Z', 214)).toBe(210);
			vi.setSystemTime(new Date('2026-05-16T10:00:00Z'));
			await noteEvent('a', { what: 'part', note: 'new propellers' });
			expect(await hover('2026-05-17T10:00:00Z', 204)).toBe(204);
			expect(await hover('2026-05-18T10:00:00Z', 209)).toBe(204);
		} finally {
			vi.useRealTimers();
		}
	});
	it.each([
		['failed', { verdict: 'fail' as const }],
		['was rehearsed', { grade: 'rehearsed' as const }],
	])('nothing of what %s', async (_, more) => {
		await giveBack(found('pack', { 'cell-resistance': 4.2 }, more), TO);
		await giveBack(found('survey', { 'clean-north': 1, 'clean-east': 1 }, more), TO);
		expect([await resistance(), await spot()]).toEqual([undefined, undefined]);
	});
	it('nothing where the figure was not found, is another’s, or there is no pack or place', async () => {
		await giveBack(found('pack', { 'cell-resistance': null }), TO);
		await giveBack(found('hover', { 'cell-resistance': 4 }), TO);
		await giveBack(found('survey', { 'clean-north': 3, 'clean-east': null }), TO);
		await giveBack(found('pack', { 'cell-resistance': 4 }), { ...TO, packId: null, siteId: null });
		await giveBack(found('pack', { 'cell-resistance': 4 }), { ...TO, packId: 'gone', siteId: 'gone' });
		await giveBack({ kind: 'photo', task: 'pack', photoId: 'x', sha256: '0'.repeat(64), caption: '' }, TO);
		expect([await resistance(), await spot()]).toEqual([undefined, undefined]);
	});
});

describe('what is remembered with an aircraft', () => {
	it('stands beside what another instrument left, and in place of what this one left', async () => {
		await remember('a', 'flow', { set: 4 });
		await remember('a', 'sticks', { centre: 1500 });
		await remember('a', 'flow', { set: 5, swath: 3 });
		expect((await db.aircraft.get('a'))?.forms).toEqual({ flow: { set: 5, swath: 3 }, sticks: { centre: 1500 } });
	});
	it('is nothing where nothing was typed, or the aircraft is gone', async () => {
		await remember('a', 'flow', {});
		await remember('gone', 'flow', { set: 4 });
		expect((await db.aircraft.get('a'))?.forms ?? {}).toEqual({});
		expect(await db.aircraft.count()).toBe(1);
	});
});

describe('what is looked back at', () => {
	const took = { kind: 'flight', task: 'flying', what: 'took-off', landAfterMin: null, note: '' } as const;
	const session = async (kind: 'flight' | 'rehearsal') =>
		(await startSession({ kind, title: kind, aircraftId: 'a', siteId: 's', packId: null, pilot: 'Ines Marlowe' })).id;

	it('flights are followed by their figures, and a rehearsal by nothing', async () => {
		const flown = await session('flight');
		await appendEntry(flown, 'fly', 'Ines Marlowe', took);
		await appendEntry(flown, 'hover', 'Ines Marlowe', found('hover', { 'hold-radius': 0.4 }));
		const rehearsed = await session('rehearsal');
		await appendEntry(rehearsed, 'fly', 'Ines Marlowe', took);
		const kinds = (await trendEntries('a')).map(({ payload, sessionId }) => [payload.kind, sessionId]);
		expect(kinds).toEqual([
			['test', flown],
			['flight', flown],
		]);
		const hands = await handEntries();
		expect(hands.every(({ sessionId }) => sessionId === flown)).toBe(true);
		expect(new Set(hands.map(({ id }) => id)).size).toBe(hands.length);
	});
	it('a long life of an aircraft: its newest figures, and the first good one, which they are held against', async () => {
		const id = await session('flight');
		for (let k = 0; k < LOOKED_BACK + 3; k++)
			await appendEntry(id, 'hover', 'Ines Marlowe', found('hover', { 'hold-radius': k }));
		const entries = await trendEntries('a');
		expect(entries).toHaveLength(LOOKED_BACK + 1);
		const value = ({ payload }: Entry) => payload.kind === 'test' && payload.figures[0]?.value;
		expect([value(entries[0]), value(entries[1]), value(entries[LOOKED_BACK])]).toEqual([0, LOOKED_BACK + 2, 3]);
	});
	it('of every aircraft of the demo there are as many flights as were flown, each once', async () => {
		await Promise.all(db.record.map((table) => table.clear()));
		const demo = makeDemo(new Date('2026-05-14T10:30:00'));
		await restore(demo);
		const real = new Set(demo.sessions.filter(({ kind }) => kind === 'flight').map(({ id }) => id));
		const all = await Promise.all(demo.aircraft.map(({ id }) => trendEntries(id)));
		const flights = all.flat().filter(({ payload }) => payload.kind === 'flight');
		expect(flights.map(({ id }) => id).toSorted()).toEqual(
			demo.entries
				.filter((entry): entry is Entry => real.has((entry as Entry).sessionId))
				.filter(({ payload }) => payload.kind === 'flight')
				.map(({ id }) => id)
				.toSorted(),
		);
	});
});
