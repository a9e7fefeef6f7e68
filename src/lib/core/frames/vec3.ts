/** A vector of three components, in whatever frame the name beside it says. */
export type Vec3 = readonly [number, number, number];

/** The cross product, right-handed. */
export const cross = (a: Vec3, b: Vec3): Vec3 => [
	a[1] * b[2] - a[2] * b[1],
	a[2] * b[0] - a[0] * b[2],
	a[0] * b[1] - a[1] * b[0],
];

/** a + b. */
export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

/** a − b. */
export const subtract = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];

/** The vector times a factor. */
export const scale = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];

/** Euclidean length. */
export const length = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);

/** Unit vector along `a`; the zero vector stays zero. */
export function normalise(a: Vec3): Vec3 {
	const n = length(a);
	return n > 0 ? scale(a, 1 / n) : [0, 0, 0];
}

/** Angle between two non-zero vectors, radians; accurate for small angles too (Kahan's half-angle form). */
export function angleBetween(a: Vec3, b: Vec3): number {
	const u = normalise(a);
	const v = normalise(b);
	return 2 * Math.atan2(length(subtract(u, v)), length(add(u, v)));
}
