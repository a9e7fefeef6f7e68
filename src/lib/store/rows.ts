import Dexie from 'dexie';
import { sensorOf, taskOf } from '$lib/core/evidence/about';
import { standingOf } from '$lib/core/evidence/standing';
import { readEntry } from '$lib/core/record/chain';
import type { Entry, EntryPayload } from '$lib/schema/entries';
import { sensorSchema, type Sensor } from '$lib/schema/records';
import { db } from './db';

/** Stored rows that can be read as entries; what cannot is the chain's to show. */
export const readable = (rows: readonly Readonly<Record<string, unknown>>[]): Entry[] =>
	rows.flatMap((row) => {
		const read = readEntry(row);
		return 'entry' in read ? [read.entry] : [];
	});

export type Row = Readonly<Record<string, unknown>>;
/** One of them; null where it cannot be read. */
export const entryOf = (row: Row): Entry | null => readable([row])[0] ?? null;

/** The rows of an aircraft of one key of an index that ends in the time, newest first. */
export const newestFirst = (index: string, aircraftId: string, key: string) =>
	db.entries
		.where(`[aircraftId+${index}+at]`)
		.between([aircraftId, key, Dexie.minKey], [aircraftId, key, Dexie.maxKey])
		.reverse();

/** Where the findings of a sensor stand in the store: its tests, and for the compass its calibrations. */
export const placesOf = (sensor: Sensor): [index: string, key: string][] => [
	['payload.sensor', sensor],
	...(sensor === 'compass' ? [['payload.kind', 'calibration'] as [string, string]] : []),
];

/**
 * The findings of an aircraft that decide what was last done, as of an ISO time: for each sensor and for the hover those that
 * are dated ahead, and back to the first that is in force. Entries of `except` (a session) are left out. However long the record
 * is, few are read.
 */
export async function lastFindings(aircraftId: string, asOf: string, except?: string): Promise<Entry[]> {
	const back = (index: string, key: string, about: (payload: EntryPayload) => boolean) =>
		newestFirst(index, aircraftId, key)
			.filter(({ sessionId }) => sessionId !== except)
			.until((row) => {
				const entry = entryOf(row);
				return entry !== null && about(entry.payload) && standingOf(entry, { of: 'aircraft' }, asOf) === 'in-force';
			}, true)
			.toArray();
	const found = await Promise.all([
		...sensorSchema.options.flatMap((sensor) =>
			placesOf(sensor).map(([index, key]) => back(index, key, (payload) => sensorOf(payload) === sensor)),
		),
		back('payload.task', 'hover', (payload) => taskOf(payload) === 'hover'),
	]);
	return readable([...new Map(found.flat().map((row) => [row.id, row])).values()]);
}
