import type { Surroundings } from '$lib/core/record/chain';
import type { Session } from '$lib/schema/records';
import { db } from './db';

/** The aircraft, site and battery of a session as they are stored; null where one is missing or was not chosen. */
export async function rowsAround({ aircraftId, siteId, packId }: Session): Promise<Omit<Surroundings, 'photos'>> {
	const [aircraft, site, pack] = await Promise.all([
		db.aircraft.get(aircraftId),
		siteId ? db.sites.get(siteId) : null,
		packId ? db.packs.get(packId) : null,
	]);
	return { aircraft: aircraft ?? null, site: site ?? null, pack: pack ?? null };
}
