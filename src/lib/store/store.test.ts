import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { exportBackup, packBackup, unpackBackup, unpackSession } from '$lib/core/record/archive';
import type { Stored } from '$lib/core/record/chain';
import { datedAhead, lastDone, lastHover } from '$lib/core/evidence/inForce';
import { CHAIN_START, link, sha256Hex } from '$lib/core/record/chain';
import type { MergeItem } from '$lib/core/record/merge';
import { backupSchema } from '$lib/schema/files';
import { newAircraft } from '$lib/schema/newAircraft';
import type { Aircraft } from '$lib/schema/records';
import { entryBodySchema, type CalibrationPayload, type Entry, type EntryPayload } from '$lib/schema/entries';
import { applyImport, exportSession, planImport, readBackup, restore } from './backup';
import { ticked } from '$lib/core/facts/entries.fixture';
import { db, WinglogosDb } from './db';
import { deferredFor } from './deferred';
import {
	appendEntry,
	endSession,
	listBench,
	loadSession,
	noteEvent,
	reopenSession,
	saveAircraft,
	savePack,
	saveSite,
	saveToBench,
	startSession,
} from './repository';
import { lastFindings } from './rows';
import { listKept } from './earlier';
import { newId } from './newId';
import { addPhoto, listPhotos, removePhoto } from './photos';
import { verifySession } from './tables';

const AT = '2026-05-14T09:00:00.000Z';

const aircraft = (): Aircraft => ({ ...newAircraft('a1', 'multirotor', AT), name: 'Dunlin' });

async function begin(kind: 'flight' | 'rehearsal' = 'flight') {
	if (!(await db.aircraft.get('a1'))) await saveAircraft(aircraft());
	await saveSite({ id: 'p1', name: 'Saltings', latDeg: 54.2, lonDeg: -3.1, altM: 10, notes: '', updatedAt: AT });
	return startSession({ kind, title: 'Morning', aircraftId: 'a1', siteId: 'p1', packId: null, pilot: 'Pilot' });
}
const exportEverything = async () => exportBackup(await readBackup(), AT);
const bundleOf = async (id: string) => {
	const bundle = await loadSession(id);
	if (!bundle) throw new Error('the session is gone');
	return bundle;
};
const kindsOf = async (id: string) =>
	(await bundleOf(id)).entries.map(({ payload }) => (payload.kind === 'session' ? payload.what : payload.kind));

beforeEach(async () => {
	await db.delete();
	await db.open();
});

describe('entries', () => {
	it('are chained in the order written, also when written at the same time, behind what the session is', async () => {
		const { id } = await begin();
		await Promise.all(['a', 'b', 'c', 'd'].map((task) => appendEntry(id, 'plan', 'Pilot', ticked(task))));
		const { entries, chain } = await bundleOf(id);
		expect(entries.map((e) => e.seq)).toEqual([0, 1, 2, 3, 4]);
		expect(entries[0].payload).toMatchObject({ kind: 'session', what: 'begun', pilot: 'Pilot' });
		expect(chain).toMatchObject({ ok: true, remarks: [] });
	});

	it('carry the zone of the clock that wrote them', async () => {
		const { id } = await begin();
		expect((await bundleOf(id)).entries[0].zoneMin).toBe(0 - new Date().getTimezoneOffset());
	});

	it('are refused whole when a field is wrong: neither entry nor head changes', async () => {
		const { id } = await begin();
		const before = (await bundleOf(id)).session.head;
		await expect(appendEntry(id, 'plan', '', ticked('a'))).rejects.toThrow();
		const { entries, session } = await bundleOf(id);
		expect([entries.length, session.head]).toEqual([1, before]);
	});

	it('of a session that is gone are refused', async () => {
		await expect(appendEntry('nope', 'plan', 'Pilot', ticked('a'))).rejects.toThrow(/not on this device/);
	});

	it('go on behind a gap, which shows with its number', async () => {
		const { id } = await begin();
		const lost = await appendEntry(id, 'plan', 'Pilot', ticked('a'));
		await appendEntry(id, 'plan', 'Pilot', ticked('b'));
		await db.entries.delete(lost.id);
		await appendEntry(id, 'plan', 'Pilot', ticked('c'));
		expect((await verifySession(id))?.broken[0]).toMatchObject({ where: 'Entry 2', what: 'it is missing' });
		expect((await bundleOf(id)).entries.map(({ seq }) => seq)).toEqual([0, 2, 3]);
	});

	it('that were made unreadable in the store show with their number, and the session still opens', async () => {
		const { id } = await begin();
		for (const task of ['a', 'b', 'c']) await appendEntry(id, 'plan', 'Pilot', ticked(task));
		const rows = await db.entries.where('sessionId').equals(id).sortBy('seq');
		await db.entries.put({ ...rows[1], at: 5 });
		await db.entries.put({ ...rows[2], payload: { kind: 'zzz' } });
		const { entries, chain } = await bundleOf(id);
		expect(entries.map(({ seq }) => seq)).toEqual([0, 3]);
		expect(new Set(chain.broken.map(({ number }) => number))).toEqual(new Set([2, 3]));
	});
});

