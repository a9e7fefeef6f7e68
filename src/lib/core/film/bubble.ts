import { film as say } from '$lib/messages/film';
import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';
import { hoverLimits } from '../hover/limits';
import { quantile, standardDeviation } from '../math/statistics';
import { focalOf, inMetres, type FilmMetres } from './filmMetres';
import { filmLimits as limits } from './limits';
import type { FilmSetup } from './setup';
import type { FilmTrack } from './trackFilm';

/** Share of the time that the bubble holds. */
const SHARE = 0.95;
/** Of a round cloud: diameter of that share by the same share of one side of it, at least and on average. */
const ACROSS_LEAST = 2.1;
const ACROSS_MEAN = 2.44;
/** The same by what both directions together show. */
const BOTH_MOST = 2.3;
/** Depth is known where its noise is less than this share of the motion sideways. */
const DEEP = 0.5;

/** Diameter of the circle that holds the aircraft 95 % of the time, m, with its bounds; null where it is not known. */
export interface Bubble {
	lower95M: number | null;
	estimate95M: number | null;
	upper95M: number | null;
}

const share95 = (values: Float64Array) => quantile(values, SHARE);

/** Sideways motion bounds the bubble from below, both directions together bound it from above (docs/methods/film.md#hold-radius). Metres across. */
export function bubbleOf(
	{ right, forward, sigmaY }: FilmMetres,
	track: FilmTrack,
	setup: FilmSetup,
	scaleSigma: number,
): { bubble: Bubble; sidewaysM: number } {
	const across = share95(right.map(Math.abs));
	const around = (ahead: Float64Array, by = 1) => share95(right.map((x, i) => Math.hypot(x, by * ahead[i])));
	const variance = standardDeviation(forward) ** 2;
	const shrink = variance > 0 ? Math.sqrt(Math.max(0, 1 - sigmaY ** 2 / variance)) : 0;
	// Where nobody knows how wide the camera sees, what is toward and away may be as much larger.
	const far = setup.fPx === undefined ? 1 + 2 * limits.fSigma.value : 1;
	const widest = inMetres(track, { ...setup, fPx: far * focalOf(track, setup) });
	return {
		sidewaysM: 2 * across,
		bubble: {
			lower95M: 2 * across * (1 - 2 * scaleSigma),
			estimate95M:
				sigmaY < DEEP * standardDeviation(right)
					? 2 * around(forward, shrink)
					: Math.min(2 * around(forward), ACROSS_MEAN * across),
			upper95M: Math.max(BOTH_MOST * around(widest.forward), ACROSS_LEAST * across) * (1 + 2 * scaleSigma),
		},
	};
}

/** Whether the bubble is within the limit of a position hold, by its bounds. */
export function bubbleReason({ bubble, sidewaysM }: { bubble: Bubble; sidewaysM: number }): Reason {
	const limit = hoverLimits.bubble95M;
	const value = bubble.estimate95M;
	const [least, most] = [bubble.lower95M ?? 0, bubble.upper95M ?? Infinity];
	if (least > limit.value) return reason('fail', say('bubble-large', { least }), { value, limit });
	if (most <= limit.value) return reason('pass', say('bubble', { most }), { value, limit });
	return reason('caution', say('insufficient-depth', { sidewaysM }), { value, limit });
}
