import { inertial as say } from '$lib/messages/inertial';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Reason } from '../../schema/common';
import type { AccelAnswer, AccelRequest, Face } from '../../schema/inertial';
import { fieldAtSite } from '../earth/field';
import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { DEG } from '../frames/angles';
import { apply, type Mat3 } from '../frames/mat3';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { angleBetween, type Vec3 } from '../frames/vec3';
import { inertialLimits as limits } from './limits';
import { FACE_UP, FACES, posesOf, stillWindows, type Pose, type StillWindow } from './poses';

const STEPS = 60;
/** Weak priors keep what the poses do not determine sane: 1 % on scales and cross terms, 1 m/s² on offsets. */
const PRIOR_SCALE = 0.01;
const PRIOR_OFFSET_MPS2 = 1;
/** A parameter whose uncertainty the poses brought well below its prior counts as determined. */
const DETERMINED_SHARE = 0.5;
const NOISE_FLOOR_MPS2 = 0.003;
/** Offsets and scales: as many poses always fit. */
const UNKNOWNS = 6;
const NAMES = [
	'offset x',
	'offset y',
	'offset z',
	'scale x',
	'scale y',
	'scale z',
	'cross xy',
	'cross xz',
	'cross yz',
] as const;

/** Parameters: offset (3), then M − I: diagonal (3) and upper triangle (xy, xz, yz). */
type Parameters = number[];

const matrixOf = (p: Parameters): Mat3 => [
	[1 + p[3], p[6], p[7]],
	[p[6], 1 + p[4], p[8]],
	[p[7], p[8], 1 + p[5]],
];

function residualRow(p: Parameters, f: Vec3, g: number): { r: number; j: number[] } {
	const v: Vec3 = [f[0] - p[0], f[1] - p[1], f[2] - p[2]];
	const m = matrixOf(p);
	const a = apply(m, v);
	const size = Math.hypot(...a) || 1e-9;
	const u = a.map((value) => value / size);
	const back = apply(m, [u[0], u[1], u[2]]);
	return {
		r: size - g,
		j: [
			-back[0],
			-back[1],
			-back[2],
			u[0] * v[0],
			u[1] * v[1],
			u[2] * v[2],
			u[0] * v[1] + u[1] * v[0],
			u[0] * v[2] + u[2] * v[0],
			u[1] * v[2] + u[2] * v[1],
		],
	};
}

interface Fit {
	p: Parameters;
	covariance: Matrix;
	residuals: number[];
}

/** Least squares of |M(f − o)| − g over the windows, priors included, by Levenberg–Marquardt. */
function fit(windows: readonly StillWindow[], g: number, sigma: number): Fit {
	const priors = NAMES.map((_, k) => (k < 3 ? PRIOR_OFFSET_MPS2 : PRIOR_SCALE));
	let p: Parameters = NAMES.map(() => 0);
	let lambda = 1e-3;
	const normal = (at: Parameters) => {
		const h = Matrix.diag(priors.map((s) => 1 / s ** 2));
		const grad = at.map((value, k) => value / priors[k] ** 2);
		let cost = at.reduce((sum, value, k) => sum + (value / priors[k]) ** 2, 0);
		for (const { mean } of windows) {
			const { r, j } = residualRow(at, mean, g);
			cost += (r / sigma) ** 2;
			for (let a = 0; a < 9; a++) {
				grad[a] += (j[a] * r) / sigma ** 2;
				for (let b = 0; b < 9; b++) h.set(a, b, h.get(a, b) + (j[a] * j[b]) / sigma ** 2);
			}
		}
		return { h, grad, cost };
	};
	let here = normal(p);
	for (let step = 0; step < STEPS; step++) {
		const damped = here.h.clone();
		for (let k = 0; k < 9; k++) damped.set(k, k, damped.get(k, k) * (1 + lambda));
		const delta = new CholeskyDecomposition(damped).solve(Matrix.columnVector(here.grad.map((v) => -v))).getColumn(0);
		const next = p.map((value, k) => value + delta[k]);
		const there = normal(next);
		if (there.cost <= here.cost) {
			const gained = here.cost - there.cost;
			[p, here] = [next, there];
			lambda = Math.max(lambda / 8, 1e-12);
			if (gained < 1e-12 * (1 + here.cost)) break;
		} else lambda *= 8;
	}
	return {
		p,
		covariance: new CholeskyDecomposition(here.h).solve(Matrix.eye(9)),
		residuals: windows.map(({ mean }) => residualRow(p, mean, g).r),
	};
}

