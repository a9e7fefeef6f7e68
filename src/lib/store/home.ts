import { lastDone } from '$lib/core/evidence/inForce';
import type { Entry } from '$lib/schema/entries';
import type { Aircraft, Sensor, Session, Site } from '$lib/schema/records';
import { db } from './db';
import { findingsOf } from './repository';

export interface Home {
	aircraft: Aircraft[];
	/** Latest first. */
	sessions: Session[];
	/** What was last done for each sensor, by aircraft. */
	done: Map<string, Map<Sensor, Entry>>;
}

/** What the start page shows. */
export async function loadHome(): Promise<Home> {
	const [aircraft, sessions] = await Promise.all([
		db.aircraft.toArray(),
		db.sessions.orderBy('startedAt').reverse().toArray(),
	]);
	const asOf = new Date().toISOString();
	const done = await Promise.all(aircraft.map(async ({ id }) => [id, lastDone(await findingsOf(id), asOf)] as const));
	return { aircraft, sessions: sessions.filter(({ kind }) => kind !== 'bench'), done: new Map(done) };
}

/** Where somebody last was: the site of the latest session, of an aircraft where one is named; null before the first. */
export async function lastSiteId(aircraftId?: string): Promise<string | null> {
	const sessions = await db.sessions.orderBy('startedAt').reverse().toArray();
	const own = sessions.find((session) => session.siteId && session.aircraftId === aircraftId);
	return (own ?? sessions.find(({ siteId }) => siteId))?.siteId ?? null;
}

/** The site where an aircraft, else anything, last was; null before the first session. */
export async function lastSite(aircraftId: string): Promise<Site | null> {
	const id = await lastSiteId(aircraftId);
	return (id && (await db.sites.get(id))) || null;
}