describe('a session', () => {
	it('that is ended takes no more; reopened with a reason it goes on, and all of it is in its chain', async () => {
		const { id } = await begin();
		await endSession(id);
		await expect(appendEntry(id, 'plan', 'Pilot', ticked('a'))).rejects.toThrow(/ended/);
		await reopenSession(id, 'the pack was forgotten');
		await appendEntry(id, 'close', 'Pilot', ticked('pack-after'));
		expect(await kindsOf(id)).toEqual(['begun', 'ended', 'reopened', 'check']);
		expect((await verifySession(id))?.ok).toBe(true);
	});

	it('in which it flew marks its pack as used and counts it once, however often it is ended; a rehearsal does not', async () => {
		const pack = { cells: 4, capacityMah: 5200, cycles: 40, boughtOn: '2026-01-05', notes: '', updatedAt: AT };
		for (const id of ['d1', 'd2']) await savePack({ ...pack, id, name: id, aircraftId: 'a1', state: 'charged' });
		const up = { kind: 'flight', task: 'flying', what: 'took-off', note: '', landAfterMin: 9 } as const;
		const fly = async (kind: 'flight' | 'rehearsal', packId: string, off: boolean) => {
			await begin();
			const { id } = await startSession({ kind, title: 'x', aircraftId: 'a1', siteId: 'p1', packId, pilot: 'Pilot' });
			if (off) await appendEntry(id, 'fly', 'Pilot', up);
			await endSession(id);
			return id;
		};
		await fly('rehearsal', 'd1', true);
		await fly('flight', 'd1', false);
		expect(await db.packs.get('d1')).toMatchObject({ state: 'charged', cycles: 40 });
		const id = await fly('flight', 'd2', true);
		await reopenSession(id, 'one thing more');
		await endSession(id);
		expect(await db.packs.get('d2')).toMatchObject({ state: 'used', cycles: 41 });
	});

	it('that left something undone hands it on, a rehearsal does not', async () => {
		const { id } = await begin();
		const aside = {
			kind: 'aside',
			task: 'frame',
			reason: 'no time',
			signedBy: 'Pilot',
			about: 'Frame',
			dueAt: 'bench',
		} as const;
		await appendEntry(id, 'bench', 'Pilot', aside);
		const practice = await begin('rehearsal');
		await appendEntry(practice.id, 'bench', 'Pilot', { ...aside, task: 'link' });
		const later = new Date(Date.now() + 1000).toISOString();
		expect((await deferredFor('a1', later)).map(({ task }) => task)).toEqual(['frame']);
		expect(await deferredFor('a1', later, id)).toEqual([]);
		const next = await begin();
		await appendEntry(next.id, 'bench', 'Pilot', ticked('frame'));
		expect(await deferredFor('a1', new Date(Date.now() + 1000).toISOString())).toEqual([]);
	});

	it('whose title, pilot or end was changed in the store says so', async () => {
		const { id } = await begin();
		for (const change of [{ title: 'x' }, { pilot: 'y' }, { endedAt: AT }]) {
			const before = await db.sessions.get(id);
			await db.sessions.update(id, change);
			expect((await verifySession(id))?.broken[0]?.where).toBe('The session');
			if (before) await db.sessions.put(before);
		}
	});

	it('writes down a change of its aircraft’s limits, and a new firmware as an event', async () => {
		const { id } = await begin();
		await saveAircraft({ ...aircraft(), firmware: '4.1' });
		await saveAircraft({ ...aircraft(), firmware: '4.2', compassHeadingLimitDeg: 2 });
		expect(await kindsOf(id)).toEqual(['begun', 'changed', 'changed', 'event']);
		expect((await db.aircraft.get('a1'))?.events.map(({ kind, note }) => [kind, note])).toEqual([
			['firmware', '4.1 to 4.2'],
		]);
		await saveAircraft({ ...aircraft(), firmware: '4.2', compassHeadingLimitDeg: 2, events: [] });
		expect(await kindsOf(id)).toHaveLength(4);
	});

	it('hears of what happened, and a rehearsal’s events stay its own', async () => {
		const { id } = await begin();
		const rehearsal = await begin('rehearsal');
		await noteEvent('a1', { what: 'knock', note: 'fell over' }, id);
		await noteEvent('a1', { what: 'part', note: 'pretended' }, rehearsal.id);
		await noteEvent('a1', { what: 'unplugged', note: '' }, id);
		expect(await kindsOf(id)).toEqual(['begun', 'event', 'event']);
		expect(await kindsOf(rehearsal.id)).toEqual(['begun', 'event']);
		expect((await db.aircraft.get('a1'))?.events.map(({ kind }) => kind)).toEqual(['knock']);
	});
});

