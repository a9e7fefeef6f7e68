import { compass as say } from '$lib/messages/compass';
import type { Reason } from '../../schema/common';
import type { CompassAnswer, CompassRequest } from '../../schema/compass';
import { fieldAtSite } from '../earth/field';
import { DEG } from '../frames/angles';
import { IDENTITY, inverse, scaleMat, type Mat3 } from '../frames/mat3';
import { judge, reason } from '../finding/reasons';
import { toYawPitchRoll } from '../frames/rotation';
import type { Vec3 } from '../frames/vec3';
import { flatness, secondQuadricDistance } from './ambiguity';
import { coverageOf } from './coverage';
import { roughCoverage } from './roughCoverage';
import { agreementOf, rankByDip } from './dip';
import {
	expectedWorstErrorDeg,
	headingGradients,
	headingSigmaDeg,
	uncorrectedErrors,
	type Calibration,
} from './heading';
import { compassLimits as limits } from './limits';
import { fitMagnitude, type MagnitudeFit } from './magnitudeFit';
import { rescaled } from './support';
import { rankMountings, type MountingRank } from './mounting';
import { columnsOf, middle, type Columns } from './samples';
import {
	judgeCoverage,
	judgeDip,
	judgeField,
	judgeGains,
	judgeHeading,
	judgeMounting,
	judgeRejected,
	judgeResidual,
} from './verdict';

/** Taken where neither a site nor an accelerometer tells the dip: half way between equator and pole. */
const ASSUMED_INCLINATION_DEG = 60;

/** Share of the field below which no sensor's noise lies: readings without any noise are judged as if they had it. */
const LEAST_NOISE = 1e-3;

function refusal(raw: Columns, why: Reason, expected: CompassAnswer['expected']): CompassAnswer {
	const { emptyDirections, ...covered } = roughCoverage(raw, expected?.totalUt ?? null);
	return {
		hardIronUt: null,
		softIron: null,
		fieldUt: null,
		...(expected ? { expected } : {}),
		residualRmsUt: null,
		noiseUt: null,
		coverage: { ...covered, emptyDirections: emptyDirections.map(([x, y, z]) => [x, y, z]) },
		uncertainty: null,
		headingErrorDeg: null,
		headingErrors: null,
		gains: null,
		rejected: null,
		samples: raw.x.length,
		...judge([why]),
	};
}

/** The reason why these readings cannot be fitted, or the fit. */
function fitOrRefuse(c: Columns): MagnitudeFit | Reason {
	const n = c.x.length;
	if (n < limits.minSamples.value)
		return reason('fail', say('insufficient-samples#review', { n }), { value: n, limit: limits.minSamples });
	if (!(middle(c).radius > 0)) return reason('fail', say('insufficient-variation'), { value: 0 });
	const fit = fitMagnitude(c);
	if (!fit || !inverse(matrixOf(fit.w))) return reason('fail', say('insufficient-coverage#review'));
	if (fit.sigma * meanGain(fit.w) > limits.maxShellThickness.value)
		return reason('fail', say('insufficient-turning'), {
			value: fit.sigma * meanGain(fit.w),
			limit: limits.maxShellThickness,
		});
	const pick = (column: Float64Array) => only(column, fit.kept);
	const kept = { x: pick(c.x), y: pick(c.y), z: pick(c.z) };
	const flat = flatness(kept);
	if (flat < limits.minFlatness.value)
		return reason('fail', say('insufficient-coverage#review2'), {
			value: flat,
			limit: limits.minFlatness,
		});
	const second = secondQuadricDistance(kept) / Math.max(fit.sigma, LEAST_NOISE / meanGain(fit.w));
	if (!fit.covariance || second < limits.minSecondQuadric.value)
		return reason('fail', say('insufficient-coverage#review3'), {
			value: second,
			limit: limits.minSecondQuadric,
		});
	return fit;
}

const matrixOf = ([a, b, c, d, e, f]: MagnitudeFit['w']): Mat3 => [
	[a, d, e],
	[d, b, f],
	[e, f, c],
];

const meanGain = (w: MagnitudeFit['w']) => (w[0] + w[1] + w[2]) / 3;

function corrected(c: Columns, offset: Vec3, w: Mat3): Columns {
	const n = c.x.length;
	const out = { x: new Float64Array(n), y: new Float64Array(n), z: new Float64Array(n) };
	for (let i = 0; i < n; i++) {
		const v0 = c.x[i] - offset[0];
		const v1 = c.y[i] - offset[1];
		const v2 = c.z[i] - offset[2];
		out.x[i] = w[0][0] * v0 + w[0][1] * v1 + w[0][2] * v2;
		out.y[i] = w[1][0] * v0 + w[1][1] * v1 + w[1][2] * v2;
		out.z[i] = w[2][0] * v0 + w[2][1] * v1 + w[2][2] * v2;
	}
	return out;
}

const only = (values: Float64Array, kept: Uint8Array) => values.filter((_, i) => kept[i] === 1);

