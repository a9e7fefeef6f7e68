import { z } from 'zod';
import { newAircraft } from './newAircraft';
import {
	aircraftKindSchema,
	aircraftSchema,
	packSchema,
	sessionSchema,
	siteSchema,
	type Aircraft,
	type Pack,
	type Session,
	type Site,
} from './records';

type Row = Record<string, unknown>;
type Path = readonly PropertyKey[];

const UNREADABLE = 'unreadable';
const LONG_AGO = '1970-01-01T00:00:00.000Z';
/** A text that names something: spaces alone name nothing. */
const textOf = (value: unknown): string =>
	(['string', 'number', 'boolean'].includes(typeof value) && String(value).trim().slice(0, 120)) || UNREADABLE;

/** Stand-ins for the fields of a row that cannot be read. */
const standIns = {
	aircraft: (row: Row): Aircraft => ({
		...newAircraft(textOf(row.id), aircraftKindSchema.catch('multirotor').parse(row.kind), LONG_AGO),
		name: textOf(row.name),
	}),
	sites: (row: Row): Site => ({
		id: textOf(row.id),
		name: textOf(row.name),
		latDeg: 0,
		lonDeg: 0,
		altM: 0,
		notes: '',
		updatedAt: LONG_AGO,
	}),
	packs: (row: Row): Pack => ({
		id: textOf(row.id),
		name: textOf(row.name),
		aircraftId: textOf(row.aircraftId),
		cells: 4,
		capacityMah: 1000,
		cycles: 0,
		boughtOn: '1970-01-01',
		notes: '',
		updatedAt: LONG_AGO,
	}),
	sessions: (row: Row): Session => ({
		id: textOf(row.id),
		kind: 'flight',
		title: textOf(row.title),
		aircraftId: textOf(row.aircraftId),
		siteId: null,
		packId: null,
		pilot: textOf(row.pilot),
		startedAt: LONG_AGO,
		endedAt: null,
		place: { station: 'plan', task: null },
		head: '0'.repeat(64),
		updatedAt: LONG_AGO,
	}),
};

const SCHEMAS = { aircraft: aircraftSchema, sites: siteSchema, packs: packSchema, sessions: sessionSchema };
export type MendedTable = keyof typeof SCHEMAS;
export const MENDED_TABLES = Object.keys(SCHEMAS) as MendedTable[];

const isObject = (value: unknown): value is Row => typeof value === 'object' && value !== null;
const at = (value: unknown, path: Path): unknown =>
	path.reduce<unknown>((part, key) => (isObject(part) ? part[String(key)] : undefined), value);

/** The value with one part of it exchanged; taken away where there is nothing to put there. What its parents are not is made an object. */
function exchanged(value: unknown, [key, ...rest]: Path, part: unknown): unknown {
	if (key === undefined) return part;
	if (Array.isArray(value))
		return rest.length === 0 && part === undefined
			? value.filter((_, k) => k !== key)
			: value.map((each, k) => (k === key ? exchanged(each, rest, part) : each));
	const { [String(key)]: old, ...others } = isObject(value) ? value : {};
	const next = exchanged(old, rest, part);
	return next === undefined ? others : { ...others, [String(key)]: next };
}

/** An aircraft from whatever is left of it. */
export const mendedAircraft = (row: Row): Aircraft => aircraftSchema.parse(mended('aircraft', row));

/** Most faults that are mended one by one; then whole fields are. */
const ONE_BY_ONE = 60;

/**
 * A row of the store as its schema wants it, so that no page fails on damage: what cannot be read is replaced by a stand-in, or left out where
 * it may be; the names of such fields are added to `unreadable`. A whole row comes back as it is, with what it may leave out filled in.
 */
export function mended(table: MendedTable, row: unknown): unknown {
	const schema: z.ZodType = SCHEMAS[table];
	if (!isObject(row)) return row;
	const standIn = standIns[table](row);
	const fields = new Set<string>();
	/** How often a path was mended: what is still wrong is mended from one level higher. */
	const tried = new Map<string, number>();
	let value: unknown = row;
	for (let round = 0; ; round++) {
		const found = schema.safeParse(value);
		if (found.success) {
			const whole = { ...(found.data as Row), ...(value as Row) };
			const { unreadable: before = [] } = whole as { unreadable?: string[] };
			// A height that nobody can read is one that nobody knows.
			const unknown = table === 'sites' && fields.has('altM') ? { altUnknown: true } : {};
			return fields.size === 0 ? whole : { ...whole, ...unknown, unreadable: [...new Set([...before, ...fields])] };
		}
		// Within a list the last first: the places of those before it stay.
		const path = found.error.issues.at(-1)?.path ?? [];
		const name = path.join('.');
		const depth = round < ONE_BY_ONE ? path.length - (tried.get(name) ?? 0) : 1;
		if (path.length === 0 || depth < 1 || round > 2 * ONE_BY_ONE)
			return { ...standIn, unreadable: Object.keys(row).slice(0, 80) };
		tried.set(name, (tried.get(name) ?? 0) + 1);
		fields.add(String(path[0]));
		const place = path.slice(0, depth);
		value = exchanged(value, place, at(standIn, place));
	}
}