const compass = (grade: 'measured' | 'rehearsed'): CalibrationPayload => ({
	kind: 'calibration',
	task: 'compass',
	accepted: 'accepted',
	grade,
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
	verdict: 'pass',
	reasons: [],
});

describe('a calibration', () => {
	const later = '2100-01-01T00:00:00.000Z';

	it('that was rehearsed counts for nothing after it; a real one does', async () => {
		const first = await begin();
		await appendEntry(first.id, 'compass', 'Pilot', compass('rehearsed'));
		const second = await begin();
		expect(lastDone(await lastFindings('a1', later, second.id), later).has('compass')).toBe(false);
		expect((await listKept('a1', 'compass')).map(({ standing }) => standing)).toEqual(['rehearsed']);
		await appendEntry(first.id, 'compass', 'Pilot', compass('measured'));
		expect(lastDone(await lastFindings('a1', later, second.id), later).has('compass')).toBe(true);
		expect(lastDone(await lastFindings('a1', later, first.id), later).has('compass')).toBe(false);
	});

	it('kept before any site was entered has no place, and comes back from a backup', async () => {
		await saveAircraft(aircraft());
		await saveToBench(aircraft(), null, 'Pilot', compass('measured'));
		const { data, fault } = await exportEverything();
		expect(fault).toBeNull();
		await db.delete();
		await db.open();
		await restore(unpackBackup(data, 'b.zip'));
		expect((await listBench('a1')).map(({ payload }) => payload.kind)).toEqual(['calibration']);
		expect((await db.sessions.toArray())[0].siteId).toBeNull();
	});
});

