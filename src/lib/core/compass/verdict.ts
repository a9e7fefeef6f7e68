import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { Reason } from '../../schema/common';
import type { FieldAnswer } from '../../schema/field';
import { DEG } from '../frames/angles';
import type { Mat3 } from '../frames/mat3';
import { reason } from '../finding/reasons';
import { toYawPitchRoll } from '../frames/rotation';
import type { Dip } from './dip';
import { compassLimits as limits } from './limits';
import type { MountingRank } from './mounting';

/** What to do when the turning was not enough. */
export const TURN_MORE = 'Turn it about all three axes: level, on its nose, on a side, upside down.';

export function judgeHeading(sigmaDeg: number): Reason[] {
	if (!(sigmaDeg <= limits.headingCautionDeg.value))
		return [
			reason(
				'fail',
				'heading-uncertain',
				'The turning does not fix the heading well enough.',
				sigmaDeg,
				limits.headingCautionDeg,
				TURN_MORE,
			),
		];
	if (sigmaDeg > limits.headingClearDeg.value)
		return [
			reason(
				'caution',
				'heading-loose',
				'The heading is known, but more turning would fix it better.',
				sigmaDeg,
				limits.headingClearDeg,
				TURN_MORE,
			),
		];
	return [reason('pass', 'heading-known', 'The heading is fixed by the turning.', sigmaDeg, limits.headingClearDeg)];
}

export function judgeField(fieldUt: number, model: FieldAnswer | undefined): Reason[] {
	if (!model) {
		const low = fieldUt < limits.plausibleFieldLowUt.value;
		if (low || fieldUt > limits.plausibleFieldHighUt.value)
			return [
				reason(
					'caution',
					'field-implausible',
					"The strength found is not that of the Earth's field: check the unit of the readings.",
					fieldUt,
					low ? limits.plausibleFieldLowUt : limits.plausibleFieldHighUt,
					'Say which unit the readings have, or name the site.',
				),
			];
		return [
			reason(
				'pass',
				'field-plausible',
				"The strength found could be the Earth's field; no site was given to compare with.",
				fieldUt,
			),
		];
	}
	const off = fieldUt / model.totalUt - 1;
	const out: Reason[] = [];
	if (model.verdict === 'fail') out.push(model.reasons[0]);
	if (Math.abs(off) > limits.fieldDeviation.value)
		out.push(
			reason(
				'fail',
				'field-off-site',
				`This place is disturbed, or the sensor is scaled wrongly: ${fieldUt.toFixed(1)} µT found, ${model.totalUt.toFixed(1)} µT by the model.`,
				Math.abs(off),
				limits.fieldDeviation,
				'Go away from metal, walls and vehicles, and turn again.',
			),
		);
	else
		out.push(
			reason(
				'pass',
				'field-as-model',
				'The strength agrees with the model for this place.',
				Math.abs(off),
				limits.fieldDeviation,
			),
		);
	return out;
}

export function judgeResidual(share: number, residualUt: number): Reason[] {
	const text = `Residual ${residualUt.toFixed(2)} µT`;
	if (share > limits.residualFail.value)
		return [
			reason(
				'fail',
				'residual-large',
				`${text}: the readings do not fit one compass in one field.`,
				share,
				limits.residualFail,
				'Move away from metal and keep still what is not the aircraft, then turn again.',
			),
		];
	if (share > limits.residualClear.value)
		return [
			reason(
				'caution',
				'residual-raised',
				`${text}: noisy, or something magnetic moved.`,
				share,
				limits.residualClear,
				'Repeat it further from metal.',
			),
		];
	return [
		reason('pass', 'residual-small', `${text}: the readings fit an ellipsoid closely.`, share, limits.residualClear),
	];
}

