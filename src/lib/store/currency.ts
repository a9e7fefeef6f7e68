import Dexie from 'dexie';
import type { Entry } from '$lib/schema/entries';
import { db } from './db';
import { entriesAbout, readable } from './repository';
import { listAircraft } from './tables';

/** Entries that tell of flying by hand, of every aircraft. */
export async function handEntries(): Promise<Entry[]> {
	const aircraft = await listAircraft();
	const each = await Promise.all(
		aircraft.map(async ({ id }) => [
			...readable(
				await db.entries
					.where('[aircraftId+payload.kind+at]')
					.between([id, 'flight', Dexie.minKey], [id, 'flight', Dexie.maxKey])
					.toArray(),
			),
			...(await entriesAbout(id, 'first-rung')),
		]),
	);
	return each.flat();
}
