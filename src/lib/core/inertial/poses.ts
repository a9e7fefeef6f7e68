import type { Face } from '../../schema/inertial';
import { DEG } from '../frames/angles';
import { quantile } from '../math/statistics';
import { angleBetween, type Vec3 } from '../frames/vec3';
import { inertialLimits as limits } from './limits';
import type { Series } from '../../schema/common';

export interface StillWindow {
	tStart: number;
	tEnd: number;
	mean: Vec3;
	samples: number;
	/** Largest standard deviation of an axis within the window. */
	stillnessMps2: number;
}

export interface Pose extends StillWindow {
	face: Face;
	tiltDeg: number;
}

/** Specific force at rest with a face down: x forward, y right, z down; f points up. */
export const FACE_UP: Record<Face, Vec3> = {
	belly: [0, 0, -1],
	back: [0, 0, 1],
	left: [0, 1, 0],
	right: [0, -1, 0],
	nose: [-1, 0, 0],
	tail: [1, 0, 0],
};
export const FACES: readonly Face[] = ['belly', 'back', 'left', 'right', 'nose', 'tail'];

const WINDOW_S = 0.4;
/** What interrupts a hold for less than this is a knock, not a new hold. */
const KNOCK_S = 0.6;
/** The quietest part of the record tells the sensor's own noise; what shakes this much more is moving. */
const QUIET_QUANTILE = 0.1;
const OVER_QUIET = 3;
const LEAST_NOISE = 0.02;
/** So many standard deviations from its mean a reading still belongs to a hold. */
const WITH_THE_HOLD = 5;
/** More than any settled gyro shows at rest, and less than any hand turns. */
const TURNING_RADPS = 0.2;

/** Nothing is known of a pause of the log so many times its usual step: a hold does not reach across. */
const GAP_STEPS = 8;

/** |ω| of each reading of a gyro that runs in step with the accelerometer; undefined where it does not. */
export function rateOf(accel: { t: ArrayLike<number> }, gyro: Series | undefined): Float64Array | undefined {
	if (!gyro || gyro.t.length !== accel.t.length || gyro.t.length === 0) return undefined;
	return Float64Array.from(gyro.t, (_, i) => Math.hypot(gyro.x[i], gyro.y[i], gyro.z[i]));
}

interface Columns {
	t: ArrayLike<number>;
	x: Float64Array;
	y: Float64Array;
	z: Float64Array;
	/** How fast it turns at the same times, rad/s, where a gyro says so: a turn about the vertical moves no gravity. */
	rate?: ArrayLike<number> | undefined;
}

/** Stretches of at least a second in which the aircraft was held still, found by a moving standard deviation. m/s². */
export function stillWindows({ t, x, y, z, rate }: Columns): StillWindow[] {
	const n = t.length;
	if (n < 4) return [];
	const axes = [x, y, z];
	const sums = axes.map((a) => {
		const s = new Float64Array(n + 1);
		const q = new Float64Array(n + 1);
		for (let i = 0; i < n; i++) {
			s[i + 1] = s[i] + a[i];
			q[i + 1] = q[i] + a[i] * a[i];
		}
		return { s, q };
	});
	const moving = new Float64Array(n);
	let from = 0;
	let to = 0;
	for (let i = 0; i < n; i++) {
		while (from < i && t[i] - t[from] > WINDOW_S / 2) from++;
		while (to < n && t[to] - t[i] <= WINDOW_S / 2) to++;
		const count = Math.max(1, to - from);
		let most = 0;
		for (const { s, q } of sums) {
			const m = (s[to] - s[from]) / count;
			most = Math.max(most, (q[to] - q[from]) / count - m * m);
		}
		moving[i] = rate && rate[i] > TURNING_RADPS ? Infinity : Math.sqrt(Math.max(0, most));
	}
	const threshold = Math.min(
		limits.movedMps2.value * 2,
		Math.max(LEAST_NOISE, OVER_QUIET * quantile(moving, QUIET_QUANTILE)),
	);
	const gapS =
		GAP_STEPS *
		quantile(
			Float64Array.from({ length: n - 1 }, (_, i) => t[i + 1] - t[i]),
			0.5,
		);
	const windows: StillWindow[] = [];
	for (let i = 0; i < n;) {
		if (moving[i] > threshold) {
			i++;
			continue;
		}
		let j = i;
		while (j + 1 < n && moving[j + 1] <= threshold && t[j + 1] - t[j] <= gapS) j++;
		const [first, last] = widened(axes, t, moving, i, j);
		for (const [a, b] of split(axes, t, first, last))
			if (t[b] - t[a] >= limits.stillS.value * 0.999) windows.push(windowOf(axes, t, a, b));
		i = Math.max(j, last) + 1;
	}
	return windows;
}

