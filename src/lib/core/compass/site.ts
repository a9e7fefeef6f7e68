import { compass as say } from '$lib/messages/compass';
import type { Series, Reason, Verdict } from '../../schema/common';
import type { FieldAnswer } from '../../schema/field';
import { DEG } from '../frames/angles';
import { apply, type Mat3 } from '../frames/mat3';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { mean, standardDeviation } from '../math/statistics';
import { compassLimits as limits } from './limits';

export interface SiteCheck {
	strengthUt: number;
	strengthSigmaUt: number;
	modelUt: number;
	dipDeg: number | null;
	modelDipDeg: number;
	stillS: number;
	verdict: Verdict;
	reasons: Reason[];
}

/**
 * Standing still before turning: strength and dip of the field against the model. `mag` µT, `accel` m/s² in the same
 * axes. `kept` is the calibration in force, applied first; without one an uncalibrated sensor's own offset makes a
 * difference that is not the place's, so the deviation is then only a caution.
 */
export function checkSite(
	mag: Series,
	accel: Series | undefined,
	model: FieldAnswer,
	kept?: { hardIronUt: readonly number[]; softIron: Mat3 },
): SiteCheck {
	const n = mag.t.length;
	const stillS = n > 1 ? mag.t[n - 1] - mag.t[0] : 0;
	const field = Array.from({ length: n }, (_, i) => {
		const raw = [mag.x[i], mag.y[i], mag.z[i]] as const;
		return kept
			? apply(kept.softIron, [raw[0] - kept.hardIronUt[0], raw[1] - kept.hardIronUt[1], raw[2] - kept.hardIronUt[2]])
			: raw;
	});
	const strengths = field.map((m) => Math.hypot(...m));
	const strengthUt = n > 0 ? mean(strengths) : NaN;
	const strengthSigmaUt = n > 0 ? standardDeviation(strengths) : NaN;
	let dipDeg: number | null = null;
	if (accel && accel.t.length > 0 && n > 0) {
		const f = [mean(accel.x), mean(accel.y), mean(accel.z)];
		const m = [0, 1, 2].map((k) => mean(field.map((row) => row[k])));
		const down = -(f[0] * m[0] + f[1] * m[1] + f[2] * m[2]) / (Math.hypot(...f) * Math.hypot(...m));
		dipDeg = Math.asin(Math.max(-1, Math.min(1, down))) / DEG;
	}
	const shared = {
		strengthUt,
		strengthSigmaUt,
		modelUt: model.totalUt,
		dipDeg,
		modelDipDeg: model.inclinationDeg,
		stillS,
	};
	if (!(stillS >= limits.siteStillS.value * 0.98))
		return {
			...shared,
			...judge([reason('fail', say('insufficient-still'), { value: stillS, limit: limits.siteStillS })]),
		};
	const reasons: Reason[] = [];
	if (model.verdict === 'fail') reasons.push(model.reasons[0]);
	const off = Math.abs(strengthUt / model.totalUt - 1);
	if (off <= limits.siteStrength.value)
		reasons.push(
			reason('pass', say('site-as-model', { strengthUt, totalUt: model.totalUt }), {
				value: off,
				limit: limits.siteStrength,
			}),
		);
	else if (!kept)
		reasons.push(
			reason('caution', say('site-unproved', { strengthUt, totalUt: model.totalUt }), {
				value: off,
				limit: limits.siteStrength,
			}),
		);
	else
		reasons.push(
			reason(
				off > limits.fieldDeviation.value ? 'fail' : 'caution',
				say('site-disturbed', { strengthUt, totalUt: model.totalUt }),
				{ value: off, limit: limits.siteStrength },
			),
		);
	reasons.push(
		atMost(strengthSigmaUt, {
			caution: { limit: limits.siteNoiseUt, says: say('site-restless') },
			pass: say('site-quiet'),
		}),
	);
	if (dipDeg !== null && kept) {
		const dipOff = Math.abs(dipDeg - model.inclinationDeg);
		if (dipOff > limits.dipFailDeg.value)
			reasons.push(
				reason('fail', say('site-dip-off', { dipDeg, inclinationDeg: model.inclinationDeg }), {
					value: dipOff,
					limit: limits.dipFailDeg,
				}),
			);
		else if (dipOff > limits.dipCautionDeg.value)
			reasons.push(
				reason('caution', say('site-dip-differs', { dipDeg, inclinationDeg: model.inclinationDeg }), {
					value: dipOff,
					limit: limits.dipCautionDeg,
				}),
			);
		else
			reasons.push(
				reason('pass', say('site-dip-as-model', { dipDeg, inclinationDeg: model.inclinationDeg }), {
					value: dipOff,
					limit: limits.dipCautionDeg,
				}),
			);
	}
	return { ...shared, ...judge(reasons) };
}
