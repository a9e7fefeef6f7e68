import type { Vec3 } from './vec3';

/** A 3×3 matrix by rows. */
export type Mat3 = readonly [Vec3, Vec3, Vec3];

/** A matrix of three rows of three, as a library gives it. @throws RangeError for another size. */
export function ofRows(rows: readonly (readonly number[])[]): Mat3 {
	const [a, b, c] = rows;
	if (rows.length !== 3 || rows.some((row) => row.length !== 3)) throw new RangeError('Not a 3 × 3 matrix.');
	return [ofRow(a), ofRow(b), ofRow(c)];
}
const ofRow = ([x, y, z]: readonly number[]): Vec3 => [x, y, z];

export const IDENTITY: Mat3 = [
	[1, 0, 0],
	[0, 1, 0],
	[0, 0, 1],
];

/** The matrix times a vector. */
export const apply = (m: Mat3, v: Vec3): Vec3 => [
	m[0][0] * v[0] + m[0][1] * v[1] + m[0][2] * v[2],
	m[1][0] * v[0] + m[1][1] * v[1] + m[1][2] * v[2],
	m[2][0] * v[0] + m[2][1] * v[1] + m[2][2] * v[2],
];

/** Rows and columns exchanged: the inverse of a rotation. */
export const transpose = (m: Mat3): Mat3 => [
	[m[0][0], m[1][0], m[2][0]],
	[m[0][1], m[1][1], m[2][1]],
	[m[0][2], m[1][2], m[2][2]],
];

/** The product a·b: b is done first. */
export function multiply(a: Mat3, b: Mat3): Mat3 {
	const columns = transpose(b);
	return transpose([apply(a, columns[0]), apply(a, columns[1]), apply(a, columns[2])]);
}

/** Every element times a factor. */
export const scaleMat = (m: Mat3, k: number): Mat3 => [
	[m[0][0] * k, m[0][1] * k, m[0][2] * k],
	[m[1][0] * k, m[1][1] * k, m[1][2] * k],
	[m[2][0] * k, m[2][1] * k, m[2][2] * k],
];

/** 1 for a rotation, −1 where it mirrors. */
export const determinant = (m: Mat3): number =>
	m[0][0] * (m[1][1] * m[2][2] - m[1][2] * m[2][1]) -
	m[0][1] * (m[1][0] * m[2][2] - m[1][2] * m[2][0]) +
	m[0][2] * (m[1][0] * m[2][1] - m[1][1] * m[2][0]);

/** Inverse by cofactors; null where the matrix is singular to working precision. */
export function inverse(m: Mat3): Mat3 | null {
	const det = determinant(m);
	const size = Math.max(...m.flat().map(Math.abs));
	if (!(Math.abs(det) > 1e-14 * size ** 3)) return null;
	const c = (i: number, j: number, k: number, l: number) => m[i][k] * m[j][l] - m[i][l] * m[j][k];
	return scaleMat(
		[
			[c(1, 2, 1, 2), -c(0, 2, 1, 2), c(0, 1, 1, 2)],
			[-c(1, 2, 0, 2), c(0, 2, 0, 2), -c(0, 1, 0, 2)],
			[c(1, 2, 0, 1), -c(0, 2, 0, 1), c(0, 1, 0, 1)],
		],
		1 / det,
	);
}
