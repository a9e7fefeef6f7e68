import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MENDED_TABLES, mended, type MendedTable } from './mended';
import { newAircraft } from './newAircraft';
import { aircraftSchema, packSchema, sessionSchema, siteSchema, type Aircraft } from './records';

const AT = '2026-05-14T09:00:00.000Z';
const dunlin: Aircraft = {
	...newAircraft('a1', 'multirotor', AT),
	name: 'Dunlin',
	flies: { hoverW: 120, speedKind: 'air' },
	snapshots: [{ id: 's1', at: AT, note: '', firmware: '2', values: [{ name: 'rate', value: '4' }] }],
	events: [
		{ id: 'e1', at: AT, kind: 'knock', note: 'gate' },
		{ id: 'e2', at: AT, kind: 'part', note: '', component: 'motor' },
	],
};
const WHOLE = {
	aircraft: [aircraftSchema, dunlin],
	sites: [
		siteSchema,
		{
			id: 'p1',
			name: 'Far meadow',
			latDeg: 54,
			lonDeg: -3,
			altM: 10,
			notes: '',
			updatedAt: AT,
			obstacles: [{ id: 'o1', name: 'mast', bearingDeg: 90, distanceM: 80, heightM: 30 }],
		},
	],
	packs: [
		packSchema,
		{
			id: 'b1',
			name: 'Battery 1',
			aircraftId: 'a1',
			cells: 4,
			capacityMah: 5000,
			cycles: 12,
			boughtOn: '2026-01-02',
			notes: '',
			updatedAt: AT,
			flights: [{ id: 'f1', at: AT }],
		},
	],
	sessions: [
		sessionSchema,
		{
			id: 's1',
			kind: 'flight',
			title: 'Survey',
			aircraftId: 'a1',
			siteId: 'p1',
			packId: 'b1',
			pilot: 'Ines Marlowe',
			crew: [{ name: 'Tam', role: 'spotter' }],
			startedAt: AT,
			endedAt: null,
			updatedAt: AT,
			place: { station: 'plan', task: null },
			head: '0'.repeat(64),
		},
	],
} as const;

type Path = (string | number)[];
const pathsOf = (value: unknown, path: Path = []): Path[] =>
	value && typeof value === 'object'
		? Object.entries(value).flatMap(([key, each]) => {
				const here = [...path, Array.isArray(value) ? Number(key) : key];
				return [here, ...pathsOf(each, here)];
			})
		: [];
/** The row with one place of it damaged; undefined takes it away. */
function damaged(row: object, path: Path, by: unknown): Record<string, unknown> {
	const copy = structuredClone(row) as Record<string, unknown>;
	const parent = path.slice(0, -1).reduce<Record<string | number, unknown>>((part, key) => part[key] as never, copy);
	const last = path[path.length - 1];
	if (by === undefined) delete parent[last];
	else parent[last] = by;
	return copy;
}

describe.each(MENDED_TABLES)('a row of %s', (table: MendedTable) => {
	const [schema, whole] = WHOLE[table];
	it('that is whole comes back as it is', () => {
		expect(mended(table, whole)).toEqual(whole);
	});
	it('with anything damaged anywhere can be read, keeps its id and what is whole, and names the field', () => {
		const junk = fc.oneof(fc.constant(undefined), fc.jsonValue({ maxDepth: 2 }));
		const places = fc.constantFrom(...pathsOf(whole).filter(([field]) => field !== 'id'));
		fc.assert(
			fc.property(fc.array(fc.tuple(places, junk), { minLength: 1, maxLength: 4 }), (faults) => {
				let row: Record<string, unknown> = { ...whole };
				for (const [path, by] of faults)
					try {
						row = damaged(row, path, by);
					} catch {
						// an earlier fault took its parent away
					}
				const read = mended(table, row) as Record<string, unknown>;
				expect(schema.safeParse(read).error?.issues).toBeUndefined();
				expect(read.id).toBe(whole.id);
				const hit = new Set(faults.map(([path]) => String(path[0])));
				for (const [field, value] of Object.entries(whole)) if (!hit.has(field)) expect(read[field]).toEqual(value);
				if (!schema.safeParse(row).success)
					for (const field of (read.unreadable as string[]) ?? []) expect(hit).toContain(field);
				expect((read.unreadable !== undefined) === !schema.safeParse(row).success).toBe(true);
			}),
			{ numRuns: 400 },
		);
	});
	it('that is mended again names the same fields', () => {
		const once = mended(table, { ...whole, updatedAt: 5 });
		expect(mended(table, once)).toEqual(once);
		expect(once).toMatchObject({ unreadable: ['updatedAt'] });
	});
});

it('a session named by spaces alone, its kind damaged too, is mended and can be read', () => {
	const [schema, whole] = WHOLE.sessions;
	const read = mended('sessions', { ...whole, title: ' ', kind: [] });
	expect(schema.safeParse(read).success).toBe(true);
	expect(read).toMatchObject({ title: 'unreadable', kind: 'flight' });
});

describe('a damaged site', () => {
	it('without its height has one that nobody knows, not one of zero', () => {
		const [, whole] = WHOLE.sites;
		expect(mended('sites', { ...whole, altM: 'high' })).toMatchObject({ altUnknown: true, unreadable: ['altM'] });
	});
});

describe('a damaged aircraft', () => {
	it('loses the event that cannot be read, and no other', () => {
		const row = { ...dunlin, events: [dunlin.events[0], { kind: '?' }, dunlin.events[1]] };
		expect(mended('aircraft', row)).toMatchObject({ events: dunlin.events, unreadable: ['events'] });
	});
	it('has the default of its kind where a limit cannot be read', () => {
		const row = { ...dunlin, lock: { ...dunlin.lock, minSatellites: 'many' } };
		expect(mended('aircraft', row)).toMatchObject({ lock: { minSatellites: 8 }, unreadable: ['lock'] });
	});
	it('with a whole list of nonsense is read soon', () => {
		const row = { ...dunlin, events: Array.from({ length: 5000 }, (_, k) => k) };
		expect(mended('aircraft', row)).toMatchObject({ name: 'Dunlin', events: [], unreadable: ['events'] });
	});
});
