import { lastDone } from '$lib/core/evidence/inForce';
import type { Entry } from '$lib/schema/entries';
import type { Aircraft, Pack, Sensor, Session, Site } from '$lib/schema/records';
import Dexie from 'dexie';
import { db } from './db';
import type { Deferred } from '$lib/core/session/deferred';
import { deferredFor } from './deferred';
import { lastFindings, readable } from './rows';

export interface Home {
	aircraft: Aircraft[];
	/** How many there are of each. */
	sites: number;
	sessions: number;
	/** Sessions that are not ended, latest first. */
	open: Session[];
	/** The last flight session of each aircraft. */
	flown: Map<string, Session>;
	/** What was last done for each sensor, by aircraft. */
	done: Map<string, Map<Sensor, Entry>>;
	/** What was left undone and comes back, by aircraft. */
	deferred: Map<string, Deferred[]>;
}

/** The latest session of an aircraft that is as asked; null where there is none. */
const latestOf = async (aircraftId: string, wanted: (session: Session) => boolean): Promise<Session | null> =>
	(await db.sessions
		.where('[aircraftId+startedAt]')
		.between([aircraftId, Dexie.minKey], [aircraftId, Dexie.maxKey])
		.reverse()
		.filter(wanted)
		.first()) ?? null;

/** When an aircraft last flew, as an ISO time; null where no flight of it is on record. */
export const flownAt = async (aircraftId: string): Promise<string | null> =>
	(await latestOf(aircraftId, ({ kind }) => kind === 'flight'))?.startedAt ?? null;

/** The last sessions of an aircraft in which it flew, with the pack and what was noted: what its flight time is told from. */
export async function lastFlights(aircraftId: string, most = 40): Promise<{ pack: Pack | null; entries: Entry[] }[]> {
	const ids = new Set<string>();
	await db.entries
		.where('[aircraftId+payload.kind+at]')
		.between([aircraftId, 'flight', Dexie.minKey], [aircraftId, 'flight', Dexie.maxKey])
		.reverse()
		.until(() => ids.size >= most)
		.each(({ sessionId }) => ids.add(String(sessionId)));
	const sessions = (await db.sessions.bulkGet([...ids])).filter((s) => s !== undefined && s.kind === 'flight');
	return Promise.all(
		sessions.map(async (session) => ({
			pack: (session?.packId && (await db.packs.get(session.packId))) || null,
			entries: readable(
				await db.entries
					.where('sessionId')
					.equals(session?.id ?? '')
					.toArray(),
			),
		})),
	);
}

/** Sessions before one in which its battery flew, that are read for its charge. */
const PAST_SESSIONS = 4;

/** Entries of the last sessions before one that had its battery, oldest first: what its charge is reckoned from. */
export async function batteryPast({ id, packId, aircraftId, startedAt }: Session): Promise<Entry[]> {
	if (packId === null) return [];
	const sessions = await db.sessions
		.where('[aircraftId+startedAt]')
		.between([aircraftId, Dexie.minKey], [aircraftId, startedAt])
		.reverse()
		.filter((session) => session.packId === packId && session.kind === 'flight' && session.id !== id)
		.limit(PAST_SESSIONS)
		.toArray();
	const books = await Promise.all(
		sessions.toReversed().map((session) => db.entries.where('sessionId').equals(session.id).toArray()),
	);
	return books.flatMap((rows) => readable(rows).sort((a, b) => a.seq - b.seq));
}

/** What the start page shows. */
export async function loadHome(): Promise<Home> {
	const asOf = new Date().toISOString();
	const [aircraft, sites, sessions, open] = await Promise.all([
		db.aircraft.filter(({ retired }) => !retired).toArray(),
		db.sites.filter(({ retired }) => !retired).count(),
		db.sessions.count(),
		db.sessions
			.orderBy('startedAt')
			.reverse()
			.filter(({ kind, endedAt }) => kind !== 'bench' && endedAt === null)
			.toArray(),
	]);
	const flown = new Map<string, Session>();
	const done = new Map<string, Map<Sensor, Entry>>();
	const deferred = new Map<string, Deferred[]>();
	await Promise.all(
		aircraft.map(async ({ id }) => {
			const flight = await latestOf(id, ({ kind }) => kind === 'flight');
			if (flight) flown.set(id, flight);
			done.set(id, lastDone(await lastFindings(id, asOf), asOf));
			deferred.set(id, await deferredFor(id, asOf));
		}),
	);
	return { aircraft, sites, sessions, open, flown, done, deferred };
}

/** Where somebody last was: the site of the latest session, of an aircraft where one is named; null before the first. */
export async function lastSiteId(aircraftId?: string): Promise<string | null> {
	const own = aircraftId ? await latestOf(aircraftId, ({ siteId }) => siteId !== null) : null;
	const latest =
		own ??
		(await db.sessions
			.orderBy('startedAt')
			.reverse()
			.filter(({ siteId }) => siteId !== null)
			.first());
	return latest?.siteId ?? null;
}

/** The site where an aircraft, else anything, last was; null before the first session. */
export async function lastSite(aircraftId: string): Promise<Site | null> {
	const id = await lastSiteId(aircraftId);
	return (id && (await db.sites.get(id))) || null;
}