export function judgeGains(softIron: Mat3): Reason[] {
	const values = new EigenvalueDecomposition(new Matrix(softIron.map((row) => [...row])), { assumeSymmetric: true })
		.realEigenvalues;
	const ratio = Math.max(...values) / Math.min(...values);
	if (!(ratio <= limits.gainRatioFail.value) || Math.min(...values) <= 0)
		return [
			reason(
				'fail',
				'soft-iron-implausible',
				'The fit stretches one axis more than any airframe does.',
				ratio,
				limits.gainRatioFail,
				TURN_MORE,
			),
		];
	if (ratio > limits.gainRatioCaution.value)
		return [
			reason(
				'caution',
				'gains-apart',
				'The three gains are not near one another: look for iron near the sensor.',
				ratio,
				limits.gainRatioCaution,
				'Look at what is mounted near the compass.',
			),
		];
	return [reason('pass', 'gains-near', 'The three gains are near one another.', ratio, limits.gainRatioCaution)];
}

export function judgeRejected(share: number, count: number): Reason[] {
	if (share > limits.rejectedFail.value)
		return [
			reason(
				'fail',
				'too-many-spikes',
				`${count} readings do not belong to the rest.`,
				share,
				limits.rejectedFail,
				'Move away from metal and turn again.',
			),
		];
	if (share > limits.rejectedCaution.value)
		return [
			reason(
				'caution',
				'many-spikes',
				`${count} readings were set aside as spikes.`,
				share,
				limits.rejectedCaution,
				'Repeat it further from metal.',
			),
		];
	return [reason('pass', 'few-spikes', `${count} readings were set aside as spikes.`, share, limits.rejectedCaution)];
}

export function judgeCoverage(gapDeg: number): Reason[] {
	return gapDeg > limits.coverageGapDeg.value
		? [
				reason(
					'caution',
					'side-unseen',
					'A whole side was never turned into the field.',
					gapDeg,
					limits.coverageGapDeg,
					TURN_MORE,
				),
			]
		: [reason('pass', 'sides-seen', 'No large side was left out.', gapDeg, limits.coverageGapDeg)];
}

export function judgeDip(dip: Dip, expectedDeg: number | undefined): Reason[] {
	const out: Reason[] = [];
	out.push(
		dip.spreadDeg > limits.dipSpreadDeg.value
			? reason(
					'caution',
					'dip-spread',
					'The dip changes with the pose: calibration or mounting is not right yet.',
					dip.spreadDeg,
					limits.dipSpreadDeg,
					'Check the mounting, then turn again.',
				)
			: reason('pass', 'dip-steady', 'The dip stays the same in every pose.', dip.spreadDeg, limits.dipSpreadDeg),
	);
	if (expectedDeg === undefined) return out;
	const off = Math.abs(dip.dipDeg - expectedDeg);
	const text = `Dip ${dip.dipDeg.toFixed(1)}° found, ${expectedDeg.toFixed(1)}° by the model`;
	const again = 'Go away from metal and turn again.';
	if (off > limits.dipFailDeg.value)
		out.push(
			reason(
				'fail',
				'dip-off-site',
				`${text}: this place is disturbed or the calibration is wrong.`,
				off,
				limits.dipFailDeg,
				again,
			),
		);
	else if (off > limits.dipCautionDeg.value)
		out.push(reason('caution', 'dip-differs', `${text}.`, off, limits.dipCautionDeg, again));
	else out.push(reason('pass', 'dip-as-model', `${text}.`, off, limits.dipCautionDeg));
	return out;
}

export function judgeMounting([best, next]: MountingRank[]): Reason[] {
	const margin = best.agreement - next.agreement;
	if (margin < limits.mountingMargin.value)
		return [
			reason(
				'caution',
				'mounting-unclear',
				'The turning does not tell which way the compass is mounted.',
				margin,
				limits.mountingMargin,
				TURN_MORE,
			),
		];
	const { yawRad, pitchRad, rollRad } = toYawPitchRoll(best.rotation);
	const angles = [yawRad, pitchRad, rollRad].map((rad) => Math.round(rad / DEG));
	return [
		reason(
			'pass',
			'mounting-found',
			angles.every((angle) => angle === 0)
				? 'The compass points the way of the airframe.'
				: `The compass is mounted turned: yaw ${angles[0]}°, pitch ${angles[1]}°, roll ${angles[2]}°. The aircraft's setting must say so.`,
			margin,
			limits.mountingMargin,
		),
	];
}
