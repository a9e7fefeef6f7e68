import { verifyChain, type ChainFinding } from '$lib/core/record/chain';
import { decisionSchema, flightSchema, type DecisionPayload } from '$lib/schema/entries';
import type { Session } from '$lib/schema/records';
import Dexie from 'dexie';
import { rowsAround } from './around';
import { db } from './db';
import { isEmptySession } from './removal';

/** All aircraft, sites, packs by name; the lists of the places. */
export const listAircraft = () => db.aircraft.toCollection().sortBy('name');
/** All sites by name. */
export const listSites = () => db.sites.toCollection().sortBy('name');
/** All packs by name. */
export const listPacks = () => db.packs.toCollection().sortBy('name');

/** Those that are not taken out of use: what a new session, a plan or a measurement may be about. */
export const inUse = <T extends { retired?: unknown }>(all: readonly T[]): T[] => all.filter(({ retired }) => !retired);

export interface LoggedSession {
	session: Session;
	aircraftName: string;
	/** The last decision to arm, fly or hold; null where there was none. */
	decision: DecisionPayload | null;
	entryCount: number;
	/** It left the ground. */
	flew: boolean;
	/** Nothing was recorded in it: begun by mistake, it may be deleted. */
	empty: boolean;
	/** Verifies it as it stands now. */
	verify: () => Promise<ChainFinding | null>;
}

/** Verifies a session as it stands in the store; null where it is gone. */
export async function verifySession(id: string): Promise<ChainFinding | null> {
	return db.transaction('r', db.record, async () => {
		const session = await db.sessions.get(id);
		if (!session) return null;
		return verifyChain(await db.entries.where('sessionId').equals(id).toArray(), session, {
			...(await rowsAround(session)),
			photos: await db.photos.where('of.id').equals(id).toArray(),
		});
	});
}

const decisionOf = (payload: unknown): DecisionPayload | null => {
	const read = decisionSchema.safeParse(payload);
	return read.success && read.data.task !== 'measurement-aside' ? read.data : null;
};

/** The latest so many sessions with what came of each; bench books are left out. */
export async function listSessions(most: number): Promise<LoggedSession[]> {
	const [sessions, aircraft] = await Promise.all([
		db.sessions
			.orderBy('startedAt')
			.reverse()
			.filter(({ kind }) => kind !== 'bench')
			.limit(most)
			.toArray(),
		db.aircraft.toArray(),
	]);
	const names = new Map(aircraft.map(({ id, name }) => [id, name]));
	return Promise.all(
		sessions.map(async (session) => {
			const entries = db.entries
				.where('[sessionId+seq]')
				.between([session.id, Dexie.minKey], [session.id, Dexie.maxKey]);
			const [last, entryCount, empty, tookOff] = await Promise.all([
				entries
					.clone()
					.reverse()
					.filter(({ payload }) => decisionOf(payload) !== null)
					.first(),
				entries.count(),
				isEmptySession(session.id),
				entries
					.clone()
					.filter(({ payload }) => flightSchema.safeParse(payload).data?.what === 'took-off')
					.first(),
			]);
			return {
				session,
				aircraftName: names.get(session.aircraftId) ?? 'unknown aircraft',
				decision: last ? decisionOf(last.payload) : null,
				entryCount,
				flew: tookOff !== undefined,
				empty,
				verify: () => verifySession(session.id),
			};
		}),
	);
}

/** How much of everything is on this device. */
export async function countAll() {
	const [aircraft, sites, packs, all, benchBooks, entries, photos] = await Promise.all([
		db.aircraft.count(),
		db.sites.count(),
		db.packs.count(),
		db.sessions.count(),
		db.sessions.filter(({ kind }) => kind === 'bench').count(),
		db.entries.count(),
		db.photos.count(),
	]);
	return { aircraft, sites, packs, sessions: all - benchBooks, benchBooks, entries, photos };
}
