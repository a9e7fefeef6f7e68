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
			...judge([
				reason('fail', 'insufficient-still', 'Stand still for five seconds.', {
					value: stillS,
					limit: limits.siteStillS,
					next: 'Hold the aircraft still and level.',
				}),
			]),
		};
	const reasons: Reason[] = [];
	if (model.verdict === 'fail') reasons.push(model.reasons[0]);
	const off = Math.abs(strengthUt / model.totalUt - 1);
	const text = `${strengthUt.toFixed(1)} µT here, ${model.totalUt.toFixed(1)} µT by the model`;
	const away = 'Step twenty paces away from metal, vehicles and walls and check again.';
	if (off <= limits.siteStrength.value)
		reasons.push(
			reason('pass', 'site-as-model', `The field is as it should be: ${text}.`, {
				value: off,
				limit: limits.siteStrength,
			}),
		);
	else if (!kept)
		reasons.push(
			reason(
				'caution',
				'site-unproved',
				`${text}: the sensor has no accepted calibration, so this may be its own offset. The turning will tell.`,
				{ value: off, limit: limits.siteStrength, next: 'Turn the compass; the strength found then is the place.' },
			),
		);
	else
		reasons.push(
			reason(
				off > limits.fieldDeviation.value ? 'fail' : 'caution',
				'site-disturbed',
				`This place bends the field: ${text}.`,
				{ value: off, limit: limits.siteStrength, next: away },
			),
		);
	reasons.push(
		atMost(strengthSigmaUt, {
			caution: {
				limit: limits.siteNoiseUt,
				code: 'site-restless',
				text: 'The field swings while the aircraft is still: a current or something moving.',
				next: away,
			},
			pass: { code: 'site-quiet', text: 'The field stands still.' },
		}),
	);
	if (dipDeg !== null && kept) {
		const dipOff = Math.abs(dipDeg - model.inclinationDeg);
		const dipText = `Dip ${dipDeg.toFixed(1)}° here, ${model.inclinationDeg.toFixed(1)}° by the model`;
		if (dipOff > limits.dipFailDeg.value)
			reasons.push(
				reason('fail', 'site-dip-off', `${dipText}.`, { value: dipOff, limit: limits.dipFailDeg, next: away }),
			);
		else if (dipOff > limits.dipCautionDeg.value)
			reasons.push(
				reason('caution', 'site-dip-differs', `${dipText}.`, {
					value: dipOff,
					limit: limits.dipCautionDeg,
					next: away,
				}),
			);
		else
			reasons.push(reason('pass', 'site-dip-as-model', `${dipText}.`, { value: dipOff, limit: limits.dipCautionDeg }));
	}
	return { ...shared, ...judge(reasons) };
}
