import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from './evenly';
import { InputError } from '../core/finding/inputError';
import type { Entry } from '../schema/entries';
import type { RawEntry } from '../schema/files';
import type { Session } from '../schema/records';
import { headOf, link, readEntry, verifyChain } from '../core/record/chain';
import { bySession } from '../core/record/archive';
import { merge, planMerge, type MergeItem } from '../core/record/merge';
import type { Backup } from '../schema/files';
import { makeDemo } from './demo';

const demo: Backup = makeDemo(new Date('2026-05-14T10:30:00'));
const NOTHING: Backup = { ...demo, aircraft: [], sites: [], packs: [], sessions: [], entries: [], photos: [] };
const states = (items: readonly MergeItem[]) => [...new Set(items.map(({ state }) => state))];

/** A device after what a merge writes. */
function written(here: Backup, { write, replaced }: ReturnType<typeof merge>): Backup {
	const put = <T extends { id: string }>(own: readonly T[], more: readonly T[]) => [
		...own.filter(({ id }) => !more.some((row) => row.id === id)),
		...more,
	];
	return {
		...here,
		aircraft: put(here.aircraft, write.aircraft),
		sites: put(here.sites, write.sites),
		packs: put(here.packs, write.packs),
		sessions: put(here.sessions, write.sessions),
		photos: put(here.photos, write.photos),
		entries: [...here.entries.filter(({ sessionId }) => !replaced.includes(String(sessionId))), ...write.entries],
	};
}
const all = (items: readonly MergeItem[]) => items.map((item) => ({ ...item, take: true }));
const ids = (rows: readonly { id: string }[]) => rows.map(({ id }) => id).toSorted();

/** A session as it was when its chain ended with these entries. */
function asOf(session: Session, entries: readonly RawEntry[]): Session {
	const own = entries.filter(({ sessionId }) => sessionId === session.id);
	const last = headOf(own.flatMap((row) => ('entry' in readEntry(row) ? [row as unknown as Entry] : [])));
	return {
		...session,
		...(last ? { endedAt: last.endedAt, packId: last.pack?.id ?? null, siteId: last.site?.id ?? null } : {}),
		head: String(own.at(-1)?.hash ?? session.head),
	};
}

/** The same session as another device went on with it from an entry on: every hash after it is another. */
function goneOn(backup: Backup, id: string, from: number): Backup {
	let previous = '';
	const entries = backup.entries.map((entry) => {
		if (entry.sessionId !== id || entry.seq < from) {
			if (entry.sessionId === id) previous = String(entry.hash);
			return entry;
		}
		const body = Object.fromEntries(Object.entries(entry).filter(([key]) => key !== 'hash' && key !== 'previous'));
		const linked = link(previous, { ...body, by: 'Somebody else' } as unknown as Parameters<typeof link>[1]);
		previous = linked.hash;
		return linked as unknown as RawEntry;
	});
	return {
		...backup,
		entries,
		sessions: backup.sessions.map((one) => (one.id === id ? { ...one, head: previous } : one)),
	};
}

/** A part of a file: some sessions with all that they need, each cut somewhere. */
const parts = fc
	.array(fc.record({ session: fc.nat(demo.sessions.length - 1), share: evenly(0, 1) }), {
		maxLength: 6,
	})
	.map((picked): Backup => {
		const cut = new Map(picked.map(({ session, share }) => [demo.sessions[session].id, share]));
		const sessions = demo.sessions.filter(({ id }) => cut.has(id));
		const needs = (key: 'aircraftId' | 'siteId' | 'packId') => new Set(sessions.map((session) => session[key]));
		const entries = [...bySession(demo.entries)].flatMap(([id, list]) =>
			list.slice(0, cut.has(id) ? Math.max(1, Math.ceil((cut.get(id) ?? 0) * list.length)) : 0),
		);
		return {
			...demo,
			aircraft: demo.aircraft.filter(({ id }) => needs('aircraftId').has(id)),
			sites: demo.sites.filter(({ id }) => needs('siteId').has(id)),
			packs: demo.packs.filter(({ id }) => needs('packId').has(id)),
			sessions: sessions.map((session) => asOf(session, entries)),
			entries,
			photos: [],
		};
	});

