import { compass as say } from '$lib/messages/compass';
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

/** How well the turning fixes the heading, one sigma in degrees. */
export const judgeHeading = (sigmaDeg: number): Reason[] => [
	atMost(sigmaDeg, {
		fail: { limit: limits.headingCautionDeg, says: say('heading-uncertain') },
		caution: { limit: limits.headingClearDeg, says: say('heading-loose') },
		pass: say('heading-known'),
	}),
];

/** The strength found, µT, against the model of the place; without a place, against what the Earth has anywhere. */
export function judgeField(fieldUt: number, model: FieldAnswer | undefined): Reason[] {
	if (!model) {
		const low = fieldUt < limits.plausibleFieldLowUt.value;
		if (low || fieldUt > limits.plausibleFieldHighUt.value)
			return [
				reason('caution', say('field-implausible'), {
					value: fieldUt,
					limit: low ? limits.plausibleFieldLowUt : limits.plausibleFieldHighUt,
				}),
			];
		return [reason('pass', say('field-plausible'), { value: fieldUt })];
	}
	const off = fieldUt / model.totalUt - 1;
	const out: Reason[] = [];
	if (model.verdict === 'fail') out.push(model.reasons[0]);
	out.push(
		atMost(Math.abs(off), {
			fail: { limit: limits.fieldDeviation, says: say('field-off-site', { fieldUt, totalUt: model.totalUt }) },
			pass: say('field-as-model'),
		}),
	);
	return out;
}

/** What the fit leaves, as a share of the field and in µT. */
export function judgeResidual(share: number, residualUt: number): Reason[] {
	return [
		atMost(share, {
			fail: { limit: limits.residualFail, says: say('residual-large', { residualUt }) },
			caution: { limit: limits.residualClear, says: say('residual-raised', { residualUt }) },
			pass: say('residual-small', { residualUt }),
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
			fail: { limit: limits.gainRatioFail, says: say('soft-iron-implausible') },
			caution: { limit: limits.gainRatioCaution, says: say('gains-apart') },
			pass: say('gains-near'),
		}),
	];
}

/** How many readings do not belong to the rest, as a share and a count. */
export const judgeRejected = (share: number, count: number): Reason[] => [
	atMost(share, {
		fail: { limit: limits.rejectedFail, says: say('too-many-spikes', { count }) },
		caution: { limit: limits.rejectedCaution, says: say('many-spikes', { count }) },
		pass: say('few-spikes', { count }),
	}),
];

/** The widest cone of directions that was never turned into the field, degrees. */
export const judgeCoverage = (gapDeg: number): Reason[] => [
	atMost(gapDeg, {
		caution: { limit: limits.coverageGapDeg, says: say('side-unseen') },
		pass: say('sides-seen'),
	}),
];

/** How steady the dip is from pose to pose, and how it agrees with the model of the place where there is one. */
export function judgeDip(dip: Dip, expectedDeg: number | undefined): Reason[] {
	const steady = atMost(dip.spreadDeg, {
		caution: { limit: limits.dipSpreadDeg, says: say('dip-spread') },
		pass: say('dip-steady'),
	});
	if (expectedDeg === undefined) return [steady];
	const next = 'Go away from metal and turn again.';
	return [
		steady,
		atMost(Math.abs(dip.dipDeg - expectedDeg), {
			fail: {
				limit: limits.dipFailDeg,
				says: say('dip-off-site', { dipDeg: dip.dipDeg, expectedDeg, nextWords: next }),
			},
			caution: {
				limit: limits.dipCautionDeg,
				says: say('dip-differs', { dipDeg: dip.dipDeg, expectedDeg, nextWords: next }),
			},
			pass: say('dip-as-model', { dipDeg: dip.dipDeg, expectedDeg }),
		}),
	];
}

/** Whether one mounting agrees clearly better than the next, and which it is. */
export function judgeMounting([best, next]: MountingRank[]): Reason[] {
	const { yawRad, pitchRad, rollRad } = toYawPitchRoll(best.rotation);
	const angles = [yawRad, pitchRad, rollRad].map((rad) => Math.round(rad / DEG));
	return [
		atLeast(best.agreement - next.agreement, {
			caution: { limit: limits.mountingMargin, says: say('mounting-unclear') },
			pass: say('mounting-found', {
				aligned: angles.every((angle) => angle === 0),
				yawDeg: angles[0],
				pitchDeg: angles[1],
				rollDeg: angles[2],
			}),
		}),
	];
}
