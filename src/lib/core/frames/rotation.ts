import { IDENTITY, determinant, multiply, type Mat3 } from './mat3';
import { normalise, type Vec3 } from './vec3';

/** Rotation by `rad` about the x axis (right-handed). */
export function rotationX(rad: number): Mat3 {
	const [c, s] = [Math.cos(rad), Math.sin(rad)];
	return [
		[1, 0, 0],
		[0, c, -s],
		[0, s, c],
	];
}

/** Rotation by `rad` about the y axis (right-handed). */
export function rotationY(rad: number): Mat3 {
	const [c, s] = [Math.cos(rad), Math.sin(rad)];
	return [
		[c, 0, s],
		[0, 1, 0],
		[-s, 0, c],
	];
}

/** Rotation by `rad` about the z axis (right-handed). */
export function rotationZ(rad: number): Mat3 {
	const [c, s] = [Math.cos(rad), Math.sin(rad)];
	return [
		[c, -s, 0],
		[s, c, 0],
		[0, 0, 1],
	];
}

/** R = Rz(yaw)·Ry(pitch)·Rx(roll), radians: takes body vectors (x forward, y right, z down) into north, east, down. */
export const fromYawPitchRoll = (yawRad: number, pitchRad: number, rollRad: number): Mat3 =>
	multiply(rotationZ(yawRad), multiply(rotationY(pitchRad), rotationX(rollRad)));

/** Yaw, pitch and roll in radians of R = Rz·Ry·Rx; at pitch ±90° the roll is taken as zero. */
export function toYawPitchRoll(r: Mat3): { yawRad: number; pitchRad: number; rollRad: number } {
	const pitchRad = Math.asin(Math.max(-1, Math.min(1, -r[2][0])));
	if (Math.abs(r[2][0]) > 1 - 1e-9) return { yawRad: Math.atan2(-r[0][1], r[1][1]), pitchRad, rollRad: 0 };
	return { yawRad: Math.atan2(r[1][0], r[0][0]), pitchRad, rollRad: Math.atan2(r[2][1], r[2][2]) };
}

/** Rotation by `rad` about an axis of any length (Rodrigues); the identity for a zero axis. */
export function aboutAxis(axis: Vec3, rad: number): Mat3 {
	const [x, y, z] = normalise(axis);
	const [c, s] = [Math.cos(rad), Math.sin(rad)];
	const k = 1 - c;
	if (x === 0 && y === 0 && z === 0) return IDENTITY;
	return [
		[c + x * x * k, x * y * k - z * s, x * z * k + y * s],
		[y * x * k + z * s, c + y * y * k, y * z * k - x * s],
		[z * x * k - y * s, z * y * k + x * s, c + z * z * k],
	];
}

function buildRightAngleRotations(): readonly Mat3[] {
	const axes: Vec3[] = [
		[1, 0, 0],
		[0, 1, 0],
		[0, 0, 1],
	];
	const signed = axes.flatMap((a): Vec3[] => [a, [-a[0], -a[1], -a[2]]]);
	return signed
		.flatMap((a) => signed.flatMap((b) => signed.map((c): Mat3 => [a, b, c])))
		.filter((m) => determinant(m) === 1);
}

/** The 24 proper rotations that take axes onto axes: the ways a board can be mounted square. The first is the identity. */
export const RIGHT_ANGLE_ROTATIONS: readonly Mat3[] = buildRightAngleRotations().toSorted(
	(a, b) => b[0][0] + b[1][1] + b[2][2] - (a[0][0] + a[1][1] + a[2][2]),
);
