import { interpolate } from '../math/interpolate';
import { apply, type Mat3 } from '../frames/mat3';
import { RIGHT_ANGLE_ROTATIONS } from '../frames/rotation';
import type { Vec3 } from '../frames/vec3';

export interface TimedColumns {
	t: ArrayLike<number>;
	x: ArrayLike<number>;
	y: ArrayLike<number>;
	z: ArrayLike<number>;
}

export interface MountingRank {
	rotation: Mat3;
	/** Agreement of what the field did with what the gyro says it should have done, 0..1. */
	agreement: number;
}

/** Long enough for the field to move more than its noise, short enough for the turn to be one turn. */
const INTERVAL_S = 0.2;
const MIN_INTERVALS = 10;
/** Less turning than this over the whole record says nothing about the mounting. */
const MIN_TURN_RAD = 0.5;

/**
 * Ranks the 24 right-angle mountings of the magnetometer by dm/dt = −ω × m: over short intervals the change of the
 * field in body axes must be what the gyro's turn makes of it. `mag` is the corrected field in the magnetometer's axes
 * (µT), `gyro` rad/s in body axes; the two may run at different rates. Rotation takes magnetometer axes into the body
 * frame. Null where the records hardly overlap or hardly turn.
 */
export function rankMountings(mag: TimedColumns, gyro: TimedColumns): MountingRank[] | null {
	const n = gyro.t.length;
	// The gyro's integral at its own times, so that any interval's mean turn is a difference.
	const integral = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
	const axes = [gyro.x, gyro.y, gyro.z];
	for (let i = 1; i < n; i++)
		for (let a = 0; a < 3; a++)
			integral[a][i] = integral[a][i - 1] + ((axes[a][i] + axes[a][i - 1]) / 2) * (gyro.t[i] - gyro.t[i - 1]);

	const from: number[] = [];
	const to: number[] = [];
	let k = 0;
	for (let i = 0; i < mag.t.length; i++) {
		if (mag.t[i] < gyro.t[0] || mag.t[i] > gyro.t[n - 1]) continue;
		if (k < i && mag.t[i] - mag.t[k] >= INTERVAL_S) {
			if (mag.t[k] >= gyro.t[0] && mag.t[i] - mag.t[k] < 4 * INTERVAL_S) {
				from.push(k);
				to.push(i);
			}
			k = i;
		}
	}
	if (from.length < MIN_INTERVALS) return null;
	const times = (indices: number[]) => indices.map((i) => mag.t[i]);
	const start = integral.map((column) => interpolate(gyro.t, column, times(from)));
	const end = integral.map((column) => interpolate(gyro.t, column, times(to)));
	const turns: Vec3[] = from.map((_, i) => [end[0][i] - start[0][i], end[1][i] - start[1][i], end[2][i] - start[2][i]]);
	if (turns.reduce((sum, turn) => sum + Math.hypot(...turn), 0) < MIN_TURN_RAD) return null;

	const changes: Vec3[] = [];
	const means: Vec3[] = [];
	for (let i = 0; i < from.length; i++) {
		const [a, b] = [from[i], to[i]];
		changes.push([mag.x[b] - mag.x[a], mag.y[b] - mag.y[a], mag.z[b] - mag.z[a]]);
		means.push([(mag.x[b] + mag.x[a]) / 2, (mag.y[b] + mag.y[a]) / 2, (mag.z[b] + mag.z[a]) / 2]);
	}
	return RIGHT_ANGLE_ROTATIONS.map((rotation) => {
		let along = 0;
		let seen = 0;
		let told = 0;
		for (let i = 0; i < turns.length; i++) {
			const change = apply(rotation, changes[i]);
			const m = apply(rotation, means[i]);
			const w = turns[i];
			const p0 = -(w[1] * m[2] - w[2] * m[1]);
			const p1 = -(w[2] * m[0] - w[0] * m[2]);
			const p2 = -(w[0] * m[1] - w[1] * m[0]);
			along += change[0] * p0 + change[1] * p1 + change[2] * p2;
			seen += change[0] ** 2 + change[1] ** 2 + change[2] ** 2;
			told += p0 * p0 + p1 * p1 + p2 * p2;
		}
		const agreement = seen > 0 && told > 0 ? along / Math.sqrt(seen * told) : 0;
		return { rotation, agreement: Math.max(0, Math.min(1, agreement)) };
	}).sort((a, b) => b.agreement - a.agreement);
}
