import type { Entry } from '$lib/schema/entries';
import { lastFlights } from './home';
import { entriesAbout } from './earlier';
import { listAircraft } from './tables';

/** Entries that tell of flying by hand, of the last flights of every aircraft; rehearsals are none. */
export async function handEntries(): Promise<Entry[]> {
	const each = await Promise.all(
		(await listAircraft()).map(async ({ id }) => [
			...(await lastFlights(id)).flatMap(({ entries }) => entries),
			...(await entriesAbout(id, 'first-rung')),
		]),
	);
	return [...new Map(each.flat().map((entry) => [entry.id, entry])).values()];
}
