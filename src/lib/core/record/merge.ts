import type { Backup, RawEntry } from '../../schema/files';
import type { Aircraft, AircraftEvent, Pack, Session, Site } from '../../schema/records';
import { InputError } from '../finding/inputError';
import { bySession } from './archive';
import { canonicalJson, verifyChain } from './chain';
import { joinAircraft, joinPack } from './join';

export type MergeTable = 'aircraft' | 'sites' | 'packs' | 'sessions';

/** What a part of a file is against what is on this device. */
export type MergeState = 'new' | 'same' | 'differs' | 'goes-on' | 'behind' | 'parted';

export interface Difference {
	field: string;
	here: string;
	there: string;
}

/** One thing in a file, what it is against what is here, and what will be done with it unless the pilot chooses otherwise. */
export interface MergeItem {
	table: MergeTable;
	id: string;
	name: string;
	state: MergeState;
	differences: Difference[];
	/** Entries or events that would come in, and that taking the file's would remove from here. */
	adds: number;
	removes: number;
	take: boolean;
	/** Whether there is anything to choose. */
	open: boolean;
}

const said = (value: unknown): string => {
	const text = value === undefined || value === null || value === '' ? 'nothing' : canonicalJson(value);
	return text.length > 80 ? `${text.slice(0, 79)}…` : text.replaceAll('"', '');
};

/** Fields in which two rows differ; the time of writing and lists that are merged are left out. */
const isGroup = (value: unknown): value is object =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

function differencesOf(here: object, there: object, without: readonly string[]): Difference[] {
	const [a, b] = [here as Record<string, unknown>, there as Record<string, unknown>];
	return [...new Set([...Object.keys(a), ...Object.keys(b)])]
		.filter((field) => !without.includes(field) && said(a[field]) !== said(b[field]))
		.flatMap((field) => {
			const [ours, theirs] = [a[field], b[field]];
			// Of a group of limits only those that differ.
			if (isGroup(ours) && isGroup(theirs))
				return differencesOf(ours, theirs, []).map((each) => ({ ...each, field: `${field}.${each.field}` }));
			return [{ field, here: said(ours), there: said(theirs) }];
		});
}

/** Fields that are joined whatever is chosen, and the time of writing: no difference to choose between. */
const JOINED: Record<'sites' | 'packs' | 'aircraft', readonly string[]> = {
	sites: ['updatedAt'],
	packs: ['updatedAt', 'flights', 'cycles', 'state', 'stateAt', 'countedFor'],
	aircraft: ['updatedAt', 'events', 'snapshots'],
};
const missing = (here: readonly { id: string }[] = [], there: readonly { id: string }[] = []): number =>
	there.filter(({ id }) => !here.some((row) => row.id === id)).length;

/** Rows that joining adds to what is here: events, settings sheets, flights of a battery. */
function joinedRows(here: Partial<Aircraft & Pack>, there: Partial<Aircraft & Pack>): number {
	return (
		missing(here.events, there.events) + missing(here.snapshots, there.snapshots) + missing(here.flights, there.flights)
	);
}

function rowItem(
	table: 'sites' | 'packs' | 'aircraft',
	there: Site | Pack | Aircraft,
	here: object | undefined,
): MergeItem {
	const base = { table, id: there.id, name: there.name, removes: 0 };
	if (!here) return { ...base, state: 'new', differences: [], adds: 1, take: true, open: true };
	const differences = differencesOf(here, there, JOINED[table]);
	const adds = joinedRows(here, there);
	const differs = differences.length > 0;
	// What is here stays unless the pilot takes the file's: limits are never changed silently.
	return { ...base, state: differs ? 'differs' : 'same', differences, adds, take: false, open: differs };
}

function sessionItem(
	there: Session,
	incoming: readonly RawEntry[],
	here: Session | undefined,
	own: readonly RawEntry[],
): MergeItem {
	const base = { table: 'sessions' as const, id: there.id, name: there.title, differences: [] };
	if (!here) return { ...base, state: 'new', adds: incoming.length, removes: 0, take: true, open: true };
	const shared = Math.min(incoming.length, own.length);
	const alike = incoming.slice(0, shared).every(({ hash }, k) => hash === own[k].hash);
	if (!alike) return { ...base, state: 'parted', adds: incoming.length, removes: own.length, take: false, open: true };
	if (incoming.length > own.length)
		return { ...base, state: 'goes-on', adds: incoming.length - own.length, removes: 0, take: true, open: true };
	return {
		...base,
		state: incoming.length < own.length ? 'behind' : 'same',
		adds: 0,
		removes: 0,
		take: false,
		open: false,
	};
}

/** What a checked file would bring, thing by thing, against what is on this device. Nothing is changed by it. */
export function planMerge(incoming: Backup, here: Backup): MergeItem[] {
	const find = <T extends { id: string }>(rows: readonly T[], id: string) => rows.find((row) => row.id === id);
	const [theirs, ours] = [bySession(incoming.entries), bySession(here.entries)];
	return [
		...incoming.aircraft.map((row) => rowItem('aircraft', row, find(here.aircraft, row.id))),
		...incoming.sites.map((row) => rowItem('sites', row, find(here.sites, row.id))),
		...incoming.packs.map((row) => rowItem('packs', row, find(here.packs, row.id))),
		...incoming.sessions.map((row) =>
			sessionItem(row, theirs.get(row.id) ?? [], find(here.sessions, row.id), ours.get(row.id) ?? []),
		),
	];
}