describe('a backup', () => {
	it('goes into an empty store and into the same store again without doubling', async () => {
		const { id } = await begin();
		await appendEntry(id, 'plan', 'Pilot', ticked('a'));
		const bytes = packBackup(await readBackup(), AT);
		await db.delete();
		await db.open();
		expect(await restore(unpackBackup(bytes, 'b.zip'))).toEqual({ sessions: 1, entries: 2, aircraft: 1 });
		expect(await restore(unpackBackup(bytes, 'b.zip'))).toEqual({ sessions: 0, entries: 0, aircraft: 0 });
		expect((await bundleOf(id)).entries).toHaveLength(2);
	});

	it('brings photos with what they are of, once, and refuses one that was changed', async () => {
		const { id } = await begin();
		const jpeg = btoa('not quite a picture');
		const photo = await addPhoto({
			of: { table: 'sessions', id },
			task: 'leads',
			caption: 'leads',
			widthPx: 8,
			heightPx: 3,
			jpeg,
			sha256: sha256Hex(new TextEncoder().encode('not quite a picture')),
		});
		const bytes = packBackup(await readBackup(), AT);
		const file = unpackSession((await exportSession(id)).data, 's.json');
		expect(file.photos.map((p) => p.id)).toEqual([photo.id]);
		await db.delete();
		await db.open();
		await restore(unpackBackup(bytes, 'b.zip'));
		await restore(unpackBackup(bytes, 'b.zip'));
		expect(await listPhotos(id)).toEqual([photo]);
		await removePhoto(photo);
		expect(await listPhotos(id)).toHaveLength(1);
		const changed = await readBackup();
		changed.photos[0].jpeg = btoa('another picture');
		expect(() => unpackBackup(packBackup(changed, AT), 'b.zip')).toThrow(/photo was changed/);
		changed.photos[0] = { ...photo, of: { table: 'sites', id: 'nowhere' } };
		expect(() => unpackBackup(packBackup(changed, AT), 'b.zip')).toThrow(/not in the file/);
	});

	it('prolongs a session that goes on in the file and keeps one that went on here', async () => {
		const { id } = await begin();
		await appendEntry(id, 'plan', 'Pilot', ticked('a'));
		const older = await readBackup();
		await appendEntry(id, 'plan', 'Pilot', ticked('b'));
		const newer = await readBackup();
		await restore(older);
		expect((await bundleOf(id)).entries).toHaveLength(3);
		await db.delete();
		await db.open();
		await restore(older);
		await restore(newer);
		expect((await verifySession(id))?.ok).toBe(true);
		expect((await bundleOf(id)).entries).toHaveLength(3);
	});

	it('changes nothing here that differs, unless it is chosen: limits least of all', async () => {
		await begin();
		const theirs = await readBackup();
		theirs.aircraft[0] = {
			...theirs.aircraft[0],
			compassHeadingLimitDeg: 30,
			updatedAt: '2099-01-01T00:00:00.000Z',
			events: [{ id: 'ev', at: AT, kind: 'knock', note: 'on the other device' }],
		};
		const items = await planImport(theirs);
		const craft = items.find(({ table }) => table === 'aircraft');
		expect(craft).toMatchObject({ state: 'differs', take: false, adds: 1 });
		expect(craft?.differences).toEqual([{ field: 'compassHeadingLimitDeg', here: '1', there: '30' }]);
		await applyImport(theirs, items);
		expect(await db.aircraft.get('a1')).toMatchObject({ compassHeadingLimitDeg: 1, events: [{ id: 'ev' }] });
		// The event is here now: what the pilot saw is not what is here any more.
		const all = (list: MergeItem[]) => list.map((item) => ({ ...item, take: true }));
		await expect(applyImport(theirs, all(items))).rejects.toThrow(/Changed on this device meanwhile: Dunlin/);
		expect((await db.aircraft.get('a1'))?.compassHeadingLimitDeg).toBe(1);
		await applyImport(theirs, all(await planImport(theirs)));
		expect((await db.aircraft.get('a1'))?.compassHeadingLimitDeg).toBe(30);
	});

	it('brought in during a session writes there what it changed, and the events since it began', async () => {
		const { id, startedAt } = await begin();
		const theirs = await readBackup();
		const later = new Date(Date.parse(startedAt) + 1000).toISOString();
		theirs.aircraft[0] = {
			...(theirs.aircraft[0] ?? aircraft()),
			compassHeadingLimitDeg: 30,
			events: [
				{ id: 'old', at: AT, kind: 'knock', note: 'before' },
				{ id: 'new', at: later, kind: 'part', note: 'since', component: 'motor' },
			],
		};
		await applyImport(
			theirs,
			(await planImport(theirs)).map((item) => ({ ...item, take: item.table === 'aircraft' })),
		);
		const payloads = (await bundleOf(id)).entries.map(({ payload }) => payload);
		expect(payloads.filter(({ kind }) => kind === 'session').at(-1)).toMatchObject({
			what: 'changed',
			reason: 'Changed by an import.',
			aircraft: { compassHeadingLimitDeg: 30 },
		});
		expect(payloads.filter(({ kind }) => kind === 'event')).toMatchObject([{ note: 'since', component: 'motor' }]);
		expect((await verifySession(id))?.ok).toBe(true);
	});

	it('whose session parted from the one here is told beforehand; taken, it replaces it whole', async () => {
		const { id } = await begin();
		const common = await readBackup();
		await appendEntry(id, 'plan', 'Pilot', ticked('there'));
		const theirs = await readBackup();
		await db.delete();
		await db.open();
		await restore(common);
		await appendEntry(id, 'plan', 'Pilot', ticked('here'));
		const items = await planImport(theirs);
		expect(items.find(({ table }) => table === 'sessions')).toMatchObject({ state: 'parted', take: false, removes: 2 });
		await applyImport(theirs, items);
		expect((await bundleOf(id)).entries.at(-1)?.payload).toMatchObject({ task: 'here' });
		await applyImport(
			theirs,
			items.map((item) => ({ ...item, take: item.table === 'sessions' })),
		);
		expect((await bundleOf(id)).entries.at(-1)?.payload).toMatchObject({ task: 'there' });
		expect((await verifySession(id))?.ok).toBe(true);
	});

	it('of which a session is taken without its aircraft brings nothing at all', async () => {
		await begin();
		const theirs = await readBackup();
		await db.delete();
		await db.open();
		const items = (await planImport(theirs)).map((item) => ({ ...item, take: item.table === 'sessions' }));
		await expect(applyImport(theirs, items)).rejects.toThrow(/needs its aircraft.*Nothing was imported/);
		expect(await db.sessions.count()).toBe(0);
	});

	it('of two devices stands side by side: bench books are each device’s own', async () => {
		await saveAircraft(aircraft());
		await saveToBench(aircraft(), null, 'Ines', ticked('a') as EntryPayload);
		const ours = await readBackup();
		const theirs = structuredClone(ours);
		theirs.sessions[0].id = 'bench-a1-other';
		await db.delete();
		await db.open();
		await restore(ours);
		const [item] = (await planImport({ ...theirs, entries: [] })).filter(({ table }) => table === 'sessions');
		expect(item).toMatchObject({ state: 'new', take: true });
	});

	it('that would not come back says why', async () => {
		const { id } = await begin();
		const lost = await appendEntry(id, 'plan', 'Pilot', ticked('a'));
		await appendEntry(id, 'plan', 'Pilot', ticked('b'));
		await db.entries.delete(lost.id);
		expect((await exportSession(id)).fault).toMatch(/entry 2: it is missing/);
		expect((await exportEverything()).fault).toMatch(/entry 2/);
	});

	it('gives back whatever the interface can write', async () => {
		const words = fc.string({ maxLength: 30, unit: 'grapheme' });
		const named = fc.string({ minLength: 1, maxLength: 20 }).filter((text) => text.trim() !== '');
		const step = fc.oneof(
			fc.record({
				do: fc.constant('check' as const),
				task: named,
				reason: words,
				value: fc.option(fc.double({ noNaN: true, noDefaultInfinity: true }).map((v) => v + 0)),
			}),
			fc.record({ do: fc.constant('aside' as const), task: named, reason: words }),
			fc.record({ do: fc.constant('event' as const), note: words }),
			fc.record({ do: fc.constant('end' as const), reason: words }),
			fc.record({
				do: fc.constant('aircraft' as const),
				firmware: words,
				limit: fc.double({ min: 0.1, max: 30, noNaN: true }),
			}),
		);
		await fc.assert(
			fc.asyncProperty(named, fc.array(step, { maxLength: 8 }), async (pilot, steps) => {
				await db.delete();
				await db.open();
				await saveAircraft(aircraft());
				const { id } = await startSession({
					kind: 'flight',
					title: pilot,
					aircraftId: 'a1',
					siteId: null,
					packId: null,
					pilot,
				});
				for (const s of steps) {
					if (s.do === 'check')
						await appendEntry(id, 'plan', pilot, { ...ticked(s.task), reason: s.reason, value: s.value });
					else if (s.do === 'aside')
						await appendEntry(id, 'plan', pilot, { kind: 'aside', task: s.task, reason: s.reason, signedBy: pilot });
					else if (s.do === 'event') await noteEvent('a1', { what: 'knock', note: s.note }, id);
					else if (s.do === 'aircraft')
						await saveAircraft({ ...aircraft(), firmware: s.firmware, compassHeadingLimitDeg: s.limit });
					else {
						await endSession(id);
						await reopenSession(id, s.reason);
					}
				}
				const before = await readBackup();
				const { data, fault } = await exportEverything();
				expect(fault).toBeNull();
				await db.delete();
				await db.open();
				await restore(unpackBackup(data, 'b.zip'));
				expect(await readBackup()).toEqual(before);
				expect((await verifySession(id))?.ok).toBe(true);
			}),
			{ numRuns: 25 },
		);
	});
});

