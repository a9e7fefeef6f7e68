import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { DEG } from '../frames/angles';
import { apply, IDENTITY, inverse, transpose, type Mat3 } from '../frames/mat3';
import { angleBetween, cross, normalise, type Vec3 } from '../frames/vec3';
import { headingGradients } from './heading';
import { fitMagnitude } from './magnitudeFit';
import { informationRow, type Parameters } from './shell';
import { middle, thinned, type Columns } from './samples';

/** A way to hold the aircraft: which direction of the body points down, and how a pilot would say it. */
export interface Pose {
	/** Down in body axes (x forward, y right, z down), unit vector. */
	down: Vec3;
	/** "Hold it level", "Tip the nose down" … */
	words: string;
	/** The same in two words, for a label. */
	label: string;
}

const pose = (x: number, y: number, z: number, label: string, words: string): Pose => ({
	down: normalise([x, y, z]),
	words,
	label,
});

/** The poses that hands can hold and words can name, level first. */
export const POSES: readonly Pose[] = [
	pose(0, 0, 1, 'level', 'Hold it level'),
	pose(1, 0, 1, 'nose down', 'Tip the nose down'),
	pose(-1, 0, 1, 'nose up', 'Tip the nose up'),
	pose(0, 1, 1, 'right side low', 'Lower the right side'),
	pose(0, -1, 1, 'left side low', 'Lower the left side'),
	pose(1, 0, 0, 'on its nose', 'Stand it on its nose'),
	pose(-1, 0, 0, 'on its tail', 'Stand it on its tail'),
	pose(0, 1, 0, 'on its right side', 'Stand it on its right side'),
	pose(0, -1, 0, 'on its left side', 'Stand it on its left side'),
	pose(1, 0, -1, 'upside down, nose low', 'Turn it upside down with the nose low'),
	pose(-1, 0, -1, 'upside down, tail low', 'Turn it upside down with the tail low'),
	pose(0, 0, -1, 'upside down', 'Turn it upside down'),
];

export interface Cue {
	pose: Pose;
	/** The whole sentence: pose and turn. */
	words: string;
	/** How far the aircraft is from the pose, degrees; null without an accelerometer. */
	awayDeg: number | null;
	/** The ring of the field that this turn would fill, unit vectors in the magnetometer's axes. */
	ring: Vec3[];
	/** One standard deviation of the level heading now, degrees (with the weak prior, so it always exists). */
	headingSigmaDeg: number;
}

const RING = 24;
/** A turn of eight seconds at the rate of the samples that count. */
const SAMPLES_OF_A_TURN = 200;
const MOST_READINGS = 600;
const PRIOR_OFFSET_UT = 60;
const PRIOR_W = 0.3;
const NOISE_BEFORE_FIT = 0.02;
/** The pose in hand stays the cue until another is this much better: no dithering. */
const STAY = 0.6;
const IN_POSE_DEG = 28;