/**
 * Fits a compass to its turning: m_true = softIron·(m_raw − hardIronUt), all in the magnetometer's own axes, with
 * covariance, coverage, heading error before and after, mounting (with gyro or accelerometer), dip (with accelerometer), comparison
 * with the site's field, and a verdict with reasons. Readings in µT; accel m/s²; gyro rad/s; both in body axes.
 * Too little evidence is a fail with a code `insufficient-…` and null figures, but what the turning covered is told.
 * @throws InputError with path `site.date` for a date outside the field model.
 */
export function fitCompass(request: CompassRequest): CompassAnswer {
	const { mag, accel, gyro, site } = request;
	const samples = mag.t.length;
	const model = site && fieldAtSite(site);
	const expected = model && { totalUt: model.totalUt, inclinationDeg: model.inclinationDeg };
	const raw = columnsOf(mag);
	const fit = fitOrRefuse(raw);
	if ('code' in fit) return refusal(raw, fit, expected);

	const { offset, kept, covariance } = fit;
	const w1 = matrixOf(fit.w);
	let fieldSum = 0;
	let used = 0;
	let squares = 0;
	for (let i = 0; i < samples; i++) {
		if (!kept[i]) continue;
		fieldSum += Math.sqrt((raw.x[i] - offset[0]) ** 2 + (raw.y[i] - offset[1]) ** 2 + (raw.z[i] - offset[2]) ** 2);
		squares += fit.residuals[i] ** 2;
		used++;
	}
	const fieldUt = fieldSum / used;
	const scaleUt = expected?.totalUt ?? fieldUt;
	const softIron = scaleMat(w1, scaleUt);
	const softIronInverse = inverse(softIron);
	if (!covariance || !softIronInverse) throw new Error('a fit that was accepted has a covariance and an inverse');
	const field = corrected(raw, offset, softIron);
	const timed = { t: mag.t, ...field };

	const byGyro = gyro ? rankMountings(timed, gyro) : null;
	const clearMounting = byGyro && byGyro[0].agreement - byGyro[1].agreement >= limits.mountingMargin.value;
	const dips = accel
		? rankByDip(timed, accel, {
				rotation: clearMounting ? byGyro[0].rotation : undefined,
				inclinationDeg: expected?.inclinationDeg,
			})
		: [];
	const dip = dips[0] ?? null;
	const byDip = dips.length > 1 ? dips.map((one) => ({ rotation: one.rotation, agreement: agreementOf(one) })) : null;
	const ranks = clearMounting ? byGyro : (byDip ?? byGyro);
	const rotation = clearMounting ? byGyro[0].rotation : (dip?.rotation ?? IDENTITY);
	const inclinationDeg = expected?.inclinationDeg ?? dip?.dipDeg ?? ASSUMED_INCLINATION_DEG;

	const calibration: Calibration = { offset, w: softIron, wInverse: softIronInverse, fieldUt: scaleUt, rotation };
	const before = uncorrectedErrors(calibration, inclinationDeg * DEG);
	const gradients = headingGradients(calibration, inclinationDeg * DEG);
	// The covariance is of W at |W(m − b)| = 1; softIron is scaleUt times that.
	const scaled = rescaled(covariance, 1, scaleUt);
	const headingDeg = headingSigmaDeg(gradients, scaled);
	const coverage = coverageOf(only(field.x, kept), only(field.y, kept), only(field.z, kept));
	const gains: Vec3 = [softIron[0][0], softIron[1][1], softIron[2][2]];
	const residualRmsUt = Math.sqrt(squares / used);

	const reasons = [
		...judgeHeading(headingDeg),
		...judgeField(fieldUt, model),
		...judgeResidual(residualRmsUt / fieldUt, residualRmsUt),
		...judgeGains(softIron),
		...judgeRejected((samples - used) / samples, samples - used),
		...judgeCoverage(coverage.largestGapDeg),
		...(dip ? judgeDip(dip, expected?.inclinationDeg) : []),
		...(ranks ? judgeMounting(ranks) : []),
	];
	return {
		hardIronUt: offset,
		softIron,
		fieldUt,
		...(expected ? { expected } : {}),
		...(dip ? { measuredDip: { dipDeg: dip.dipDeg, spreadDeg: dip.spreadDeg } } : {}),
		residualRmsUt,
		noiseUt: fit.sigma,
		coverage: { ...coverage, emptyDirections: coverage.emptyDirections.map(([x, y, z]) => [x, y, z]) },
		uncertainty: {
			hardIronUt: [0, 1, 2].map((k) => Math.sqrt(covariance.get(k, k))) as [number, number, number],
			headingDeg,
		},
		headingErrorDeg: {
			before: Math.max(...before.map(({ errorDeg }) => Math.abs(errorDeg))),
			after: expectedWorstErrorDeg(gradients, scaled),
		},
		headingErrors: before,
		gains: [...gains],
		rejected: samples - used,
		samples,
		...(ranks ? { mounting: mountingAnswer(ranks) } : {}),
		...judge(reasons),
	};
}

function mountingAnswer([best, next]: MountingRank[]): NonNullable<CompassAnswer['mounting']> {
	const { yawRad, pitchRad, rollRad } = toYawPitchRoll(best.rotation);
	return {
		best: {
			rotation: best.rotation,
			yawDeg: yawRad / DEG,
			pitchDeg: pitchRad / DEG,
			rollDeg: rollRad / DEG,
		},
		agreement: best.agreement,
		runnerUp: next.agreement,
	};
}
