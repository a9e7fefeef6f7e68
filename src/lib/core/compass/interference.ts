import { compass as say } from '$lib/messages/compass';
import type { Reason } from '../../schema/common';
import type { InterferenceAnswer } from '../../schema/compassExtras';
import { DEG } from '../frames/angles';
import { InputError } from '../finding/inputError';
import { interpolate } from '../math/interpolate';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { regress } from '../math/regress';
import { quantile, robustSigma } from '../math/statistics';
import { compassLimits as limits } from './limits';

export interface LoadRun {
	mag: { t: ArrayLike<number>; x: ArrayLike<number>; y: ArrayLike<number>; z: ArrayLike<number> };
	/** Current in A, or throttle 0..1; times as of `mag` or its own. */
	load: { t: ArrayLike<number>; values: ArrayLike<number> };
	/** Load in the hover and the most there is, in the same unit. */
	hoverLoad: number;
	fullLoad: number;
	/** Horizontal field of the place, µT. */
	horizontalUt: number;
}

const FEWEST = 40;

/**
 * How much the motors' current turns the compass: readings of an aircraft held still on a stand, regressed on load, robustly
 * and with a slow drift beside it. The worst level heading error is asin(shift square to the vertical / H); without knowing
 * which way is up the whole shift counts, which errs to the safe side.
 * @throws InputError where lengths differ or the hover's load is above the full load.
 */
export function reviewInterference({ mag, load, hoverLoad, fullLoad, horizontalUt }: LoadRun): InterferenceAnswer {
	if (load.t.length !== load.values.length)
		throw new InputError('lengths', 'load.values', 'The load has as many values as times.');
	if (!(hoverLoad > 0) || hoverLoad > fullLoad)
		throw new InputError('load', 'hoverLoad', 'The load in the hover must be above zero and not above the full load.');
	const n = mag.t.length;
	const nothing = {
		perLoadUt: null,
		perLoadSigmaUt: null,
		hoverShiftUt: null,
		headingAtHoverDeg: null,
		headingAtHoverSigmaDeg: null,
		headingAtFullDeg: null,
		explained: null,
	};
	if (n < FEWEST || load.t.length < 2)
		return {
			...nothing,
			...judge([
				reason('fail', say('insufficient-samples'), {
					value: n,
					limit: { value: FEWEST, unit: 'samples', source: 'Winglogos rule' },
				}),
			]),
		};
	const drive = interpolate(load.t, load.values, mag.t);
	const range = (quantile(drive, 0.98) - quantile(drive, 0.02)) / fullLoad;
	if (range < limits.loadRange.value)
		return {
			...nothing,
			...judge([reason('fail', say('insufficient-load'), { value: range, limit: limits.loadRange })]),
		};
	const middle = (mag.t[0] + mag.t[n - 1]) / 2;
	const columns = [new Float64Array(n).fill(1), Float64Array.from({ length: n }, (_, i) => mag.t[i] - middle), drive];
	const axes = [mag.x, mag.y, mag.z].map((values) => {
		const y = Float64Array.from({ length: n }, (_, i) => values[i]);
		return { y, fit: regress(columns, y, true) };
	});
	const fits = axes.map(({ fit }) => fit);
	if (fits.some((fit) => fit === null))
		return {
			...nothing,
			...judge([reason('fail', say('insufficient-load#interference'), { value: range, limit: limits.loadRange })]),
		};
	const slope = fits.map((fit) => fit?.coefficients[2] ?? 0);
	const sigma = fits.map((fit) => fit?.sigmas[2] ?? 0);
	const shift = Math.hypot(...slope) * hoverLoad;
	const shiftSigma = Math.hypot(...sigma) * hoverLoad;
	const asHeading = (ut: number) => Math.asin(Math.min(1, ut / horizontalUt)) / DEG;
	const left = Math.hypot(...fits.map((fit) => robustSigma(fit?.residuals ?? [], 0)));
	const moved = Math.hypot(...axes.map(({ y }) => robustSigma(y)));
	const headingAtHoverDeg = asHeading(shift);
	return {
		perLoadUt: [slope[0], slope[1], slope[2]],
		perLoadSigmaUt: [sigma[0], sigma[1], sigma[2]],
		hoverShiftUt: shift,
		headingAtHoverDeg,
		headingAtHoverSigmaDeg: asHeading(shiftSigma),
		headingAtFullDeg: asHeading(Math.hypot(...slope) * fullLoad),
		explained: moved > 0 ? Math.max(0, 1 - (left / moved) ** 2) : 0,
		...judge(reasonsOf(headingAtHoverDeg, left)),
	};
}

function reasonsOf(headingDeg: number, leftUt: number): Reason[] {
	return [
		atMost(leftUt, {
			fail: { limit: limits.loadMovedUt, says: say('insufficient-stillness') },
			pass: say('held-still'),
		}),
		headingDeg > limits.interferenceFailDeg.value
			? reason('fail', say('interference-strong'), { value: headingDeg, limit: limits.interferenceFailDeg })
			: atMost(headingDeg, {
					caution: { limit: limits.interferenceDeg, says: say('interference') },
					pass: say('interference-small'),
				}),
	];
}
