import type { Entry } from '../../schema/entries';
import type { FlightTimeAnswer } from '../../schema/flightTime';
import type { Aircraft, Pack } from '../../schema/records';
import { flightsOf, type Flight } from '../evidence/flights';
import { gradeOf } from '../evidence/grade';
import { Z_90 } from '../math/normal';
import { chargeOf, NOMINAL_V } from '../propulsion/charge';
import { CURVE } from '../propulsion/flownFlights';
import { flightTimeLimits } from '../propulsion/flightTimeLimits';
import { FULL_PCT, STORAGE_PCT } from './statements';

/** How much of a battery a minute of hovering takes, and how well that is known. */
export interface BurnRate {
	pctPerMin: number;
	/** One standard deviation of its logarithm. */
	sigmaLn: number;
	source: 'flights' | 'hover-power' | 'stated-minutes';
	/** How many flights it is from. */
	flights: number;
}

/** How well a stated hover power and a stated flight time are known, one sigma of the logarithm. */
const [POWER_SIGMA_LN, MINUTES_SIGMA_LN] = [0.1, 0.15];

/** Energy printed on a battery, Wh. */
export const nominalWh = ({ capacityMah, cells, chemistry }: Pack): number =>
	(capacityMah / 1000) * cells * NOMINAL_V[CURVE[chemistry ?? 'lipo']];

/** Burn rate of an aircraft on a battery: from flights on record, a stated hover power, or stated minutes; null where none says it. */
export function burnRate(
	{ flies }: Pick<Aircraft, 'flies'>,
	pack: Pack,
	flown: Pick<FlightTimeAnswer, 'ratePctPerMin' | 'rateSigmaLn' | 'used'> | null,
): BurnRate | null {
	if (flown?.ratePctPerMin && flown.used > 0)
		return {
			pctPerMin: flown.ratePctPerMin,
			sigmaLn: flown.rateSigmaLn ?? MINUTES_SIGMA_LN,
			source: 'flights',
			flights: flown.used,
		};
	if (flies?.hoverW)
		return {
			pctPerMin: (100 * flies.hoverW) / (60 * nominalWh(pack)),
			sigmaLn: POWER_SIGMA_LN,
			source: 'hover-power',
			flights: 0,
		};
	if (pack.flightMin)
		return {
			pctPerMin: (FULL_PCT - flightTimeLimits.landPct.value) / pack.flightMin,
			sigmaLn: MINUTES_SIGMA_LN,
			source: 'stated-minutes',
			flights: 0,
		};
	return null;
}

export interface Ledger {
	/** Charge now, %, and one sigma; null where nothing says it. */
	pct: number | null;
	sigmaPct: number;
	/** Nine in ten batteries hold at least this, %; null where nothing says the charge. */
	lowPct: number | null;
	/** Minutes flown since the charge was last measured or the battery was last charged. */
	flownSinceMin: number;
	/** What the charge rests on: a reading, the battery's own record, or the default that an untouched battery is full. */
	basis: 'measured' | 'record' | 'default' | 'none';
	/** The charge to compute with: as known while nothing was flown since, else the lower bound. */
	planPct: number | null;
}

/** One sigma of a charge: as shown in per cent, as charged, as stored. */
const [SHOWN_SIGMA_PCT, CHARGED_SIGMA_PCT, STORED_SIGMA_PCT] = [2, 2, 10];
/** How well the minutes of a step are known that nobody timed, as a share. */
const UNTIMED_SHARE = 0.5;
/** Checks that read the battery at rest. */
const READINGS: readonly string[] = ['pack-voltage', 'pack-between', 'pack-after'];
/** Steps that are flown without a time of their own, minutes. */
const UNTIMED_MIN: Readonly<Record<string, number>> = {
	'spin-up': 0.2,
	'nudge-roll': 0.2,
	'nudge-pitch': 0.2,
	'nudge-yaw': 0.2,
	'righting-tried': 0.2,
	'take-off': 0.5,
	'first-rung': 1,
	'height-rung': 0.5,
	'by-hand': 1,
	launch: 2,
	'laps-rung': 2,
	'circle-rung': 1,
	follows: 1,
	hover: 1,
	'return-switch': 2,
	'return-radio-off': 2,
};
/** Minutes of a flight of which no length is known, where no land-by time was set either. */
const UNKNOWN_FLIGHT_MIN = 15;

/** Minutes in the air, with one sigma. */
interface Flown {
	minutes: number;
	sigmaMin: number;
}

/** Minutes in the air that an entry stands for; null where it stands for none. */
function flownBy({ payload }: Entry): Flown | null {
	if (payload.kind !== 'check' && payload.kind !== 'test') return null;
	if (payload.flownS !== undefined) return { minutes: payload.flownS / 60, sigmaMin: 0.1 * (payload.flownS / 60) };
	const usual = UNTIMED_MIN[payload.task];
	return usual === undefined ? null : { minutes: usual, sigmaMin: UNTIMED_SHARE * usual };
}