describe('anything typed into a form', () => {
	const wildText = fc.oneof(fc.string({ maxLength: 20, unit: 'binary' }), fc.constantFrom('', '   ', 'x'.repeat(130)));
	const wildNumber = fc.oneof(
		fc.double().map((v) => v + 0),
		fc.integer({ min: -200, max: 200 }),
		fc.constantFrom(NaN, Infinity, 1e300, 0.1),
	);
	/** What is wrong with at most two fields of a good record. */
	const damaged = <T extends object>(good: T) =>
		fc
			.array(
				fc
					.constantFrom(...(Object.keys(good) as (keyof T & string)[]).filter((key) => key !== 'id'))
					.chain((key) =>
						fc.tuple(
							fc.constant(key),
							fc.oneof(typeof good[key] === 'number' ? wildNumber : wildText, fc.constant(good[key])),
						),
					),
				{ maxLength: 2 },
			)
			.map((changes) => ({ ...good, ...Object.fromEntries(changes) }) as T);
	const site = { id: 'p1', name: 'Saltings', latDeg: 54.2, lonDeg: -3.1, altM: 10, notes: '', updatedAt: AT };
	const pack = {
		id: 'k1',
		name: 'D-1',
		aircraftId: 'a1',
		cells: 4,
		capacityMah: 5200,
		cycles: 3,
		boughtOn: '2026-01-02',
		flightMin: 12,
		notes: '',
		updatedAt: AT,
	};
	const forms = [
		['aircraft', aircraft(), (v: Aircraft) => saveAircraft(v)],
		['site', site, (v: typeof site) => saveSite(v)],
		['pack', pack, (v: typeof pack) => savePack(v)],
	] as const;

	it.each(forms)(
		'of %s is refused and leaves no trace, or is kept and comes back from a file',
		async (_, good, save) => {
			let [refused, kept] = [0, 0];
			await fc.assert(
				fc.asyncProperty(damaged(good), async (typed) => {
					await db.delete();
					await db.open();
					await saveAircraft(aircraft());
					const before = await readBackup();
					try {
						await (save as (value: unknown) => Promise<unknown>)(typed);
						kept++;
					} catch {
						refused++;
						expect(await readBackup()).toEqual(before);
					}
					const stored = await readBackup();
					const { data, fault } = await exportEverything();
					expect(fault).toBeNull();
					await db.delete();
					await db.open();
					await restore(unpackBackup(data, 'b.zip'));
					expect(await readBackup()).toEqual(stored);
				}),
				{ numRuns: 60, seed: 9 },
			);
			expect(Math.min(refused, kept)).toBeGreaterThan(3);
		},
	);
});

