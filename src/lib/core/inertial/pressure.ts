import { inertial as say } from '$lib/messages/inertial';
import type { Reason } from '../../schema/common';
import type { PressureAnswer } from '../../schema/inertial';
import { InputError } from '../finding/inputError';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { regress } from '../math/regress';
import { robustSigma } from '../math/statistics';
import { inertialLimits as limits } from './limits';

export interface PressureLog {
	t: ArrayLike<number>;
	/** Pressure height, m, of an aircraft that does not move. */
	heightM: ArrayLike<number>;
	/** What may disturb it: throttle 0..1, or wind m/s; held down on a stand, propellers by the maker's rules. */
	disturbance?: ArrayLike<number>;
}

/**
 * Pressure height of an aircraft at rest: noise (from successive differences), drift per minute, and how much throttle or
 * gusts move it. The drift is fitted together with the disturbance, so that a slow throttle ramp is not taken for drift.
 * @throws InputError where columns have different lengths.
 */
export function reviewPressure({ t, heightM, disturbance }: PressureLog): PressureAnswer {
	const n = t.length;
	if (heightM.length !== n || (disturbance && disturbance.length !== n))
		throw new InputError('lengths', 'heightM', 'All columns must be the same length.');
	const seconds = n > 1 ? t[n - 1] - t[0] : 0;
	if (n < 20 || seconds < limits.pressureS.value)
		return {
			noiseM: null,
			driftMPerMin: null,
			perDisturbance: null,
			perDisturbanceSigma: null,
			swingM: null,
			...judge([reason('fail', say('insufficient-duration#pressure'), { value: seconds, limit: limits.pressureS })]),
		};
	const steps = new Float64Array(n - 1);
	for (let i = 1; i < n; i++) steps[i - 1] = heightM[i] - heightM[i - 1];
	const noiseM = robustSigma(steps, 0) / Math.SQRT2;
	const middle = (t[0] + t[n - 1]) / 2;
	const one = new Float64Array(n).fill(1);
	const time = Float64Array.from({ length: n }, (_, i) => t[i] - middle);
	const y = Float64Array.from({ length: n }, (_, i) => heightM[i]);
	const extra = disturbance ? Float64Array.from({ length: n }, (_, i) => disturbance[i]) : null;
	const range = extra
		? extra.reduce((a, v) => Math.max(a, v), -Infinity) - extra.reduce((a, v) => Math.min(a, v), Infinity)
		: 0;
	const fit = extra && range > 0 ? regress([one, time, extra], y) : null;
	const plain = fit ?? regress([one, time], y);
	const driftMPerMin = plain ? 60 * plain.coefficients[1] : 0;
	const perDisturbance = fit ? fit.coefficients[2] : null;
	const swingM = perDisturbance === null ? null : Math.abs(perDisturbance) * range;
	const reasons: Reason[] = [
		atMost(noiseM, {
			caution: { limit: limits.pressureNoiseM, says: say('pressure-noisy') },
			pass: say('pressure-quiet'),
		}),
		atMost(Math.abs(driftMPerMin), {
			caution: { limit: limits.pressureDriftMPerMin, says: say('pressure-drifts') },
			pass: say('pressure-steady'),
		}),
	];
	if (swingM !== null)
		reasons.push(
			atMost(swingM, {
				caution: { limit: limits.pressureSwingM, says: say('pressure-disturbed') },
				pass: say('pressure-undisturbed'),
			}),
		);
	return {
		noiseM,
		driftMPerMin,
		perDisturbance,
		perDisturbanceSigma: fit ? fit.sigmas[2] : null,
		swingM,
		...judge(reasons),
	};
}
