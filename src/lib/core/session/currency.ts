import { isEvidence } from '../evidence/standing';
import type { Entry } from '../../schema/entries';

/** The note of a flight of which a part was flown without position hold: one tap on the flying screen. */
export const BY_HAND = 'Without position hold';
/** Days after which hands forget: Winglogos default, as many pilots and clubs count it. */
export const CURRENT_DAYS = 90;
const DAY_MS = 86_400_000;

/** How lately a pilot flew without position hold. */
export interface Currency {
	/** The last time, ISO; null where none is on record. */
	last: string | null;
	/** Flights of the last ninety days in which some of it was flown so. */
	recent: number;
	current: boolean;
}

const byHand = (entry: Entry): boolean => {
	const { payload } = entry;
	return (
		(payload.kind === 'flight' && payload.what === 'note' && payload.note === BY_HAND) ||
		(payload.kind === 'check' && payload.task === 'first-rung' && payload.outcome === 'done' && isEvidence(entry))
	);
};

/** A pilot's flying without position hold, from the notes of flights and the rungs flown in self-level, as of an ISO time. */
export function currencyOf(entries: readonly Entry[], pilot: string, now: string): Currency {
	const own = entries.filter((entry) => entry.by === pilot && entry.at <= now && byHand(entry));
	const last = own.reduce<string | null>((most, { at }) => (most === null || at > most ? at : most), null);
	const since = Date.parse(now) - CURRENT_DAYS * DAY_MS;
	const recent = new Set(own.filter(({ at }) => Date.parse(at) >= since).map(({ sessionId }) => sessionId)).size;
	return { last, recent, current: recent > 0 };
}
