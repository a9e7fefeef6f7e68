import type { Entry } from '$lib/schema/entries';
import { lastFlights } from './home';
import { entriesAbout } from './repository';

/** Flights that are looked back at. */
const MOST = 200;
const TASKS = ['hover', 'position', 'temperatures'] as const;

/** What an aircraft's figures are followed by: its findings that count, and the notes of its flights. */
export async function trendEntries(aircraftId: string): Promise<Entry[]> {
	const [flights, ...findings] = await Promise.all([
		lastFlights(aircraftId, MOST),
		...TASKS.map((task) => entriesAbout(aircraftId, task)),
	]);
	return [
		...findings.flat(),
		...flights.flatMap(({ entries }) => entries).filter(({ payload }) => payload.kind === 'flight'),
	];
}
