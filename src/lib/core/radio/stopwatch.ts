import { studentBelow } from '../math/student';

/** How the radio was noticed to go off: by the hand that switches it, tapping a screen or pressing a key, or called by somebody else. */
export type Start = 'tap' | 'key' | 'called';
/** How it was noticed that it stopped: by eye, by ear, on a recording of sound, on a film, as words on a screen. */
export type Stop = 'seen' | 'heard' | 'sound' | 'video' | 'text';

interface Delay {
	/** Behind what happened, s, and its scatter from one to the next. */
	s: number;
	sigmaS: number;
	/** What one person is always early or late by, s. */
	ownS: number;
}

const delay = (s: number, sigmaS: number, ownS: number): Delay => ({ s, sigmaS, ownS });

/** Delays of people and instruments: judged, not measured; docs/methods/stopwatch.md. */
const START: Record<Start, Delay> = {
	tap: delay(0, 0.08, 0.02),
	key: delay(0, 0.06, 0.02),
	called: delay(0.3, 0.1, 0.06),
};
const STOP: Record<Stop, Delay> = {
	seen: delay(0.3, 0.1, 0.06),
	heard: delay(0.25, 0.08, 0.06),
	sound: delay(0.06, 0.05, 0.02),
	video: delay(0, 0.02, 0.02),
	text: delay(0.55, 0.25, 0.06),
};
/** Motors run down after they are cut; words on a screen do not. */
const RUNDOWN = { s: 0.15, sigmaS: 0.12 };
/** What links scatter by from one loss to the next, before any was timed: as good as four losses. */
const LINK_SIGMA_S = 0.15;
const PRIOR = 4;
const LEAST_SIGMA_S = 0.05;
/** Sure of it, either way. */
const SURE = 0.95;

/** What timed losses of a link say of the time that it takes. */
export interface StopTime {
	/** Corrected for those who timed it, s, and its uncertainty, one sigma. */
	meanS: number;
	sigmaS: number;
	/** Chance that the next is within the limit. */
	withinLimit: number;
	verdict: 'pass' | 'caution' | 'fail';
	used: number;
}

/** Corrected time of a loss, s: what was measured less how late it was noticed, less what motors run on. */
const corrected = (measuredS: number, start: Start, stop: Stop): number =>
	measuredS - STOP[stop].s - (stop === 'text' ? 0 : RUNDOWN.s) + START[start].s;

/**
 * The time from radio off to stopping, from one or more losses timed in the same way, s; docs/methods/stopwatch.md. `limitS` is what it
 * may take.
 * @throws Error without any loss.
 */
export function stopTime(measuredS: readonly number[], start: Start, stop: Stop, limitS: number): StopTime {
	const n = measuredS.length;
	if (n === 0) throw new Error('a time needs at least one loss');
	const x = measuredS.map((s) => corrected(s, start, stop));
	const meanS = x.reduce((sum, s) => sum + s, 0) / n;
	const spread = n > 1 ? x.reduce((sum, s) => sum + (s - meanS) ** 2, 0) : 0;
	const read = START[start].sigmaS ** 2 + STOP[stop].sigmaS ** 2;
	const one = (PRIOR * (LINK_SIGMA_S ** 2 + read) + spread) / (n + PRIOR - 1);
	const common = START[start].ownS ** 2 + STOP[stop].ownS ** 2 + (stop === 'text' ? 0 : RUNDOWN.sigmaS ** 2);
	const next = Math.sqrt(Math.max(one - read, LEAST_SIGMA_S ** 2) + one / n + common);
	const withinLimit = studentBelow((limitS - meanS) / next, n + PRIOR - 1);
	return {
		meanS,
		sigmaS: Math.sqrt(one / n + common),
		withinLimit,
		verdict: withinLimit > SURE ? 'pass' : withinLimit < 1 - SURE ? 'fail' : 'caution',
		used: n,
	};
}
