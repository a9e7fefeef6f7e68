import { verifyChain, type ChainFinding } from '$lib/core/record/chain';
import type { Entry } from '$lib/schema/entries';
import type { Session } from '$lib/schema/records';
import { db } from './db';
import { readable } from './repository';

/** All aircraft, sites, packs by name; the lists of the places. */
export const listAircraft = () => db.aircraft.toCollection().sortBy('name');
export const listSites = () => db.sites.toCollection().sortBy('name');
export const listPacks = () => db.packs.toCollection().sortBy('name');

export interface LoggedSession {
	session: Session;
	aircraftName: string;
	entries: Entry[];
	/** Verifies it as it stands now. */
	verify: () => Promise<ChainFinding | null>;
}

/** Verifies a session as it stands in the store; null where it is gone. */
export async function verifySession(id: string): Promise<ChainFinding | null> {
	const session = await db.sessions.get(id);
	return session ? verifyChain(await db.entries.where('sessionId').equals(id).toArray(), session) : null;
}

/** Sessions, latest first, with their entries in order of the numbers; bench books are left out. */
export async function listSessions(): Promise<LoggedSession[]> {
	const [sessions, aircraft] = await Promise.all([
		db.sessions.orderBy('startedAt').reverse().toArray(),
		db.aircraft.toArray(),
	]);
	const names = new Map(aircraft.map(({ id, name }) => [id, name]));
	return Promise.all(
		sessions
			.filter(({ kind }) => kind !== 'bench')
			.map(async (session) => ({
				session,
				aircraftName: names.get(session.aircraftId) ?? 'unknown aircraft',
				entries: readable(await db.entries.where('sessionId').equals(session.id).toArray()).sort(
					(a, b) => a.seq - b.seq,
				),
				verify: () => verifySession(session.id),
			})),
	);
}

/** How much of everything is on this device. */
export async function countAll() {
	const [aircraft, sites, packs, all, benchBooks, entries] = await Promise.all([
		db.aircraft.count(),
		db.sites.count(),
		db.packs.count(),
		db.sessions.count(),
		db.sessions.filter(({ kind }) => kind === 'bench').count(),
		db.entries.count(),
	]);
	return { aircraft, sites, packs, sessions: all - benchBooks, benchBooks, entries };
}
