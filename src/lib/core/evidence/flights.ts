import type { Entry } from '../../schema/entries';

/** A flight as the record has it. */
export interface Flight {
	tookOff: Entry;
	landed: Entry | null;
	/** Minutes in the air; null while it flies, and where its length cannot be. */
	minutes: number | null;
	/** Landed, and its times cannot be right: the clock of the device was moved. */
	impossible: boolean;
}

const MINUTE_MS = 60_000;
/** No battery carries an aircraft of this product for longer, min. */
const LONGEST_MIN = 600;
/** Times over the land-by time of takeoff, which leaves a fifth of the battery: more than the whole battery holds. */
const MOST_OF_LAND_BY = 3;

/** Minutes between takeoff and landing: counted by the page where it lived, else by the clock of the device; null where it cannot be. */
function minutesOf(tookOff: Entry, landed: Entry): number | null {
	const counted = landed.payload.kind === 'flight' ? landed.payload.airborneS : undefined;
	const minutes = counted === undefined ? (Date.parse(landed.at) - Date.parse(tookOff.at)) / MINUTE_MS : counted / 60;
	const landBy = tookOff.payload.kind === 'flight' ? tookOff.payload.landAfterMin : null;
	const most = landBy === null ? LONGEST_MIN : MOST_OF_LAND_BY * landBy;
	return minutes >= 0 && minutes <= most ? minutes : null;
}

/** Flights of any number of sessions, in the order of their entries. A second takeoff without a landing is the same flight. */
export function flightsOf(entries: readonly Entry[]): Flight[] {
	const flying = new Map<string, Entry>();
	const flights: Flight[] = [];
	for (const entry of entries) {
		const { payload, sessionId } = entry;
		if (payload.kind !== 'flight') continue;
		const tookOff = flying.get(sessionId);
		if (payload.what === 'took-off' && !tookOff) flying.set(sessionId, entry);
		else if (payload.what === 'landed' && tookOff) {
			const minutes = minutesOf(tookOff, entry);
			flights.push({ tookOff, landed: entry, minutes, impossible: minutes === null });
			flying.delete(sessionId);
		}
	}
	return [
		...flights,
		...[...flying.values()].map((tookOff) => ({ tookOff, landed: null, minutes: null, impossible: false })),
	];
}
