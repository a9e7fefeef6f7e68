import type { Backup, RawEntry } from '../../schema/files';
import type { Aircraft, Pack, Session, Site } from '../../schema/records';
import { InputError } from '../finding/inputError';
import { bySession } from './archive';
import { canonicalJson } from './chain';

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
function differencesOf(here: object, there: object, without: readonly string[]): Difference[] {
	const [a, b] = [here as Record<string, unknown>, there as Record<string, unknown>];
	return [...new Set([...Object.keys(a), ...Object.keys(b)])]
		.filter((field) => !without.includes(field) && said(a[field]) !== said(b[field]))
		.map((field) => ({ field, here: said(a[field]), there: said(b[field]) }));
}

const withoutTime = ['updatedAt'];
const missingEvents = (here: Aircraft, there: Aircraft) =>
	there.events.filter(({ id }) => !here.events.some((event) => event.id === id));

function rowItem(
	table: 'sites' | 'packs' | 'aircraft',
	there: Site | Pack | Aircraft,
	here: object | undefined,
): MergeItem {
	const base = { table, id: there.id, name: there.name, removes: 0 };
	if (!here) return { ...base, state: 'new', differences: [], adds: 1, take: true, open: true };
	const differences = differencesOf(here, there, table === 'aircraft' ? [...withoutTime, 'events'] : withoutTime);
	const adds = table === 'aircraft' ? missingEvents(here as Aircraft, there as Aircraft).length : 0;
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

/** Rows to write and sessions whose entries here are replaced. */
export interface Merge {
	write: Backup;
	replaced: string[];
}

/**
 * The rows that a merge writes, by the pilot's choice. Events of an aircraft that is on both sides are joined whatever is chosen.
 * @throws InputError where a session is taken whose aircraft, site or pack is neither here nor taken.
 */
export function merge(incoming: Backup, here: Backup, items: readonly MergeItem[]): Merge {
	const taken = (table: MergeTable, id: string) =>
		items.some((item) => item.table === table && item.id === id && item.take);
	const aircraft = incoming.aircraft.flatMap((row) => {
		const own = here.aircraft.find(({ id }) => id === row.id);
		if (!own) return taken('aircraft', row.id) ? [row] : [];
		const more = missingEvents(own, row);
		if (taken('aircraft', row.id)) return [{ ...row, events: [...own.events, ...more] }];
		return more.length > 0 ? [{ ...own, events: [...own.events, ...more] }] : [];
	});
	const sites = incoming.sites.filter(({ id }) => taken('sites', id));
	const packs = incoming.packs.filter(({ id }) => taken('packs', id));
	const sessions = incoming.sessions.filter(({ id }) => taken('sessions', id));
	const there = <T extends { id: string }>(id: string | null, ...tables: (readonly T[])[]) =>
		id === null || tables.some((rows) => rows.some((row) => row.id === id));
	for (const session of sessions)
		for (const [what, ok] of [
			['aircraft', there(session.aircraftId, here.aircraft, aircraft)],
			['site', there(session.siteId, here.sites, sites)],
			['pack', there(session.packId, here.packs, packs)],
		] as const)
			if (!ok)
				throw new InputError(
					'missing-reference',
					`sessions.${session.id}`,
					`Session "${session.title}" needs its ${what}: take it too, or leave the session. Nothing was imported.`,
				);
	const [theirs, ours] = [bySession(incoming.entries), bySession(here.entries)];
	const parted = items
		.filter(({ table, state, take }) => table === 'sessions' && state === 'parted' && take)
		.map(({ id }) => id);
	const entries = sessions.flatMap(({ id }) => {
		const all = theirs.get(id) ?? [];
		return parted.includes(id) ? all : all.slice((ours.get(id) ?? []).length);
	});
	const written = { aircraft, sites, packs, sessions };
	const photos = incoming.photos.filter(
		({ id, of }) =>
			!here.photos.some((own) => own.id === id) && there<{ id: string }>(of.id, here[of.table], written[of.table]),
	);
	return { write: { ...written, entries, photos }, replaced: parted };
}
