import { mendedAircraft } from '$lib/schema/mended';
import type { Merge } from '$lib/core/record/merge';
import { headOf } from '$lib/core/session/head';
import { changedFields, snapshotOf } from '$lib/core/record/snapshot';
import {
	CHAIN_START,
	changedRows,
	headOf as sessionHead,
	link,
	verifyChain,
	type ChainFinding,
} from '$lib/core/record/chain';
import { withFact } from '$lib/core/facts/profile';
import {
	entryBodySchema,
	type CheckPayload,
	type Entry,
	type EntryPayload,
	type EventKind,
	type SessionPayload,
} from '$lib/schema/entries';
import {
	aircraftSchema,
	eventExtentSchema,
	packSchema,
	sessionSchema,
	siteSchema,
	type Aircraft,
	type AircraftEvent,
	type Pack,
	type Session,
	type Site,
	type StationId,
	type EventExtent,
} from '$lib/schema/records';
import { format } from 'date-fns/format';
import { flightsOf } from '$lib/core/evidence/flights';
import { readSession } from '$lib/core/session/sessionRecord';
import Dexie from 'dexie';
import { rowsAround } from './around';
import { asOne, db } from './db';
import { examineAll, examined } from './examined';
import { askToKeep, deviceId } from './device';
import { newId } from './newId';
import { readable } from './rows';

const now = () => new Date().toISOString();
const GONE = 'This session is not on this device any more.';

/** An aircraft by its id; undefined where it is not on this device. */
export const findAircraft = (id: string) => db.aircraft.get(id);
/** Saves a site, checked by its schema; a running session at it writes down what changed. */
export const saveSite = (site: Site): Promise<void> =>
	asOne(async () => {
		const next = siteSchema.parse({ ...site, updatedAt: now() });
		const before = await db.sites.get(next.id);
		await db.sites.put(next);
		if (before) await noteChange('Site', before, next, ({ siteId }) => siteId === next.id);
	});
/** Saves a battery, checked by its schema; a running session with it writes down what changed. */
export const savePack = (pack: Pack): Promise<void> =>
	asOne(async () => {
		const next = packSchema.parse({ ...pack, updatedAt: now() });
		const before = await db.packs.get(next.id);
		await db.packs.put(next);
		if (before) await noteChange('Battery', before, next, ({ packId }) => packId === next.id);
	});

/** Writes into the running sessions that a changed row is about which fields of it changed; nothing where none did. */
async function noteChange(
	what: 'Aircraft' | 'Site' | 'Battery',
	before: object,
	after: object,
	isAbout: (session: Session) => boolean,
): Promise<void> {
	const fields = changedFields(before, after);
	if (fields === '') return;
	for (const session of await db.sessions.toArray())
		if (isAbout(session) && session.kind !== 'bench' && session.endedAt === null)
			await appendHead(session, 'changed', `${what} changed: ${fields}.`.slice(0, 400));
}

const openSessionsOf = async (aircraftId: string): Promise<Session[]> =>
	(await db.sessions.where('aircraftId').equals(aircraftId).toArray()).filter(
		({ kind, endedAt }) => kind !== 'bench' && endedAt === null,
	);

/**
 * Saves an aircraft; a running session of it writes down the change of its limits and settings. A change of firmware is an event as
 * well, which undoes what it undoes.
 */
export async function saveAircraft(aircraft: Aircraft): Promise<void> {
	const next = aircraftSchema.parse({ ...aircraft, updatedAt: now() });
	await db.transaction('rw', db.record, async () => {
		const before = await db.aircraft.get(next.id);
		await db.aircraft.put(next);
		if (!before) return;
		await noteChange('Aircraft', snapshotOf(before), snapshotOf(next), ({ aircraftId }) => aircraftId === next.id);
		const { firmware } = before;
		if (firmware !== '' && next.firmware !== firmware)
			await noteEvent(next.id, { what: 'firmware', note: `${firmware} to ${next.firmware || 'unknown'}` });
	});
}

/** An event as it is logged: its kind, a note, and its extent. */
export type Happening = { what: EventKind; note: string } & EventExtent;

/**
 * Notes what happened to an aircraft: in its own events, and in every running session of it, where it undoes what it undoes. An
 * unplugged pack is the session's alone.
 */
