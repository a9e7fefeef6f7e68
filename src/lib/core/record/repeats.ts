import { record as say } from '$lib/messages/record';
import { studentBelow } from '../math/student';
import type { Reason, Verdict } from '../../schema/common';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { mean } from '../math/statistics';
import { recordLimits as limits } from './limits';

/** One measurement of a quantity; sigma null where nobody stated one. */
export interface Measurement {
	value: number;
	sigma: number | null;
}

export interface Comparison {
	difference: number;
	differenceSigma: number | null;
	/** Chance that noise alone makes a difference as large, 0..1; null where the noise is not known. */
	byChance: number | null;
	before: { mean: number; n: number };
	after: { mean: number; n: number };
	verdict: Verdict;
	reasons: Reason[];
}

/** Two-sided tail of Student's t: how often noise alone makes a t as large, 0..1, to 10⁻⁶ (jStat). */
export const studentTail = (t: number, freedom: number): number =>
	Number.isFinite(t) ? Math.min(1, 2 * studentBelow(-Math.abs(t), freedom)) : 0;

/**
 * Is the difference between measurements before and after larger than the noise? With two or more on each side Welch's test
 * (1947); with fewer, the stated uncertainties as normal; with neither, it cannot be told, and that is not a pass.
 * `lowerIsBetter` only words the finding.
 * @throws InputError where a side is empty.
 */
export function compareRepeats(
	before: readonly Measurement[],
	after: readonly Measurement[],
	{ what, unit, lowerIsBetter = true }: { what: string; unit: string; lowerIsBetter?: boolean },
): Comparison {
	if (before.length === 0) throw new InputError('empty', 'before', 'There is nothing to compare with.');
	if (after.length === 0) throw new InputError('empty', 'after', 'There is nothing to compare.');
	const side = (list: readonly Measurement[]) => {
		const values = list.map(({ value }) => value);
		const middle = mean(values);
		const n = values.length;
		const variance = n > 1 ? values.reduce((s, v) => s + (v - middle) ** 2, 0) / (n - 1) : null;
		const stated = list.every(({ sigma }) => sigma !== null)
			? Math.sqrt(list.reduce((s, { sigma }) => s + (sigma ?? 0) ** 2, 0)) / n
			: null;
		return { mean: middle, n, variance, stated };
	};
	const [a, b] = [side(before), side(after)];
	const difference = b.mean - a.mean;
	let differenceSigma: number | null = null;
	let byChance: number | null = null;
	if (a.variance !== null && b.variance !== null) {
		const [va, vb] = [a.variance / a.n, b.variance / b.n];
		differenceSigma = Math.sqrt(va + vb);
		const freedom = va + vb > 0 ? (va + vb) ** 2 / (va ** 2 / (a.n - 1) + vb ** 2 / (b.n - 1)) : a.n + b.n - 2;
		byChance = difference === 0 ? 1 : studentTail(difference / differenceSigma, freedom);
	} else if (a.stated !== null && b.stated !== null) {
		differenceSigma = Math.hypot(a.stated, b.stated);
		// A very large freedom is the normal distribution.
		byChance = difference === 0 ? 1 : studentTail(difference / differenceSigma, 1e6);
	}
	const better = difference < 0 === lowerIsBetter;
	const limit = limits.byChance;
	const why =
		byChance === null
			? reason('fail', say('insufficient-repeats', { what }))
			: byChance < limits.byChance.value
				? reason(
						better ? 'pass' : 'caution',
						say(better ? 'better' : 'worse', { what, difference: Math.abs(difference), unit }),
						{
							value: byChance,
							limit,
						},
					)
				: reason('pass', say('no-difference', { what, difference: Math.abs(difference), unit }), {
						value: byChance,
						limit,
					});
	return {
		difference,
		differenceSigma,
		byChance,
		before: { mean: a.mean, n: a.n },
		after: { mean: b.mean, n: b.n },
		...judge([why]),
	};
}
