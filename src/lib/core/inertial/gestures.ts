import { DEG } from '../frames/angles';
import { angleBetween, normalise, scale, subtract, type Vec3 } from '../frames/vec3';

/** A gesture lifts by at least thirty degrees as asked; hands are a little short. */
export const LIFT_DEG = { least: 25, most: 100 } as const;
/** Two gestures are two only where they lean to different sides. */
const APART_DEG = 45;

/** How far a pose is tilted from level, degrees: mean specific forces of any axes. */
export const liftOf = (level: Vec3, f: Vec3): number => angleBetween(level, f) / DEG;

/** Whether two poses lean to different sides of level, a right angle apart or nearly. */
export function leanApart(level: Vec3, a: Vec3, b: Vec3): boolean {
	const axis = normalise(level);
	const side = (f: Vec3) => normalise(subtract(f, scale(axis, f[0] * axis[0] + f[1] * axis[1] + f[2] * axis[2])));
	const apart = angleBetween(side(a), side(b)) / DEG;
	return apart >= APART_DEG && apart <= 180 - APART_DEG;
}

/**
 * Level, nose up and right side down among still poses in the order they were held: poses between them that lift too
 * little, or lean to the same side again, are passed over. Where none fit, the first three as they come; null under three.
 */
export function gesturesOf<T extends { mean: Vec3 }>(poses: readonly T[]): [T, T, T] | null {
	const [level, ...rest] = poses;
	if (!level || rest.length < 2) return null;
	const lifted = rest.filter(({ mean }) => {
		const deg = liftOf(level.mean, mean);
		return deg >= LIFT_DEG.least && deg <= LIFT_DEG.most;
	});
	const nose = lifted[0];
	const right = nose && lifted.find(({ mean }) => leanApart(level.mean, nose.mean, mean));
	return nose && right ? [level, nose, right] : [level, rest[0], rest[1]];
}
