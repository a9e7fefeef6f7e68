import { hover as say } from '$lib/messages/hover';
import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';
import { normalBelow } from '../math/normal';

/** What was seen at a setting of the trim, for one axis: its clicks, and how fast it crept, m/s, positive as the clicks are. */
export interface TrimSeen {
	clicks: number;
	creepMps: number;
}

/** One axis of a trim as far as it was tried. */
export interface TrimAxis {
	/** The clicks that are to be tried next; those that stand where it is done. */
	next: number;
	/** Where it stands still, clicks, and one sigma. */
	stillAt: number;
	sigma: number;
	/** It stands still, as far as an eye tells. */
	done: boolean;
	/** The flat zero is to be done again: further off than a trim should go. */
	redoZero: boolean;
	/** What was seen does not fit together: the air moves. */
	contradictory: boolean;
}

/** Speed that a click takes, m/s, and how well that is known, of its logarithm; where it stands still, clicks. */
const [CLICK_MPS, CLICK_LN_SIGMA, STILL_SIGMA] = [0.08, 0.5, 6];
const GRID = 15;
const GRID_REACH = 1.4;
/** A creep told by eye: a share of it, a least, and what the air does to it, m/s. */
const [EYE_SHARE, EYE_MPS, AIR_MPS] = [0.3, 0.05, 0.08];
/** Still enough; most clicks of a trim; further off than this the zero is wrong. */
const [STILL_MPS, MOST_CLICKS, ZERO_CLICKS] = [0.1, 10, 8];
/** Sums of squares that tries which fit together seldom exceed, by how many there were. */
const MISFIT = [Infinity, Infinity, 5, 7.8, 9.5];

/**
 * Where one axis of a trim stands still, from tries at clicks and the creep that was seen: docs/methods/trim.md.
 * @throws Error without a try.
 */
export function trimAxis(seen: readonly TrimSeen[]): TrimAxis {
	const last = seen.at(-1);
	if (!last) throw new Error('a trim needs at least one try');
	let [weight, mean, square, far, misfit] = [0, 0, 0, 0, Infinity];
	for (let g = 0; g < GRID; g++) {
		const off = -GRID_REACH + (2 * GRID_REACH * g) / (GRID - 1);
		const k = CLICK_MPS * Math.exp(off);
		// v = k (clicks − still): given k, where it stands still is normal in closed form.
		let precision = 1 / STILL_SIGMA ** 2;
		let pull = 0;
		let logNoise = 0;
		let squares = 0;
		for (const { clicks, creepMps } of seen) {
			const noise2 = (EYE_MPS + EYE_SHARE * Math.abs(creepMps)) ** 2 + AIR_MPS ** 2;
			const w = k ** 2 / noise2;
			const at = clicks - creepMps / k;
			precision += w;
			pull += w * at;
			logNoise += Math.log(noise2);
			squares += w * at ** 2;
		}
		const still = pull / precision;
		const chi2 = squares - pull * still;
		const ln = -0.5 * (chi2 + logNoise + Math.log(precision * STILL_SIGMA ** 2)) - 0.5 * (off / CLICK_LN_SIGMA) ** 2;
		const w = Math.exp(ln);
		const sd = 1 / Math.sqrt(precision);
		weight += w;
		mean += w * still;
		square += w * (still ** 2 + sd ** 2);
		far += w * (1 - normalBelow((ZERO_CLICKS - still) / sd) + normalBelow((-ZERO_CLICKS - still) / sd));
		misfit = Math.min(misfit, chi2);
	}
	const stillAt = mean / weight;
	const done = Math.abs(last.creepMps) <= STILL_MPS;
	return {
		next: done ? last.clicks : Math.max(-MOST_CLICKS, Math.min(MOST_CLICKS, Math.round(stillAt))),
		stillAt,
		sigma: Math.sqrt(Math.max(0, square / weight - stillAt ** 2)),
		done,
		redoZero: !done && far / weight > 0.5,
		contradictory: misfit > (MISFIT[Math.min(seen.length, MISFIT.length - 1)] ?? Infinity),
	};
}

/** What the tries of both axes come to, as a finding: still, too far off, air that moves, or not still yet. */
export function judgeTrim(axes: readonly TrimAxis[]): { verdict: Verdict; reasons: Reason[] } {
	const off = axes.reduce((a, b) => (Math.abs(b.stillAt) > Math.abs(a.stillAt) ? b : a)).stillAt;
	const limit = { value: ZERO_CLICKS, unit: 'clicks', source: 'docs/methods/trim.md' };
	if (axes.every(({ done }) => done)) return judge([reason('pass', say('trimmed'), { value: Math.abs(off), limit })]);
	const out: Reason[] = [
		...(axes.some(({ contradictory }) => contradictory) ? [reason('caution', say('air-moves'))] : []),
		...(axes.some(({ redoZero }) => redoZero)
			? [reason('fail', say('redo-zero'), { value: Math.abs(off), limit })]
			: []),
	];
	return judge(out.length > 0 ? out : [reason('caution', say('not-still'))]);
}