export async function noteEvent(aircraftId: string, happened: Happening, sessionId?: string): Promise<void> {
	const { what, ...more } = happened;
	await db.transaction('rw', db.record, async () => {
		const aircraft = await db.aircraft.get(aircraftId);
		if (!aircraft) throw new Error('This aircraft is not on this device any more.');
		const sessions = await openSessionsOf(aircraftId);
		const running = what === 'unplugged' ? sessions.filter(({ id }) => id === sessionId) : sessions;
		// Nothing that happens in a rehearsal happened to the aircraft.
		const rehearsed = sessions.some(({ id, kind }) => id === sessionId && kind === 'rehearsal');
		if (what !== 'unplugged' && !rehearsed) {
			const event: AircraftEvent = { id: newId(), at: now(), kind: what, ...more };
			await db.aircraft.put({ ...aircraft, events: [...aircraft.events, event], updatedAt: now() });
		}
		for (const { id, pilot, place, kind } of running)
			if (rehearsed ? id === sessionId : kind !== 'rehearsal')
				await appendEntry(id, place.station, pilot, { kind: 'event', task: 'event', ...happened });
	});
}

export interface SessionBundle {
	session: Session;
	aircraft: Aircraft;
	/** Null in a bench book without a place. */
	site: Site | null;
	pack: Pack | null;
	/** Entries that can be read, in order of their numbers. */
	entries: Entry[];
	chain: ChainFinding;
}

/** A session with all that its pages need, its chain verified; null where it is not on this device. */
export async function loadSession(id: string): Promise<SessionBundle | null> {
	// In one transaction: an entry that another tab writes meanwhile would look like a broken chain.
	const read = await db.transaction('r', db.record, async () => {
		const session = await db.sessions.get(id);
		return (
			session && {
				session,
				around: await rowsAround(session),
				rows: await db.entries.where('sessionId').equals(id).toArray(),
				photos: await db.photos.where('of.id').equals(id).toArray(),
			}
		);
	});
	if (!read) return null;
	const { session, around, rows, photos } = read;
	const { aircraft, site, pack } = around;
	// Nothing is read of the store from here on: a query that follows its tables has seen them all.
	const entries = await examineAll(rows);
	return {
		session,
		// Without its aircraft a session is still read, with the one that its own entries hold.
		aircraft: aircraft ?? mendedAircraft({ ...sessionHead(entries)?.aircraft, id: session.aircraftId, events: [] }),
		site,
		pack,
		entries,
		chain: verifyChain(rows, session, { ...around, photos }, examined),
	};
}

/** A bench book is one device's own, so that those of two devices stand side by side. */
const benchId = (aircraftId: string) => `bench-${aircraftId}-${deviceId()}`;