const refusal = (base: Pick<AccelAnswer, 'poses' | 'missingFaces' | 'gravityMps2'>, why: Reason[]): AccelAnswer => ({
	offsetMps2: null,
	matrix: null,
	determined: [],
	...base,
	residualRmsMps2: null,
	uncertainty: null,
	levelErrorDeg: null,
	...judge(why),
});

const faceWords = (faces: readonly Face[]) => faces.join(', ');

/**
 * Fits an accelerometer to still poses found in the stream: a_true = M·(a_raw − offset), M symmetric. Raw unit m/s² or g;
 * axes x forward, y right, z down. Six faces determine offsets and scales; cross terms need more poses between them.
 * Which parameters are determined is told, and every still pose, a face held twice too. Sources: six-position test (IEEE Std 1293), fit by weighted least squares.
 * @throws InputError with path `site.date` for a date outside the field model.
 */
export function fitAccelerometer({ accel, rawUnit, site, faces }: AccelRequest): AccelAnswer {
	const unit = rawUnit === 'g' ? STANDARD_GRAVITY_MPS2 : 1;
	const g = site ? fieldAtSite(site).gravityMps2 : STANDARD_GRAVITY_MPS2;
	const column = (values: ArrayLike<number>) => Float64Array.from(values, (v) => v * unit);
	const windows = stillWindows({ t: accel.t, x: column(accel.x), y: column(accel.y), z: column(accel.z) });
	const { poses, between } = posesOf(windows);
	const asked: readonly Face[] = faces ?? FACES;
	const missingFaces = asked.filter((face) => !poses.some((pose) => pose.face === face));
	const base = { poses: poses.map((pose) => poseAnswer(pose)), missingFaces, gravityMps2: g };
	const again = (faces: readonly Face[]) => `Hold it still for two seconds with ${faceWords(faces)} down.`;
	if (poses.length === 0)
		return refusal(base, [
			reason('fail', say('insufficient-poses', { again: again(asked) }), { value: 0, limit: limits.stillS }),
		]);
	const off = Math.max(...poses.map(({ mean }) => Math.abs(Math.hypot(...mean) / g - 1)));
	if (off > 2 * limits.plausibleScale.value)
		return refusal(base, [reason('fail', say('unit-implausible'), { value: off, limit: limits.plausibleScale })]);
	if (asked.length === 1 && missingFaces.length === 0) {
		const flat = poses.find(({ face }) => face === asked[0]);
		if (flat) return flatAnswer(flat, base);
	}

	const used = [...poses, ...between];
	const noise = Math.max(
		NOISE_FLOOR_MPS2,
		...poses.map(({ stillnessMps2, samples }) => stillnessMps2 / Math.sqrt(Math.min(samples, 100))),
	);
	const { p, covariance, residuals } = fit(used, g, noise);
	const rms = Math.sqrt(residuals.reduce((sum, r) => sum + r * r, 0) / residuals.length);
	const free = Math.max(1, used.length - 6);
	// Misfit beyond the sensor's noise widens what is known: a pose by hand is never perfectly still.
	const inflation = Math.max(1, Math.sqrt(residuals.reduce((sum, r) => sum + (r / noise) ** 2, 0) / free));
	const sigmas = NAMES.map((_, k) => Math.sqrt(covariance.get(k, k)) * (k < 3 || used.length > 6 ? inflation : 1));
	const determined = NAMES.filter(
		(_, k) => sigmas[k] < DETERMINED_SHARE * (k < 3 ? PRIOR_OFFSET_MPS2 : PRIOR_SCALE) && informed(k, used),
	);
	const matrix = matrixOf(p);
	const offset: Vec3 = [p[0], p[1], p[2]];
	const level = levelError(offset, matrix, g);
	const answer = {
		offsetMps2: [...offset] as [number, number, number],
		matrix,
		determined: [...determined],
		...base,
		poses: poses.map((pose) =>
			poseAnswer(pose, ([x, y, z]) => apply(matrix, [x - offset[0], y - offset[1], z - offset[2]])),
		),
		residualRmsMps2: rms,
		uncertainty: { offsetMps2: [sigmas[0], sigmas[1], sigmas[2]] as [number, number, number] },
		levelErrorDeg: level,
	};
	return {
		...answer,
		...judge(
			reasonsOf(rms, used.length, Math.max(...sigmas.slice(0, 3)), level, off, { asked, missing: missingFaces, again }),
		),
	};
}