describe('a file brought into a device', () => {
	it('that has nothing is new throughout; taken whole, it is what the file is', () => {
		const items = planMerge(demo, NOTHING);
		expect(states(items)).toEqual(['new']);
		expect(items.every(({ take }) => take)).toBe(true);
		const after = written(NOTHING, merge(demo, NOTHING, items));
		for (const table of ['aircraft', 'sites', 'packs', 'sessions', 'entries'] as const)
			expect(ids(after[table] as { id: string }[])).toEqual(ids(demo[table] as { id: string }[]));
	});

	it('that has all of it changes nothing, and offers nothing', () => {
		const items = planMerge(demo, demo);
		expect(states(items)).toEqual(['same']);
		expect(items.some(({ take, open }) => take || open)).toBe(false);
		const { write, replaced } = merge(demo, demo, items);
		expect([write.aircraft, write.sites, write.packs, write.sessions, write.entries, replaced]).toEqual([
			[],
			[],
			[],
			[],
			[],
			[],
		]);
	});

	it('in parts, in any order, is the same as at once, and a second time nothing', () => {
		fc.assert(
			fc.property(parts, parts, (first, second) => {
				const into = (here: Backup, file: Backup) => written(here, merge(file, here, planMerge(file, here)));
				const one = into(into(NOTHING, first), second);
				const other = into(into(NOTHING, second), first);
				for (const table of ['aircraft', 'sites', 'packs', 'sessions', 'entries'] as const)
					expect(ids(one[table] as { id: string }[])).toEqual(ids(other[table] as { id: string }[]));
				const again = into(one, first);
				expect(again.entries).toHaveLength(one.entries.length);
			}),
			{ numRuns: 40 },
		);
	});

	it('never takes an entry from a chain: each session here is the longer of the two, whole', () => {
		fc.assert(
			fc.property(parts, parts, (here, file) => {
				const after = written(here, merge(file, here, planMerge(file, here)));
				const [ours, theirs, now] = [here, file, after].map(({ entries }) => bySession(entries));
				for (const { id } of after.sessions) {
					const longest = Math.max(ours.get(id)?.length ?? 0, theirs.get(id)?.length ?? 0);
					expect(now.get(id)?.length ?? 0).toBe(longest);
					expect((now.get(id) ?? []).map(({ seq }) => seq)).toEqual(Array.from({ length: longest }, (_, k) => k));
				}
			}),
			{ numRuns: 40 },
		);
	});

	it('names one limit of a group that differs, not the whole group', () => {
		const [craft, ...others] = demo.aircraft;
		const lock = { ...craft.lock, minSatellites: craft.lock.minSatellites + 1 };
		const incoming = { ...NOTHING, aircraft: [{ ...craft, lock }] };
		const [item] = planMerge(incoming, { ...demo, aircraft: [craft, ...others] });
		expect(item.differences).toEqual([
			{ field: 'lock.minSatellites', here: String(craft.lock.minSatellites), there: String(lock.minSatellites) },
		]);
	});

	it('tells in which fields a row differs, leaves it as it is here, and takes the file’s where that is chosen', () => {
		const changed: Backup = {
			...demo,
			aircraft: demo.aircraft.map((row, k) =>
				k === 0 ? { ...row, returnHeightM: row.returnHeightM + 7, updatedAt: '2030-01-01T00:00:00.000Z' } : row,
			),
			sites: demo.sites.map((row, k) => (k === 1 ? { ...row, notes: '' } : row)),
		};
		const items = planMerge(changed, demo);
		const differing = items.filter(({ state }) => state === 'differs');
		expect(differing.flatMap(({ differences }) => differences.map(({ field }) => field))).toEqual(
			demo.sites[1].notes ? ['returnHeightM', 'notes'] : ['returnHeightM'],
		);
		expect(differing.every(({ take, open }) => !take && open)).toBe(true);
		expect(merge(changed, demo, items).write.aircraft).toEqual([]);
		const taken = merge(changed, demo, all(items)).write;
		expect(taken.aircraft.find(({ id }) => id === demo.aircraft[0].id)?.returnHeightM).toBe(
			demo.aircraft[0].returnHeightM + 7,
		);
	});

	it('joins what happened to an aircraft on both sides, whatever is chosen', () => {
		const event = { id: 'e-there', at: '2026-05-01T08:00:00.000Z', kind: 'knock' as const, note: 'there' };
		const own = { ...event, id: 'e-here', note: 'here' };
		const [craft] = demo.aircraft;
		const here: Backup = { ...NOTHING, aircraft: [{ ...craft, events: [...craft.events, own] }] };
		const file: Backup = { ...NOTHING, aircraft: [{ ...craft, events: [...craft.events, event] }] };
		for (const items of [planMerge(file, here), all(planMerge(file, here))]) {
			const [joined] = merge(file, here, items).write.aircraft;
			expect(joined.events.map(({ id }) => id)).toEqual(expect.arrayContaining(['e-here', 'e-there']));
			expect(new Set(joined.events.map(({ id }) => id)).size).toBe(joined.events.length);
		}
	});

	it('whose plan is carried out after this device went on is refused by name, or left out where that is chosen', () => {
		const [id, list] = [...bySession(demo.entries)].find(([, entries]) => entries.length > 6) ?? [];
		if (!id || !list) throw new Error('no session with entries');
		const upTo = (n: number): Backup => {
			const entries = demo.entries.filter(({ sessionId, seq }) => sessionId !== id || seq < n);
			return { ...demo, entries, sessions: demo.sessions.map((one) => (one.id === id ? asOf(one, entries) : one)) };
		};
		const seen = planMerge(demo, upTo(3));
		expect(seen.find((item) => item.id === id)).toMatchObject({ state: 'goes-on', take: true });
		// Another tab wrote an entry of its own meanwhile.
		const here = goneOn(upTo(4), id, 3);
		expect(() => merge(demo, here, seen)).toThrow(/Changed on this device meanwhile/);
		const { write, replaced } = merge(demo, here, seen, { leaveChanged: true });
		expect([write.entries, write.sessions, replaced]).toEqual([[], [], []]);
		const session = here.sessions.find((one) => one.id === id);
		if (!session) throw new Error('the session is here');
		expect(verifyChain(bySession(here.entries).get(id) ?? [], session).ok).toBe(true);
	});

	it('whose session would not verify here is refused, and names what is broken', () => {
		const [id] = [...bySession(demo.entries)].find(([, entries]) => entries.length > 3) ?? [];
		const broken = { ...demo, entries: demo.entries.filter((entry) => entry.sessionId !== id || entry.seq !== 1) };
		expect(() => merge(broken, NOTHING, planMerge(broken, NOTHING))).toThrow(
			/would not verify: Entry 2: it is missing/,
		);
	});

	it('of which a session is taken and what it needs is not, is refused by its name', () => {
		const items = planMerge(demo, NOTHING).map((item) => ({ ...item, take: item.table === 'sessions' }));
		const tried = () => merge(demo, NOTHING, items);
		expect(tried).toThrow(InputError);
		expect(tried).toThrow(/needs its aircraft: take it too/);
	});

	it('whose session parted from the one here is left, or replaces it whole', () => {
		const [id, list] = [...bySession(demo.entries)].find(([, entries]) => entries.length > 3) ?? [];
		if (!id || !list) throw new Error('no session with entries');
		const other = goneOn(demo, id, 2);
		const items = planMerge(other, demo);
		const parted = items.filter(({ state }) => state === 'parted');
		expect(parted.map((item) => [item.id, item.adds, item.removes, item.take])).toEqual([
			[id, list.length, list.length, false],
		]);
		expect(merge(other, demo, items).replaced).toEqual([]);
		const { replaced, write } = merge(other, demo, all(items));
		expect(replaced).toEqual([id]);
		expect(write.entries.filter(({ sessionId }) => sessionId === id)).toHaveLength(list.length);
	});
});