/** Rows to write, sessions whose entries here are replaced, and events that aircraft here did not know. */
export interface Merge {
	write: Backup;
	replaced: string[];
	events: { aircraftId: string; event: AircraftEvent }[];
}

const keyOf = ({ table, id }: Pick<MergeItem, 'table' | 'id'>): string => `${table}/${id}`;

/** Things that are no longer against this device what the pilot saw them to be. */
export function changedSince(seen: readonly MergeItem[], now: readonly MergeItem[]): MergeItem[] {
	const at = new Map(now.map((item) => [keyOf(item), item]));
	return seen.filter((item) => {
		const other = at.get(keyOf(item));
		return (
			!other ||
			other.state !== item.state ||
			other.adds !== item.adds ||
			other.removes !== item.removes ||
			canonicalJson(other.differences) !== canonicalJson(item.differences)
		);
	});
}

/**
 * The rows that a merge writes, by the pilot's choice, planned again on what is here now. Events and settings sheets of an aircraft and
 * the flights of a battery that are on both sides are joined whatever is chosen.
 *
 * @param leaveChanged leaves out what changed since the pilot chose; otherwise nothing is merged
 * @throws InputError where something changed since the pilot chose; where a session is taken whose aircraft, site or battery is neither
 * here nor taken; where the chain of a session would not verify
 */
export function merge(
	incoming: Backup,
	here: Backup,
	items: readonly MergeItem[],
	{ leaveChanged = false }: { leaveChanged?: boolean } = {},
): Merge {
	const changed = changedSince(
		items.filter(({ take }) => take),
		planMerge(incoming, here),
	);
	if (changed.length > 0 && !leaveChanged)
		throw new InputError(
			'changed-meanwhile',
			changed.map(keyOf).join(', '),
			`Changed on this device meanwhile: ${changed.map(({ name }) => name).join(', ')}. Nothing was imported. Look again and choose.`,
		);
	const left = new Set(changed.map(keyOf));
	const chosen = new Map(
		items.filter((item) => item.take && !left.has(keyOf(item))).map((item) => [keyOf(item), item] as const),
	);
	const taken = (table: MergeTable, id: string) => chosen.has(keyOf({ table, id }));
	const events: Merge['events'] = [];
	const aircraft = incoming.aircraft.flatMap((row) => {
		const own = here.aircraft.find(({ id }) => id === row.id);
		if (!own) return taken('aircraft', row.id) ? [row] : [];
		for (const event of row.events)
			if (!own.events.some(({ id }) => id === event.id)) events.push({ aircraftId: row.id, event });
		if (taken('aircraft', row.id)) return [joinAircraft(row, own)];
		return joinedRows(own, row) > 0 ? [joinAircraft(own, row)] : [];
	});
	const sites = incoming.sites.filter(({ id }) => taken('sites', id));
	const packs = incoming.packs.flatMap((row) => {
		const own = here.packs.find(({ id }) => id === row.id);
		if (!own) return taken('packs', row.id) ? [row] : [];
		if (taken('packs', row.id)) return [joinPack(row, own)];
		return joinedRows(own, row) > 0 ? [joinPack(own, row)] : [];
	});
	const sessions = incoming.sessions.filter(({ id }) => taken('sessions', id));
	const there = <T extends { id: string }>(id: string | null, ...tables: (readonly T[])[]) =>
		id === null || tables.some((rows) => rows.some((row) => row.id === id));
	for (const session of sessions)
		for (const [what, ok] of [
			['aircraft', there(session.aircraftId, here.aircraft, aircraft)],
			['site', there(session.siteId, here.sites, sites)],
			['battery', there(session.packId, here.packs, packs)],
		] as const)
			if (!ok)
				throw new InputError(
					'missing-reference',
					`sessions.${session.id}`,
					`Session "${session.title}" needs its ${what}: take it too, or leave the session. Nothing was imported.`,
				);
	const [theirs, ours] = [bySession(incoming.entries), bySession(here.entries)];
	const replaced = [...chosen.values()]
		.filter(({ table, state }) => table === 'sessions' && state === 'parted')
		.map(({ id }) => id);
	const entries = sessions.flatMap((session) => {
		const [all, own] = [theirs.get(session.id) ?? [], ours.get(session.id) ?? []];
		const added = replaced.includes(session.id) ? all : all.slice(own.length);
		const stands = replaced.includes(session.id) ? all : [...own, ...added];
		const { ok, broken } = verifyChain(stands, session);
		if (!ok)
			throw new InputError(
				'chain-broken',
				`sessions.${session.id}`,
				`The record of "${session.title}" would not verify: ${broken[0]?.where ?? ''}: ${broken[0]?.what ?? ''}. Nothing was imported.`,
			);
		return added;
	});
	const written = { aircraft, sites, packs, sessions };
	const photos = incoming.photos.filter(
		({ id, of }) =>
			!here.photos.some((own) => own.id === id) && there<{ id: string }>(of.id, here[of.table], written[of.table]),
	);
	return { write: { ...written, entries, photos }, replaced, events };
}
