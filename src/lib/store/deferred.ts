import Dexie from 'dexie';
import { deferredIn, type Deferred } from '$lib/core/session/deferred';
import { db } from './db';
import { readable } from './rows';

const DAY_MS = 86_400_000;
/** What was left longer ago than this is no part of the next session. */
const KEPT_DAYS = 365;

/** What was left undone on an aircraft and comes back, as of an ISO time; sessions of practice left out, and `except`. */
export async function deferredFor(aircraftId: string, asOf: string, except?: string): Promise<Deferred[]> {
	const from = new Date(Date.parse(asOf) - KEPT_DAYS * DAY_MS).toISOString();
	const asides = await db.entries
		.where('[aircraftId+payload.kind+at]')
		.between([aircraftId, 'aside', from], [aircraftId, 'aside', asOf], true, true)
		.filter(({ payload, sessionId }) => sessionId !== except && 'dueAt' in Object(payload))
		.toArray();
	const [first] = asides.map(({ at }) => String(at)).toSorted();
	if (first === undefined) return [];
	const since = await db.entries
		.where('[aircraftId+at]')
		.between([aircraftId, first], [aircraftId, Dexie.maxKey], true, true)
		.filter(({ sessionId }) => sessionId !== except)
		.toArray();
	const sessions = await db.sessions.where('aircraftId').equals(aircraftId).toArray();
	const counts = new Set(sessions.filter(({ kind }) => kind !== 'rehearsal').map(({ id }) => id));
	return deferredIn(
		readable(since).filter(({ sessionId }) => counts.has(sessionId)),
		asOf,
	);
}
