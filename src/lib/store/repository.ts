import { CHAIN_START, link } from '$lib/core/record/chain';
import { keptOf, type Kept } from '$lib/core/record/history';
import {
	aircraftSchema,
	entryBodySchema,
	packSchema,
	sessionSchema,
	siteSchema,
	type Aircraft,
	type Entry,
	type EntryPayload,
	type Pack,
	type Sensor,
	type Session,
	type Site,
	type StationId,
} from '$lib/schema/records';
import { db } from './db';

/** A new identifier: random, also where the browser has no secure context. */
export function newId(): string {
	const bytes = crypto.getRandomValues(new Uint8Array(12));
	return [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
}

const now = () => new Date().toISOString();

export const findAircraft = (id: string) => db.aircraft.get(id);
export const saveAircraft = (aircraft: Aircraft) =>
	db.aircraft.put(aircraftSchema.parse({ ...aircraft, updatedAt: now() }));
export const saveSite = (site: Site) => db.sites.put(siteSchema.parse({ ...site, updatedAt: now() }));
export const savePack = (pack: Pack) => db.packs.put(packSchema.parse({ ...pack, updatedAt: now() }));

export interface SessionBundle {
	session: Session;
	aircraft: Aircraft;
	site: Site;
	pack: Pack | null;
	entries: Entry[];
	/** Latest accepted compass calibration of this aircraft before this session. */
	lastCompass: Entry | null;
	/** What was last done well for each sensor, before this session. */
	done: Map<Sensor, Entry>;
	/** The last test hover before this session. */
	lastHover: Entry | null;
}

export async function loadSession(id: string): Promise<SessionBundle | null> {
	const session = await db.sessions.get(id);
	if (!session) return null;
	const asOf = session.endedAt ?? now();
	const [aircraft, site, pack, entries, lastCompass, done, lastHover] = await Promise.all([
		db.aircraft.get(session.aircraftId),
		db.sites.get(session.siteId),
		session.packId ? db.packs.get(session.packId) : undefined,
		db.entries.where('sessionId').equals(id).sortBy('seq'),
		lastAcceptedCompass(session.aircraftId, asOf, id),
		lastDone(session.aircraftId, asOf, id),
		lastHoverOf(session.aircraftId, asOf, id),
	]);
	if (!aircraft || !site) return null;
	return { session, aircraft, site, pack: pack ?? null, entries, lastCompass, done, lastHover };
}

/** The compass calibration in force for an aircraft, as of an ISO time; practice does not count, entries of `except` (a session) are not looked at. */
export async function lastAcceptedCompass(aircraftId: string, asOf = now(), except?: string): Promise<Entry | null> {
	const all = await db.entries.where('aircraftId').equals(aircraftId).toArray();
	const accepted = all.filter(
		({ payload, sessionId, at }) =>
			payload.kind === 'calibration' &&
			payload.accepted === 'accepted' &&
			!payload.practice &&
			sessionId !== except &&
			at <= asOf,
	);
	return accepted.sort((a, b) => (a.at < b.at ? 1 : -1))[0] ?? null;
}

/** The entry that says when and where a sensor was last calibrated or tested well; practice and failures do not count, nor what `except` (a session) holds. */
export async function lastDone(aircraftId: string, asOf = now(), except?: string): Promise<Map<Sensor, Entry>> {
	const all = await db.entries.where('aircraftId').equals(aircraftId).toArray();
	const found = new Map<Sensor, Entry>();
	for (const entry of all
		.filter(({ at, sessionId }) => at <= asOf && sessionId !== except)
		.sort((a, b) => (a.at < b.at ? -1 : 1))) {
		const { payload } = entry;
		if (payload.kind === 'calibration' && payload.accepted === 'accepted' && !payload.practice)
			found.set('compass', entry);
		if (payload.kind === 'test' && payload.sensor && !payload.practice && payload.verdict !== 'fail')
			found.set(payload.sensor, entry);
	}
	return found;
}

/** The last test hover of an aircraft that was not practice; entries of `except` (a session) are not looked at. */
async function lastHoverOf(aircraftId: string, asOf: string, except: string): Promise<Entry | null> {
	const all = await db.entries.where('aircraftId').equals(aircraftId).toArray();
	const flown = all.filter(
		({ payload, sessionId, at }) =>
			payload.kind === 'test' && payload.task === 'hover' && !payload.practice && sessionId !== except && at <= asOf,
	);
	return flown.sort((a, b) => (a.at < b.at ? 1 : -1))[0] ?? null;
}

/** All that the record holds of a sensor of an aircraft, oldest first: kept aside and practice too. */
export async function listKept(aircraftId: string, sensor: Sensor): Promise<Kept[]> {
	const all = await db.entries.where('aircraftId').equals(aircraftId).toArray();
	return all
		.toSorted((a, b) => (a.at < b.at ? -1 : 1))
		.flatMap((entry) => {
			const kept = keptOf(entry, sensor);
			return kept ? [kept] : [];
		});
}

const benchId = (aircraftId: string) => `bench-${aircraftId}`;

/** What was measured on an aircraft outside any session, newest first. */
export async function listBench(aircraftId: string): Promise<Entry[]> {
	const all = await db.entries.where('sessionId').equals(benchId(aircraftId)).sortBy('seq');
	return all.reverse();
}

/** Writes a measurement into the aircraft's bench book, which is opened with the first. */
export async function saveToBench(
	aircraft: Aircraft,
	siteId: string,
	by: string,
	payload: EntryPayload,
): Promise<Entry> {
	const id = benchId(aircraft.id);
	return db.transaction('rw', db.sessions, db.entries, async () => {
		if (!(await db.sessions.get(id))) {
			const at = now();
			await db.sessions.add(
				sessionSchema.parse({
					id,
					kind: 'bench',
					title: `Bench book of ${aircraft.name}`,
					aircraftId: aircraft.id,
					siteId,
					packId: null,
					pilot: by,
					startedAt: at,
					endedAt: null,
					place: { station: 'bench', task: null },
					head: CHAIN_START,
					updatedAt: at,
				}),
			);
		}
		return appendEntry(id, 'bench', by, payload);
	});
}

export interface NewSession {
	title: string;
	aircraftId: string;
	siteId: string;
	packId: string | null;
	pilot: string;
}

export async function startSession(input: NewSession): Promise<Session> {
	const at = now();
	const session = sessionSchema.parse({
		...input,
		id: newId(),
		startedAt: at,
		endedAt: null,
		place: { station: 'plan', task: null },
		head: CHAIN_START,
		updatedAt: at,
	});
	await db.sessions.add(session);
	return session;
}

/**
 * Writes an entry at the end of its session's chain: entry and new head in one transaction, so that a killed tab leaves
 * both or neither. Resolves once it is written.
 */
export async function appendEntry(
	sessionId: string,
	station: StationId,
	by: string,
	payload: EntryPayload,
	corrects: string | null = null,
): Promise<Entry> {
	return db.transaction('rw', db.sessions, db.entries, async () => {
		const session = await db.sessions.get(sessionId);
		if (!session) throw new Error('This session is not on this device any more.');
		const seq = await db.entries.where('sessionId').equals(sessionId).count();
		const body = entryBodySchema.parse({
			id: newId(),
			sessionId,
			aircraftId: session.aircraftId,
			seq,
			at: now(),
			by,
			station,
			corrects,
			payload,
		});
		const entry = link(session.head, body);
		await db.entries.add(entry);
		await db.sessions.update(sessionId, { head: entry.hash, updatedAt: entry.at });
		return entry;
	});
}

/** Remembers where the pilot is, so that a reload comes back here. */
export const rememberPlace = (sessionId: string, station: StationId, task: string | null) =>
	db.sessions.update(sessionId, { place: { station, task } });

export const endSession = (sessionId: string) => db.sessions.update(sessionId, { endedAt: now(), updatedAt: now() });