/** What was measured on an aircraft outside any session, on whatever device, newest first. */
export async function listBench(aircraftId: string): Promise<Entry[]> {
	const books = (await db.sessions.where('aircraftId').equals(aircraftId).toArray()).filter(
		({ kind }) => kind === 'bench',
	);
	const rows = await db.entries
		.where('sessionId')
		.anyOf(books.map(({ id }) => id))
		.toArray();
	return readable(rows)
		.filter(({ payload }) => payload.kind !== 'session')
		.sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** Writes a measurement into the aircraft's bench book of this device, which is opened with the first. */
export async function saveToBench(
	aircraft: Aircraft,
	siteId: string | null,
	by: string,
	payload: EntryPayload,
): Promise<Entry> {
	const id = benchId(aircraft.id);
	return db.transaction('rw', db.record, async () => {
		if (!(await db.sessions.get(id)))
			await beginSession({
				id,
				kind: 'bench',
				title: `Bench book of ${aircraft.name}`,
				aircraftId: aircraft.id,
				siteId,
				packId: null,
				pilot: by,
			});
		return appendEntry(id, 'bench', by, payload);
	});
}

export type NewSession = Pick<
	Session,
	'kind' | 'title' | 'aircraftId' | 'siteId' | 'packId' | 'pilot' | 'occasion' | 'venue' | 'crew' | 'signals'
>;

async function beginSession(input: NewSession & { id: string }): Promise<Session> {
	const at = now();
	const session = sessionSchema.parse({
		...input,
		startedAt: at,
		endedAt: null,
		place: { station: input.kind === 'bench' ? 'bench' : 'plan', task: null },
		head: CHAIN_START,
		updatedAt: at,
	});
	await db.sessions.add(session);
	await appendHead(session, 'begun', '');
	return session;
}

/** Begins a session: what it is stands in its first entry. */
export function startSession(input: NewSession): Promise<Session> {
	if (input.kind !== 'rehearsal') askToKeep();
	return db.transaction('rw', db.record, () => beginSession({ ...input, id: newId() }));
}

/** Writes down what the session is now. */
async function appendHead(session: Session, what: SessionPayload['what'], reason: string): Promise<Entry> {
	const { aircraft, ...others } = await rowsAround(session);
	if (!aircraft) throw new Error('The aircraft of this session is not on this device any more.');
	const head = headOf(what, session, { aircraft, ...others }, reason);
	return append(session, session.place.station, session.pilot, null, head);
}

/**
 * Writes into running sessions where their aircraft, site and battery are others than their own entries hold after an import, and the events
 * of their aircraft since they began. Inside the import's transaction.
 */
export async function noteImport(events: Merge['events']): Promise<void> {
	for (const session of await db.sessions
		.filter(({ endedAt, kind }) => endedAt === null && kind !== 'bench')
		.toArray()) {
		const head = sessionHead(await inOrder(session.id));
		if (head && changedRows(session, head, await rowsAround(session)).length > 0)
			await appendHead(session, 'changed', 'Changed by an import.');
		for (const { aircraftId, event } of events) {
			if (aircraftId !== session.aircraftId || event.at < session.startedAt || session.kind === 'rehearsal') continue;
			await append(session, session.place.station, session.pilot, null, {
				kind: 'event',
				task: 'event',
				what: event.kind,
				note: event.note,
				...eventExtentSchema.parse(event),
			});
		}
	}
}

/** Entry and new head together; the caller's transaction keeps both or neither. */
async function append(
	session: Session,
	station: StationId,
	by: string,
	corrects: string | null,
	payload: EntryPayload,
): Promise<Entry> {
	const last = await db.entries
		.where('[sessionId+seq]')
		.between([session.id, Dexie.minKey], [session.id, Dexie.maxKey])
		.last();
	const { head } = (await db.sessions.get(session.id)) ?? session;
	const body = entryBodySchema.parse({
		id: newId(),
		sessionId: session.id,
		aircraftId: session.aircraftId,
		// After the last, not by counting: a gap must not block what comes next.
		seq: typeof last?.seq === 'number' ? last.seq + 1 : 0,
		at: now(),
		zoneMin: 0 - new Date().getTimezoneOffset(),
		by,
		station,
		corrects,
		payload,
	});
	const entry = link(head, body);
	await db.entries.add(entry);
	await db.sessions.update(session.id, { head: entry.hash, updatedAt: entry.at });
	return entry;
}

/**
 * Writes an entry at the end of its session's chain: entry and new head in one transaction, so that a killed tab leaves
 * both or neither. Resolves once it is written to the disk. An ended session takes no more.
 */
export async function appendEntry(
	sessionId: string,
	station: StationId,
	by: string,
	payload: EntryPayload,
	corrects: string | null = null,
): Promise<Entry> {
	return db.transaction('rw', db.record, async () => {
		const session = await db.sessions.get(sessionId);
		if (!session) throw new Error(GONE);
		if (session.endedAt !== null) throw new Error('This session is ended: reopen it with a reason to go on with it.');
		return append(session, station, by, await correctionOf(session, payload, corrects), payload);
	});
}

const inOrder = async (sessionId: string): Promise<Entry[]> =>
	readable(
		await db.entries.where('[sessionId+seq]').between([sessionId, Dexie.minKey], [sessionId, Dexie.maxKey]).toArray(),
	);

/**
 * The entry that a new one corrects, as the record stands now: another tab may have written meanwhile.
 *
 * @throws Error where a flight or a decision is recorded that the page did not know to be over, begun or decided
 */
async function correctionOf(session: Session, payload: EntryPayload, corrects: string | null): Promise<string | null> {
	if (payload.kind === 'flight' && payload.what !== 'note' && payload.what !== 'touched-down') {
		const flying = flightsOf(await inOrder(session.id)).find(({ landed }) => landed === null);
		if (payload.what === 'took-off' && flying)
			throw new Error(`Already in the air since ${clockOf(flying.tookOff.at)}. Record the landing first.`);
		if (payload.what === 'landed' && !flying) throw new Error('The landing is recorded already.');
	}
	if (payload.kind === 'decision') {
		const aircraft = aircraftSchema.safeParse(await db.aircraft.get(session.aircraftId)).data;
		const record = readSession({ entries: await inOrder(session.id), session, aircraft: aircraft ?? {} });
		const latest = payload.task === 'measurement-aside' ? null : record.decision(payload.task);
		if (latest && latest.id !== corrects)
			throw new Error(
				`${latest.payload.kind === 'decision' && latest.payload.decision === 'hold' ? 'Held' : 'Decided'} a moment ago, at ${clockOf(latest.at)} by ${latest.by}. Look again.`,
			);
	}
	// A confirmation adds to the ones before it.
	if (payload.kind !== 'check' || corrects !== null || payload.confirms) return corrects;
	const rows = await inOrder(session.id);
	const last = rows.findLast(({ payload: other }) => other.kind === 'check' && other.task === payload.task);
	const undone = rows.some(
		({ seq, payload: other }) => last && seq > last.seq && (other.kind === 'event' || other.kind === 'flight'),
	);
	return last && !undone ? last.id : null;
}

const clockOf = (iso: string): string => format(new Date(iso), 'HH:mm');

/** Writes down one value that two statements disagreed about, and keeps it in the aircraft's profile: both or neither. */
export async function settleFact(sessionId: string, station: StationId, payload: CheckPayload): Promise<void> {
	await db.transaction('rw', db.record, async () => {
		const session = await db.sessions.get(sessionId);
		const aircraft = session && (await db.aircraft.get(session.aircraftId));
		if (!session || !aircraft) throw new Error(GONE);
		await appendEntry(sessionId, station, session.pilot, payload);
		if (session.kind === 'rehearsal') return;
		let next = aircraftSchema.parse(aircraft);
		for (const { key, value } of payload.states ?? []) next = withFact(next, key, value);
		await saveAircraft(next);
	});
}

/** Remembers where the pilot is, so that a reload comes back here. */
export const rememberPlace = (sessionId: string, station: StationId, task: string | null) =>
	db.sessions.update(sessionId, { place: sessionSchema.shape.place.parse({ station, task }) });

/** Takes another pack for a session that runs: it stands in the record from here on. */
export async function choosePack(sessionId: string, packId: string): Promise<void> {
	await db.transaction('rw', db.record, async () => {
		const session = await db.sessions.get(sessionId);
		const pack = await db.packs.get(packId);
		if (!session || !pack) throw new Error(GONE);
		if (session.endedAt !== null) throw new Error('This session is ended: reopen it with a reason to go on with it.');
		await db.sessions.update(sessionId, { packId });
		await appendHead({ ...session, packId }, 'changed', `Pack ${pack.name} is flown.`);
	});
}

/** A pack that flew in a session is used, and has one cycle more; once for a session, however often it is ended. */
async function countFlight({ id, kind, packId }: Session): Promise<void> {
	const pack = packId && kind === 'flight' ? await db.packs.get(packId) : undefined;
	if (!pack || pack.countedFor === id || pack.flights?.some((flight) => flight.id === id)) return;
	const rows = await db.entries.where('sessionId').equals(id).toArray();
	const flew = readable(rows).some(({ payload }) => payload.kind === 'flight' && payload.what === 'took-off');
	if (!flew) return;
	const at = now();
	const flights = [...(pack.flights ?? []), { id, at }];
	await savePack({ ...pack, state: 'used', stateAt: at, cycles: pack.cycles + 1, flights });
}

async function setEnd(sessionId: string, what: 'ended' | 'reopened', reason: string): Promise<void> {
	await db.transaction('rw', db.record, async () => {
		const session = await db.sessions.get(sessionId);
		if (!session) throw new Error(GONE);
		const endedAt = what === 'ended' ? now() : null;
		await db.sessions.update(sessionId, { endedAt });
		await appendHead({ ...session, endedAt }, what, reason);
		if (what === 'ended') await countFlight(session);
	});
}

/** Ends a session: from then on it is only read. */
export const endSession = (sessionId: string) => setEnd(sessionId, 'ended', '');

/** Takes an ended session up again, with its reason on record. */
export const reopenSession = (sessionId: string, reason: string) => setEnd(sessionId, 'reopened', reason);