/** One hold on a surface that is taken for level: what it reads beside the face's own direction is called offset. */
function flatAnswer(
	{ face, mean, stillnessMps2 }: Pose,
	base: Pick<AccelAnswer, 'poses' | 'missingFaces' | 'gravityMps2'>,
): AccelAnswer {
	const g = base.gravityMps2;
	const up = FACE_UP[face];
	const surface = g * Math.sin(limits.surfaceTiltDeg.value * DEG);
	const tilt = angleBetween(mean, up) / DEG;
	const sigma = (k: number) => Math.hypot(Math.abs(up[k]) > 0.5 ? NOISE_FLOOR_MPS2 : surface, stillnessMps2 / 10);
	return {
		offsetMps2: [mean[0] - g * up[0], mean[1] - g * up[1], mean[2] - g * up[2]],
		matrix: matrixOf(NAMES.map(() => 0)),
		determined: [],
		...base,
		residualRmsMps2: null,
		uncertainty: { offsetMps2: [sigma(0), sigma(1), sigma(2)] },
		levelErrorDeg: tilt,
		...judge([reason('caution', say('surface-in-it'), { value: tilt, limit: limits.surfaceTiltDeg })]),
	};
}

/** A still pose as it is told; `corrected` turns its raw mean into the corrected reading, where there is a fit. */
const poseAnswer = ({ face, tStart, tEnd, tiltDeg, stillnessMps2, mean }: Pose, corrected?: (mean: Vec3) => Vec3) => ({
	face,
	tStart,
	tEnd,
	tiltDeg: corrected ? angleBetween(corrected(mean), FACE_UP[face]) / DEG : tiltDeg,
	stillnessMps2,
});

/** Offsets and scales of an axis need both of its faces; cross terms a pose between faces. */
function informed(k: number, windows: readonly StillWindow[]): boolean {
	const axis = k % 3;
	const unit = windows.map(({ mean }) => mean.map((v) => v / Math.hypot(...mean)));
	if (k < 6) return unit.some((u) => u[axis] > 0.8) && unit.some((u) => u[axis] < -0.8);
	const [a, b] = [
		[0, 1],
		[0, 2],
		[1, 2],
	][k - 6];
	return unit.some((u) => Math.abs(u[a] * u[b]) > 0.15);
}

/** Angle between level as the raw sensor reads it and as the corrected one does, degrees. */
function levelError(offset: Vec3, matrix: Mat3, g: number): number {
	// The corrected reading of a sensor whose raw reading says level.
	const a = apply(matrix, [-offset[0], -offset[1], -g - offset[2]]);
	return Math.atan2(Math.hypot(a[0], a[1]), -a[2]) / DEG;
}

interface Faces {
	asked: readonly Face[];
	missing: readonly Face[];
	again: (faces: readonly Face[]) => string;
}

function reasonsOf(
	rms: number,
	poses: number,
	sigma: number,
	level: number,
	off: number,
	{ asked, missing, again }: Faces,
): Reason[] {
	const out: Reason[] = [];
	const left = FACES.filter((face) => !asked.includes(face));
	if (missing.length > 0)
		out.push(
			reason('fail', say('insufficient-faces', { faces: faceWords(missing), again: again(missing) }), {
				value: asked.length - missing.length,
				limit: {
					value: asked.length,
					unit: 'faces',
					source: asked.length === 6 ? 'Six-position test' : 'The recipe chosen',
				},
			}),
		);
	else if (left.length > 0)
		out.push(
			reason('caution', say('faces-by-recipe', { faces: faceWords(left), again: again(left) }), {
				value: asked.length,
				limit: { value: 6, unit: 'faces', source: 'Six-position test' },
			}),
		);
	else out.push(reason('pass', say('six-faces'), { value: 6 }));
	if (off > limits.plausibleScale.value)
		out.push(reason('fail', say('scale-implausible'), { value: off, limit: limits.plausibleScale }));
	if (rms > limits.residualFailMps2.value)
		out.push(reason('fail', say('residual-large'), { value: rms, limit: limits.residualFailMps2 }));
	else if (rms > limits.residualMps2.value)
		out.push(reason('caution', say('residual-raised'), { value: rms, limit: limits.residualMps2 }));
	else if (poses <= UNKNOWNS) out.push(reason('pass', say('residual-untested', { poses })));
	else out.push(reason('pass', say('residual-small'), { value: rms, limit: limits.residualMps2 }));
	if (missing.length === 0)
		out.push(
			atMost(sigma, {
				caution: { limit: limits.offsetSigmaMps2, says: say('offset-loose') },
				pass: say('offset-known'),
			}),
		);
	out.push(
		level > limits.levelErrorDeg.value
			? reason('pass', say('level-was-off', { level }), { value: level })
			: reason('pass', say('level-was-near'), { value: level, limit: limits.levelErrorDeg }),
	);
	return out;
}
