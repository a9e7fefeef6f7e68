import { inertial as say } from '$lib/messages/inertial';
import type { Reason, Verdict } from '../../schema/common';
import { unwrapDeg } from '../frames/angles';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { line, mean, median, robustSigma } from '../math/statistics';
import { inertialLimits as limits } from './limits';

export interface LevelFlight {
	/** Attitude shown while it flew straight and level, degrees. */
	shown: { rollDeg: number; pitchDeg: number } | null;
	/** What to add to the trim so that straight and level reads as wanted. */
	correction: { rollDeg: number; pitchDeg: number } | null;
	sigmaDeg: { rollDeg: number; pitchDeg: number } | null;
	/** Seconds of straight, level flight that were found, in how many stretches. */
	levelS: number;
	stretches: { fromS: number; toS: number }[];
	verdict: Verdict;
	reasons: Reason[];
}

interface FlightLog {
	t: ArrayLike<number>;
	rollDeg: ArrayLike<number>;
	pitchDeg: ArrayLike<number>;
	heightM: ArrayLike<number>;
	/** Course or heading, degrees; a turn is not straight. Left out where the log has none. */
	headingDeg?: ArrayLike<number> | undefined;
}

const PIECE_S = 2;
/** Largest change of a trim that is flown at once, degrees. */
const STEP_DEG = 2;

const signed = (deg: number) => `${deg < 0 ? '−' : '+'}${Math.abs(deg).toFixed(1)}°`;

/** The first step of a correction, each axis at most STEP_DEG; whole where nothing is left after it. */
function stepOf({ rollDeg, pitchDeg }: { rollDeg: number; pitchDeg: number }) {
	const step = (deg: number) => Math.max(-STEP_DEG, Math.min(STEP_DEG, deg));
	const first = { rollDeg: step(rollDeg), pitchDeg: step(pitchDeg) };
	return { ...first, whole: first.rollDeg === rollDeg && first.pitchDeg === pitchDeg };
}

const part = (values: ArrayLike<number>, from: number, to: number) =>
	Float64Array.from({ length: to - from }, (_, k) => values[from + k]);

/**
 * Level correction from a flight: pieces of two seconds in which height and course hold are taken for straight and level;
 * what attitude they show beside what is wanted is the correction. A wing that climbs when "level" is held shows it here.
 * Sigma from the spread between pieces, which includes gusts.
 */
export function reviewLevelFlight(log: FlightLog, wanted: { rollDeg: number; pitchDeg: number }): LevelFlight {
	const { t } = log;
	const unwrapped = log.headingDeg ? unwrapDeg(log.headingDeg) : null;
	const rolls: number[] = [];
	const pitches: number[] = [];
	const stretches: { fromS: number; toS: number }[] = [];
	for (let from = 0; from < t.length;) {
		let to = from;
		while (to < t.length && t[to] - t[from] < PIECE_S) to++;
		if (to >= t.length || to - from < 4) break;
		const times = part(t, from, to);
		const climb = Math.abs(line(times, part(log.heightM, from, to)).slope);
		const turn = unwrapped ? Math.abs(line(times, part(unwrapped, from, to)).slope) : 0;
		if (climb <= limits.levelClimbMps.value && turn <= limits.levelTurnDegps.value) {
			rolls.push(mean(part(log.rollDeg, from, to)));
			pitches.push(mean(part(log.pitchDeg, from, to)));
			const last = stretches.at(-1);
			if (last && last.toS === t[from]) last.toS = t[to];
			else stretches.push({ fromS: t[from], toS: t[to] });
		}
		from = to;
	}
	const levelS = rolls.length * PIECE_S;
	const base = { levelS, stretches };
	if (levelS < limits.levelFlightS.value)
		return {
			shown: null,
			correction: null,
			sigmaDeg: null,
			...base,
			...judge([reason('fail', say('insufficient-level-flight'), { value: levelS, limit: limits.levelFlightS })]),
		};
	const shown = { rollDeg: median(rolls), pitchDeg: median(pitches) };
	/** A median is a quarter less certain than a mean (√(π/2)). */
	const sigma = (values: number[], middle: number) =>
		(Math.sqrt(Math.PI / 2) * robustSigma(values, middle)) / Math.sqrt(values.length);
	const sigmaDeg = { rollDeg: sigma(rolls, shown.rollDeg), pitchDeg: sigma(pitches, shown.pitchDeg) };
	const correction = { rollDeg: wanted.rollDeg - shown.rollDeg, pitchDeg: wanted.pitchDeg - shown.pitchDeg };
	const size = Math.hypot(correction.rollDeg, correction.pitchDeg);
	const firstStep = stepOf(correction);
	const loose = Math.max(sigmaDeg.rollDeg, sigmaDeg.pitchDeg);
	return {
		shown,
		correction,
		sigmaDeg,
		...base,
		...judge([
			atMost(loose, {
				caution: { limit: limits.levelFlightSigmaDeg, says: say('flight-rough') },
				pass: say('flight-smooth'),
			}),
			atMost(size, {
				caution: {
					limit: limits.levelErrorDeg,
					says: say('level-off-in-flight', {
						signedOf: signed(firstStep.rollDeg),
						signedOf2: signed(firstStep.pitchDeg),
						whole: firstStep.whole,
						STEPDEG: STEP_DEG,
					}),
				},
				pass: say('level-right-in-flight'),
			}),
		]),
	};
}