const ringOf = (down: Vec3, inclinationRad: number): Vec3[] => {
	const side = normalise(cross(down, Math.abs(down[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0]));
	const third = cross(down, side);
	const [c, s] = [Math.cos(inclinationRad), Math.sin(inclinationRad)];
	return Array.from({ length: RING }, (_, k) => {
		const a = (2 * Math.PI * k) / RING;
		return [0, 1, 2].map((i) => s * down[i] + c * (Math.cos(a) * side[i] + Math.sin(a) * third[i]));
	}).map(([x, y, z]): Vec3 => [x, y, z]);
};

/**
 * The pose in which one turn lowers the variance of the level heading most, given the readings so far (µT, the
 * magnetometer's axes). `inclinationDeg` is the site's dip, `down` the body's down direction now if an accelerometer
 * tells it, `stayWith` the label of the pose asked for before. The information of readings and turn is that of the fit.
 */
export function nextCue(
	readings: Columns,
	inclinationDeg: number,
	options: { down?: Vec3; stayWith?: string; rotation?: Mat3 } = {},
): Cue {
	const rotation = options.rotation ?? IDENTITY;
	const few = thinned(readings, MOST_READINGS);
	const stride = readings.x.length / Math.max(1, few.x.length);
	const { centre, radius } = few.x.length > 3 ? middle(few) : { centre: [0, 0, 0] as const, radius: 0 };
	const fit = few.x.length > 40 && radius > 0 ? fitMagnitude(few) : null;
	const strength = fit ? 3 / (fit.w[0] + fit.w[1] + fit.w[2]) : Math.max(radius, 20);
	const p: Parameters = fit
		? Float64Array.of(...fit.offset, ...fit.w)
		: Float64Array.of(...centre, 1 / strength, 1 / strength, 1 / strength, 0, 0, 0);
	const sigma = Math.max(fit?.sigma ?? 0, NOISE_BEFORE_FIT * strength);

	const info = Matrix.diag([...Array(3).fill(1 / PRIOR_OFFSET_UT ** 2), ...Array(6).fill((strength / PRIOR_W) ** 2)]);
	const addRow = (to: Matrix, row: Float64Array, weight: number) => {
		for (let a = 0; a < 9; a++) for (let b = 0; b < 9; b++) to.set(a, b, to.get(a, b) + row[a] * row[b] * weight);
	};
	for (let i = 0; i < few.x.length; i++)
		addRow(info, informationRow(p, few.x[i], few.y[i], few.z[i]), stride / sigma ** 2);

	const w: Mat3 = [
		[p[3], p[6], p[7]],
		[p[6], p[4], p[8]],
		[p[7], p[8], p[5]],
	];
	const bend = inverse(w) ?? IDENTITY;
	const calibration = { offset: [p[0], p[1], p[2]] as const, w, wInverse: bend, fieldUt: 1, rotation };
	const gradients = headingGradients(calibration, inclinationDeg * DEG);
	const meanVariance = (information: Matrix) => {
		const cholesky = new CholeskyDecomposition(information);
		if (!cholesky.isPositiveDefinite()) return { mean: Infinity, worst: Infinity };
		const covariance = cholesky.solve(Matrix.eye(9));
		let sum = 0;
		let worst = 0;
		for (const g of gradients) {
			let variance = 0;
			for (let a = 0; a < 9; a++) for (let b = 0; b < 9; b++) variance += g[a] * covariance.get(a, b) * g[b];
			sum += variance;
			worst = Math.max(worst, variance);
		}
		return { mean: sum / gradients.length, worst };
	};

	const rated = POSES.map((candidate) => {
		const ring = ringOf(candidate.down, inclinationDeg * DEG).map((u) => apply(transpose(rotation), u));
		const more = info.clone();
		for (const u of ring) {
			const raw = apply(bend, u);
			addRow(
				more,
				informationRow(p, raw[0] + p[0], raw[1] + p[1], raw[2] + p[2]),
				SAMPLES_OF_A_TURN / RING / sigma ** 2,
			);
		}
		return { pose: candidate, ring, left: meanVariance(more).mean };
	});
	const now = meanVariance(info);
	const best = rated.reduce((a, b) => (b.left < a.left * 0.999 ? b : a));
	const before = rated.find(({ pose: { label } }) => label === options.stayWith);
	const chosen = before && now.mean - before.left > STAY * (now.mean - best.left) ? before : best;
	const awayDeg = options.down ? angleBetween(options.down, chosen.pose.down) / DEG : null;
	const inPose = awayDeg !== null && awayDeg < IN_POSE_DEG;
	return {
		pose: chosen.pose,
		words: inPose ? 'Good. Keep turning right, slowly' : `${chosen.pose.words} and keep turning right`,
		awayDeg,
		ring: chosen.ring,
		headingSigmaDeg: Math.sqrt(now.worst) / DEG,
	};
}