describe('a store of a later version', () => {
	it('is refused in words, and opened by no query', async () => {
		await db.delete();
		const later = new Dexie('later');
		later.version(30).stores({ aircraft: 'id' });
		await later.open();
		later.close();
		const ours = new WinglogosDb('later');
		await expect(ours.open()).rejects.toThrow(/A newer version of Winglogos/);
		await expect(ours.aircraft.toArray()).rejects.toThrow();
		await ours.delete();
		await db.open();
	});
});

describe('records of earlier versions in the store', () => {
	const frozen = import.meta.glob<{ sessions: { id: string }[]; entries: Stored[] }>('../core/record/frozen/*.json', {
		eager: true,
		import: 'default',
	});
	it.each(Object.entries(frozen))('%s is migrated, opens and verifies', async (_, old) => {
		await restore(backupSchema.parse(structuredClone(old)));
		for (const { id } of old.sessions) {
			const { chain, entries } = await bundleOf(id);
			expect(chain.ok).toBe(true);
			expect(entries.length).toBe(old.entries.filter(({ sessionId }) => sessionId === id).length);
		}
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

describe('the last findings of an aircraft', () => {
	const finding = fc.oneof(
		fc
			.record({
				grade: fc.constantFrom('measured', 'rehearsed'),
				accepted: fc.constantFrom('accepted', 'kept-aside'),
				verdict: fc.constantFrom('pass', 'fail'),
			})
			.map(({ grade, ...rest }) => ({ ...compass(grade as 'measured'), ...rest })),
		fc
			.record({
				grade: fc.constantFrom('measured', 'seen', 'told', 'rehearsed'),
				verdict: fc.constantFrom('pass', 'caution', 'fail'),
				about: fc.constantFrom(
					{ task: 'hover' },
					{ task: 'six-faces', sensor: 'accelerometer' },
					{ task: 'guide', sensor: 'compass' },
					{ task: 'settings-audit', sensor: 'link-loss' },
				),
			})
			.map(({ about, ...rest }) => ({
				kind: 'test',
				...about,
				...rest,
				sourceName: '',
				headline: 'x',
				figures: [],
				reasons: [],
			})),
	);
	const days = fc.integer({ min: 1, max: 28 }).map((day) => `2026-05-${String(day).padStart(2, '0')}T09:00:00.000Z`);

	it('say of it what all its findings say, whichever session is left out', async () => {
		const asOf = '2026-05-20T00:00:00.000Z';
		await fc.assert(
			fc.asyncProperty(fc.array(fc.tuple(finding, days, fc.constantFrom('s1', 's2'))), async (made) => {
				await db.entries.clear();
				const entries: Entry[] = made.map(([payload, at, sessionId], seq) => {
					const of = { id: `e${seq}`, sessionId, aircraftId: 'a1', seq, at, zoneMin: 0, by: 'Pilot', station: 'bench' };
					return link(CHAIN_START, entryBodySchema.parse({ ...of, corrects: null, payload }));
				});
				await db.entries.bulkAdd(entries);
				for (const except of [undefined, 's1']) {
					const all = entries.filter(({ sessionId }) => sessionId !== except);
					const few = await lastFindings('a1', asOf, except);
					expect(lastDone(few, asOf)).toEqual(lastDone(all, asOf));
					expect(lastHover(few, asOf)).toEqual(lastHover(all, asOf));
					expect(datedAhead(few, asOf)).toEqual(datedAhead(all, asOf));
				}
			}),
			{ numRuns: 60, seed: 11 },
		);
	});
});

describe('two tabs of one session', () => {
	const flight = (what: 'took-off' | 'landed') =>
		({ kind: 'flight', task: 'flying', what, note: '', landAfterMin: null }) as const;
	const decide = (decision: 'fly' | 'hold') => ({
		...({ kind: 'decision', task: 'arm', decision, about: 'session', reason: 'x', signedBy: 'Ines' } as const),
		marks: [],
	});
	it('take off once: the second is refused and says since when it flies', async () => {
		const { id } = await begin();
		await appendEntry(id, 'fly', 'Ines', flight('took-off'));
		await expect(appendEntry(id, 'fly', 'Ines', flight('took-off'))).rejects.toThrow(
			/Already in the air since \d\d:\d\d/,
		);
		await appendEntry(id, 'fly', 'Ines', flight('landed'));
		await expect(appendEntry(id, 'fly', 'Ines', flight('landed'))).rejects.toThrow(/recorded already/);
		await appendEntry(id, 'fly', 'Ines', flight('took-off'));
		expect((await bundleOf(id)).entries.filter(({ payload }) => payload.kind === 'flight')).toHaveLength(3);
	});
	it('decide once: who did not see the other’s hold is told of it', async () => {
		const { id } = await begin();
		const held = await appendEntry(id, 'arm', 'Ada', decide('hold'));
		await expect(appendEntry(id, 'arm', 'Ines', decide('fly'))).rejects.toThrow(/Held a moment ago, at .* by Ada/);
		await appendEntry(id, 'arm', 'Ines', decide('fly'), held.id);
		await noteEvent('a1', { what: 'knock', note: '' }, id);
		await appendEntry(id, 'arm', 'Ines', decide('hold'));
	});
	it('answer one check: the second answer is a correction of the first, unless something happened between', async () => {
		const { id } = await begin();
		const first = await appendEntry(id, 'plan', 'Ines', ticked('frame'));
		expect((await appendEntry(id, 'plan', 'Ines', ticked('frame'))).corrects).toBe(first.id);
		await noteEvent('a1', { what: 'knock', note: '' }, id);
		expect((await appendEntry(id, 'plan', 'Ines', ticked('frame'))).corrects).toBeNull();
	});
});

describe('a running session of another device', () => {
	it('whose aircraft differs here still verifies after it came in, and says what differs', async () => {
		const { id } = await begin();
		const theirs = await readBackup();
		await db.delete();
		await db.open();
		await saveAircraft({ ...aircraft(), compassHeadingLimitDeg: 4 });
		const items = await planImport(theirs);
		expect(items.find(({ table }) => table === 'aircraft')).toMatchObject({ state: 'differs', take: false });
		await applyImport(theirs, items);
		expect((await verifySession(id))?.broken).toEqual([]);
		expect((await bundleOf(id)).entries.at(-1)?.payload).toMatchObject({
			kind: 'session',
			what: 'changed',
			reason: 'Changed by an import.',
			aircraft: { compassHeadingLimitDeg: 4 },
		});
	});
	it('begun before every change was an entry keeps verifying after its site was edited', async () => {
		const { id } = await begin();
		await db.entries.toCollection().modify((row) => {
			const { payload } = row as unknown as { payload: { follows?: true } };
			delete payload.follows;
		});
		await db.sites.update('p1', { notes: 'edited by an older version' });
		const named = (await verifySession(id))?.broken.map(({ where }) => where) ?? [];
		expect(named).not.toContain('The site');
	});
	it('a second confirmation adds to the first, and a reading after a flight is no correction', async () => {
		const { id } = await begin();
		const confirm = { ...ticked('confirmed-plan'), confirmedBy: 'Ada', confirms: ['a'] };
		await appendEntry(id, 'plan', 'Ines', confirm);
		expect((await appendEntry(id, 'plan', 'Ines', confirm)).corrects).toBeNull();
		const flight = { kind: 'flight', task: 'flying', note: '', landAfterMin: null } as const;
		await appendEntry(id, 'fly', 'Ines', ticked('pack-between'));
		await appendEntry(id, 'fly', 'Ines', { ...flight, what: 'took-off' });
		expect((await appendEntry(id, 'fly', 'Ines', ticked('pack-between'))).corrects).toBeNull();
	});
});