/** Minutes of a flight that landed; where its length cannot be, the land-by time that it took off with, half of it as sigma. */
function flownOf({ minutes, tookOff }: Flight): Flown {
	if (minutes !== null) return { minutes, sigmaMin: 0 };
	const landBy = tookOff.payload.kind === 'flight' ? tookOff.payload.landAfterMin : null;
	const usual = landBy ?? UNKNOWN_FLIGHT_MIN;
	return { minutes: usual, sigmaMin: usual / 2 };
}

/** Charge at rest that a check reads, %, with one sigma; null where it reads none. */
function readingOf(
	{ payload }: Entry,
	{ chemistry }: Pick<Pack, 'chemistry'>,
): { pct: number; sigmaPct: number } | null {
	if (payload.kind !== 'check' || payload.value === null || !READINGS.includes(payload.task)) return null;
	if (payload.unit === '%') return { pct: payload.value, sigmaPct: SHOWN_SIGMA_PCT };
	return chargeOf(CURVE[chemistry ?? 'lipo'], payload.value);
}

/**
 * The charge of one battery as a chain of statements: as charged or stored, as measured at rest, minus what was flown since. What is
 * flown takes the burn rate with its uncertainty; where no rate is known the charge is unknown after the first minute.
 *
 * @param past entries of earlier sessions in which the battery may have flown, in order of time
 * @param entries of this session, in order; a session's own entries say which battery it has
 * @param options.rehearsal counts simulated entries too: in a training session they are all there are
 */
export function batteryLedger(
	pack: Pack,
	{ past = [], entries }: { past?: readonly Entry[]; entries: readonly Entry[] },
	rate: BurnRate | null,
	{ rehearsal = false }: { rehearsal?: boolean } = {},
): Ledger {
	let [pct, sigmaPct, flownSinceMin]: [number | null, number, number] = [null, 0, 0];
	let basis: Ledger['basis'] = 'none';
	const set = (to: { pct: number | null; sigmaPct: number }, from: Ledger['basis']) => {
		[pct, sigmaPct, flownSinceMin, basis] = [to.pct, to.sigmaPct, 0, from];
	};
	const fly = ({ minutes, sigmaMin }: Flown) => {
		if (minutes <= 0) return;
		flownSinceMin += minutes;
		if (pct !== null && rate) {
			const used = minutes * rate.pctPerMin;
			sigmaPct = Math.hypot(sigmaPct, used * rate.sigmaLn, sigmaMin * rate.pctPerMin);
			pct = Math.max(0, pct - used);
		} else pct = null;
	};
	const record = () => {
		if (pack.state === 'charged') set({ pct: FULL_PCT, sigmaPct: CHARGED_SIGMA_PCT }, 'record');
		else if (pack.state === 'storage') set({ pct: STORAGE_PCT, sigmaPct: STORED_SIGMA_PCT }, 'record');
		else if (pack.state === undefined && pct === null && flownSinceMin === 0)
			set({ pct: FULL_PCT, sigmaPct: CHARGED_SIGMA_PCT }, 'default');
	};
	// Without a time of its own the record is of before this session.
	const stateAt = pack.stateAt ?? entries[0]?.at ?? '';
	let recorded = false;
	let fitted = true;
	let since: string | null = null;
	const flights = new Map(flightsOf([...past, ...entries]).map((flight) => [flight.landed?.id, flight]));
	for (const entry of [...past, ...entries]) {
		if (!recorded && (pack.stateAt === undefined ? entry === entries[0] : entry.at > stateAt)) {
			record();
			recorded = true;
		}
		const { payload, at } = entry;
		if (payload.kind === 'session') {
			fitted = payload.pack?.id === pack.id;
			continue;
		}
		if (!fitted) continue;
		if (payload.kind === 'flight') {
			if (payload.what === 'took-off') since = at;
			else if (payload.what === 'landed') {
				const flight = flights.get(entry.id);
				if (flight) fly(flownOf(flight));
				since = null;
			}
			continue;
		}
		if (gradeOf(payload) === 'rehearsed' && !rehearsal) continue;
		const reading = readingOf(entry, pack);
		if (reading) set(reading, 'measured');
		else if (!since) {
			const flown = flownBy(entry);
			if (flown) fly(flown);
		}
	}
	if (!recorded) record();
	const lowPct = pct === null ? null : Math.max(0, pct - Z_90 * sigmaPct);
	return { pct, sigmaPct, lowPct, flownSinceMin, basis, planPct: flownSinceMin > 0 ? lowPct : pct };
}
