import type { Entry } from '$lib/schema/entries';
import { lastFlights } from './home';
import { entriesAbout, firstPassed, LOOKED_BACK } from './earlier';

const TASKS = ['hover', 'position', 'temperatures'] as const;

/** What an aircraft's figures are followed by: its newest findings that count, the first good one of each kind, and the notes of its last flights. */
export async function trendEntries(aircraftId: string): Promise<Entry[]> {
	const [flights, firsts, ...findings] = await Promise.all([
		lastFlights(aircraftId, LOOKED_BACK),
		Promise.all(TASKS.map((task) => firstPassed(aircraftId, task))),
		...TASKS.map((task) => entriesAbout(aircraftId, task)),
	]);
	const newest = findings.flat();
	const known = new Set(newest.map(({ id }) => id));
	return [
		...firsts.flatMap((entry) => (entry && !known.has(entry.id) ? [entry] : [])),
		...newest,
		...flights.flatMap(({ entries }) => entries).filter(({ payload }) => payload.kind === 'flight'),
	];
}
