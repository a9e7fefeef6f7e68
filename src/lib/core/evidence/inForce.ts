import type { Entry } from '../../schema/entries';
import type { Sensor } from '../../schema/records';
import { sensorOf, taskOf } from './about';
import { standingOf } from './standing';

const AIRCRAFT = { of: 'aircraft' } as const;

/** Oldest first: by time, and by number within a session. */
const inTime = (entries: readonly Entry[]): Entry[] =>
	entries.toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.seq - b.seq));

/** What was last calibrated or tested well on an aircraft, by sensor, as of an ISO time. `entries` of all its sessions, in any order. */
export function lastDone(entries: readonly Entry[], asOf: string): Map<Sensor, Entry> {
	const found = new Map<Sensor, Entry>();
	for (const entry of inTime(entries)) {
		const sensor = sensorOf(entry.payload);
		if (sensor && standingOf(entry, AIRCRAFT, asOf) === 'in-force') found.set(sensor, entry);
	}
	return found;
}

/** The last test hover of an aircraft that counts, as of an ISO time; null where there was none. */
export const lastHover = (entries: readonly Entry[], asOf: string): Entry | null =>
	inTime(entries).findLast(
		(entry) => taskOf(entry.payload) === 'hover' && standingOf(entry, AIRCRAFT, asOf) === 'in-force',
	) ?? null;

/** Dates of what would count but lies after an ISO time, by sensor: a clock was wrong, then or now. */
export function datedAhead(entries: readonly Entry[], asOf: string): Map<Sensor, string> {
	const found = new Map<Sensor, string>();
	for (const entry of inTime(entries)) {
		const sensor = sensorOf(entry.payload);
		if (sensor && standingOf(entry, AIRCRAFT, asOf) === 'ahead') found.set(sensor, entry.at);
	}
	return found;
}
