import { keptOf, type Kept } from '$lib/core/evidence/kept';
import type { Entry } from '$lib/schema/entries';
import type { Sensor } from '$lib/schema/records';
import { db } from './db';
import { entryOf, newestFirst, placesOf, readable, type Row } from './rows';

/** Entries that are looked back at: what figures are compared with, and followed through time. */
export const LOOKED_BACK = 200;

/** The newest entries of an aircraft about a task, in sessions that count, newest first. */
export async function entriesAbout(aircraftId: string, task: string): Promise<Entry[]> {
	return counting(await newestFirst('payload.task', aircraftId, task).limit(LOOKED_BACK).toArray());
}

/** The oldest entry of an aircraft about a task that counts and passed; null where none did. */
export async function firstPassed(aircraftId: string, task: string): Promise<Entry | null> {
	const passed = (row: Row) => {
		const payload = entryOf(row)?.payload;
		return payload?.kind === 'test' && payload.verdict === 'pass';
	};
	// A rehearsal passes, too, and does not count: a few are read, the first that counts is taken.
	const oldest = newestFirst('payload.task', aircraftId, task).reverse().filter(passed);
	return (await counting(await oldest.limit(AMONG).toArray())).at(0) ?? null;
}
const AMONG = 20;

async function counting(rows: readonly Row[]): Promise<Entry[]> {
	const sessions = await db.sessions.bulkGet([...new Set(rows.map(({ sessionId }) => String(sessionId)))]);
	const counts = new Set(sessions.flatMap((s) => (s && s.kind !== 'rehearsal' ? [s.id] : [])));
	return readable(rows).filter(({ sessionId }) => counts.has(sessionId));
}

/** The newest that the record holds of a sensor of an aircraft, oldest first, whatever it is worth. */
export async function listKept(aircraftId: string, sensor: Sensor): Promise<Kept[]> {
	const asOf = new Date().toISOString();
	const rows = await Promise.all(
		placesOf(sensor).map(([index, key]) => newestFirst(index, aircraftId, key).limit(LOOKED_BACK).toArray()),
	);
	return readable(rows.flat())
		.sort((a, b) => (a.at < b.at ? -1 : 1))
		.slice(-LOOKED_BACK)
		.flatMap((entry) => keptOf(entry, sensor, asOf) ?? []);
}