/**
 * A window at the edge of a hold already meets the movement before or after it: the half window that it cost is given
 * back, as far as the readings lie with those of the hold.
 */
function widened(
	axes: Float64Array[],
	t: ArrayLike<number>,
	moving: Float64Array,
	i: number,
	j: number,
): [number, number] {
	const { mean, stillnessMps2 } = windowOf(axes, t, i, j);
	const most = Math.max(LEAST_NOISE, WITH_THE_HOLD * stillnessMps2);
	const belongs = (k: number) => moving[k] < Infinity && axes.every((axis, a) => Math.abs(axis[k] - mean[a]) <= most);
	let [first, last] = [i, j];
	while (first > 0 && t[i] - t[first - 1] <= WINDOW_S / 2 && belongs(first - 1)) first--;
	while (last + 1 < t.length && t[last + 1] - t[j] <= WINDOW_S / 2 && belongs(last + 1)) last++;
	return [first, last];
}

/** A slow creep passes a short window: a stretch whose ends point apart is cut in the middle until each part holds still. */
function split(axes: Float64Array[], t: ArrayLike<number>, a: number, b: number): [number, number][] {
	if (t[b] - t[a] < 2 * limits.stillS.value) return [[a, b]];
	const third = Math.max(1, Math.floor((b - a) / 3));
	const mean = (from: number, to: number): Vec3 => {
		const m = axes.map((axis) => axis.subarray(from, to + 1).reduce((sum, v) => sum + v, 0) / (to - from + 1));
		return [m[0], m[1], m[2]];
	};
	const first = mean(a, a + third);
	const last = mean(b - third, b);
	if (Math.hypot(first[0] - last[0], first[1] - last[1], first[2] - last[2]) < limits.movedMps2.value) return [[a, b]];
	const middle = Math.floor((a + b) / 2);
	return [...split(axes, t, a, middle), ...split(axes, t, middle + 1, b)];
}

function windowOf(axes: Float64Array[], t: ArrayLike<number>, a: number, b: number): StillWindow {
	const count = b - a + 1;
	const means = axes.map((axis) => axis.subarray(a, b + 1).reduce((sum, v) => sum + v, 0) / count);
	const sigmas = axes.map((axis, k) =>
		Math.sqrt(axis.subarray(a, b + 1).reduce((sum, v) => sum + (v - means[k]) ** 2, 0) / count),
	);
	return {
		tStart: t[a],
		tEnd: t[b],
		mean: [means[0], means[1], means[2]],
		samples: count,
		stillnessMps2: Math.max(...sigmas),
	};
}

/** The face that a specific force at rest says is down, and how far off it; null where it is further than 30° from all. */
export function faceOf(mean: Vec3): { face: Face; tiltDeg: number } | null {
	const tilts = FACES.map((face) => ({ face, tiltDeg: angleBetween(mean, FACE_UP[face]) / DEG }));
	const best = tilts.reduce((a, b) => (b.tiltDeg < a.tiltDeg ? b : a));
	return best.tiltDeg <= limits.faceDeg.value ? best : null;
}

/** The face that a window rests on, null where it is further than thirty degrees from all; a hold that was knocked is one. */
export function posesOf(windows: readonly StillWindow[]): { poses: Pose[]; between: StillWindow[] } {
	const poses: Pose[] = [];
	const between: StillWindow[] = [];
	for (const window of windows) {
		const best = faceOf(window.mean);
		if (!best) {
			between.push(window);
			continue;
		}
		const before = poses.at(-1);
		const together = before && before.face === best.face && window.tStart - before.tEnd < KNOCK_S;
		if (together && angleBetween(before.mean, window.mean) / DEG < 3) {
			const total = before.samples + window.samples;
			const mix = (k: number) => (before.mean[k] * before.samples + window.mean[k] * window.samples) / total;
			poses[poses.length - 1] = {
				...before,
				tEnd: window.tEnd,
				mean: [mix(0), mix(1), mix(2)],
				samples: total,
				stillnessMps2: Math.max(before.stillnessMps2, window.stillnessMps2),
			};
		} else poses.push({ ...window, ...best });
	}
	return { poses, between };
}
