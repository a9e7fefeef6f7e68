import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { Reason } from '../../schema/common';
import type { FieldAnswer } from '../../schema/field';
import { DEG } from '../frames/angles';
import type { Mat3 } from '../frames/mat3';
import { atLeast, atMost } from '../finding/grade';
import { reason } from '../finding/reasons';
import { toYawPitchRoll } from '../frames/rotation';
import type { Dip } from './dip';
import { compassLimits as limits } from './limits';
import type { MountingRank } from './mounting';

/** What to do when the turning was not enough. */
export const TURN_MORE = 'Turn it about all three axes: level, on its nose, on a side, upside down.';

/** How well the turning fixes the heading, one sigma in degrees. */
export const judgeHeading = (sigmaDeg: number): Reason[] => [
	atMost(sigmaDeg, {
		fail: {
			limit: limits.headingCautionDeg,
			code: 'heading-uncertain',
			text: 'The turning does not fix the heading well enough.',
			next: TURN_MORE,
		},
		caution: {
			limit: limits.headingClearDeg,
			code: 'heading-loose',
			text: 'The heading is known, but more turning would fix it better.',
			next: TURN_MORE,
		},
		pass: { code: 'heading-known', text: 'The heading is fixed by the turning.' },
	}),
];

/** The strength found, µT, against the model of the place; without a place, against what the Earth has anywhere. */
export function judgeField(fieldUt: number, model: FieldAnswer | undefined): Reason[] {
	if (!model) {
		const low = fieldUt < limits.plausibleFieldLowUt.value;
		if (low || fieldUt > limits.plausibleFieldHighUt.value)
			return [
				reason(
					'caution',
					'field-implausible',
					"The strength found is not that of the Earth's field: check the unit of the readings.",
					{
						value: fieldUt,
						limit: low ? limits.plausibleFieldLowUt : limits.plausibleFieldHighUt,
						next: 'Say which unit the readings have, or name the site.',
					},
				),
			];
		return [
			reason(
				'pass',
				'field-plausible',
				"The strength found could be the Earth's field; no site was given to compare with.",
				{ value: fieldUt },
			),
		];
	}
	const off = fieldUt / model.totalUt - 1;
	const out: Reason[] = [];
	if (model.verdict === 'fail') out.push(model.reasons[0]);
	out.push(
		atMost(Math.abs(off), {
			fail: {
				limit: limits.fieldDeviation,
				code: 'field-off-site',
				text: `This place is disturbed, or the sensor is scaled wrongly: ${fieldUt.toFixed(1)} µT found, ${model.totalUt.toFixed(1)} µT by the model.`,
				next: 'Go away from metal, walls and vehicles, and turn again.',
			},
			pass: { code: 'field-as-model', text: 'The strength agrees with the model for this place.' },
		}),
	);
	return out;
}

/** What the fit leaves, as a share of the field and in µT. */
export function judgeResidual(share: number, residualUt: number): Reason[] {
	const text = `Residual ${residualUt.toFixed(2)} µT`;
	return [
		atMost(share, {
			fail: {
				limit: limits.residualFail,
				code: 'residual-large',
				text: `${text}: the readings do not fit one compass in one field.`,
				next: 'Move away from metal and keep still what is not the aircraft, then turn again.',
			},
			caution: {
				limit: limits.residualClear,
				code: 'residual-raised',
				text: `${text}: noisy, or something magnetic moved.`,
				next: 'Repeat it further from metal.',
			},
			pass: { code: 'residual-small', text: `${text}: the readings fit an ellipsoid closely.` },
		}),
	];
}

/** How far the fit stretches one axis against another; a fit that turns an axis over is no number and fails. */
export function judgeGains(softIron: Mat3): Reason[] {
	const values = new EigenvalueDecomposition(new Matrix(softIron.map((row) => [...row])), { assumeSymmetric: true })
		.realEigenvalues;
	const least = Math.min(...values);
	return [
		atMost(least > 0 ? Math.max(...values) / least : Infinity, {
			fail: {
				limit: limits.gainRatioFail,
				code: 'soft-iron-implausible',
				text: 'The fit stretches one axis more than any airframe does.',
				next: TURN_MORE,
			},
			caution: {
				limit: limits.gainRatioCaution,
				code: 'gains-apart',
				text: 'The three gains are not near one another: look for iron near the sensor.',
				next: 'Look at what is mounted near the compass.',
			},
			pass: { code: 'gains-near', text: 'The three gains are near one another.' },
		}),
	];
}

/** How many readings do not belong to the rest, as a share and a count. */
export const judgeRejected = (share: number, count: number): Reason[] => [
	atMost(share, {
		fail: {
			limit: limits.rejectedFail,
			code: 'too-many-spikes',
			text: `${count} readings do not belong to the rest.`,
			next: 'Move away from metal and turn again.',
		},
		caution: {
			limit: limits.rejectedCaution,
			code: 'many-spikes',
			text: `${count} readings were set aside as spikes.`,
			next: 'Repeat it further from metal.',
		},
		pass: { code: 'few-spikes', text: `${count} readings were set aside as spikes.` },
	}),
];

/** The widest cone of directions that was never turned into the field, degrees. */
export const judgeCoverage = (gapDeg: number): Reason[] => [
	atMost(gapDeg, {
		caution: {
			limit: limits.coverageGapDeg,
			code: 'side-unseen',
			text: 'A whole side was never turned into the field.',
			next: TURN_MORE,
		},
		pass: { code: 'sides-seen', text: 'No large side was left out.' },
	}),
];

/** How steady the dip is from pose to pose, and how it agrees with the model of the place where there is one. */
export function judgeDip(dip: Dip, expectedDeg: number | undefined): Reason[] {
	const steady = atMost(dip.spreadDeg, {
		caution: {
			limit: limits.dipSpreadDeg,
			code: 'dip-spread',
			text: 'The dip changes with the pose: calibration or mounting is not right yet.',
			next: 'Check the mounting, then turn again.',
		},
		pass: { code: 'dip-steady', text: 'The dip stays the same in every pose.' },
	});
	if (expectedDeg === undefined) return [steady];
	const text = `Dip ${dip.dipDeg.toFixed(1)}° found, ${expectedDeg.toFixed(1)}° by the model`;
	const next = 'Go away from metal and turn again.';
	return [
		steady,
		atMost(Math.abs(dip.dipDeg - expectedDeg), {
			fail: {
				limit: limits.dipFailDeg,
				code: 'dip-off-site',
				text: `${text}: this place is disturbed or the calibration is wrong.`,
				next,
			},
			caution: { limit: limits.dipCautionDeg, code: 'dip-differs', text: `${text}.`, next },
			pass: { code: 'dip-as-model', text: `${text}.` },
		}),
	];
}

/** Whether one mounting agrees clearly better than the next, and which it is. */
export function judgeMounting([best, next]: MountingRank[]): Reason[] {
	const { yawRad, pitchRad, rollRad } = toYawPitchRoll(best.rotation);
	const angles = [yawRad, pitchRad, rollRad].map((rad) => Math.round(rad / DEG));
	return [
		atLeast(best.agreement - next.agreement, {
			caution: {
				limit: limits.mountingMargin,
				code: 'mounting-unclear',
				text: 'The turning does not tell which way the compass is mounted.',
				next: TURN_MORE,
			},
			pass: {
				code: 'mounting-found',
				text: angles.every((angle) => angle === 0)
					? 'The compass points the way of the airframe.'
					: `The compass is mounted turned: yaw ${angles[0]}°, pitch ${angles[1]}°, roll ${angles[2]}°. The aircraft's setting must say so.`,
			},
		}),
	];
}
