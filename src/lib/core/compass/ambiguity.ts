import { CholeskyDecomposition, EigenvalueDecomposition, Matrix, inverse } from 'ml-matrix';
import { middle, thinned, type Columns } from './samples';

const MONOMIALS = 9;
const MOST = 1000;

/**
 * RMS distance of readings from the second-best quadric surface through them, in their unit. Where a *second* quadric
 * fits as well as the noise, the turning has not told one ellipsoid from another (one flat turn, or two about two axes).
 * Distances are Taubin's approximation, mean q² / mean |∇q|² ("Estimation of planar curves, surfaces and nonplanar
 * space curves", 1991), of which the quadrics are the generalised eigenvectors.
 */
export function secondQuadricDistance(all: Columns): number {
	const c = thinned(all, MOST);
	const n = c.x.length;
	const { centre, radius } = middle(c);
	if (!(radius > 0) || n <= MONOMIALS) return 0;
	const values: number[][] = [];
	const gradient = Matrix.zeros(MONOMIALS, MONOMIALS);
	for (let i = 0; i < n; i++) {
		const x = (c.x[i] - centre[0]) / radius;
		const y = (c.y[i] - centre[1]) / radius;
		const z = (c.z[i] - centre[2]) / radius;
		values.push([x * x, y * y, z * z, y * z, x * z, x * y, x, y, z]);
		for (const d of [
			[2 * x, 0, 0, 0, z, y, 1, 0, 0],
			[0, 2 * y, 0, z, 0, x, 0, 1, 0],
			[0, 0, 2 * z, y, x, 0, 0, 0, 1],
		])
			for (let a = 0; a < MONOMIALS; a++)
				for (let b = 0; b <= a; b++) gradient.set(a, b, gradient.get(a, b) + (d[a] * d[b]) / n);
	}
	const means = values[0].map((_, a) => values.reduce((sum, row) => sum + row[a], 0) / n);
	const spread = Matrix.zeros(MONOMIALS, MONOMIALS);
	for (const row of values)
		for (let a = 0; a < MONOMIALS; a++)
			for (let b = 0; b <= a; b++) spread.set(a, b, spread.get(a, b) + ((row[a] - means[a]) * (row[b] - means[b])) / n);
	for (let a = 0; a < MONOMIALS; a++)
		for (let b = 0; b < a; b++) {
			spread.set(b, a, spread.get(a, b));
			gradient.set(b, a, gradient.get(a, b));
		}
	const cholesky = new CholeskyDecomposition(gradient);
	if (!cholesky.isPositiveDefinite()) return 0; // the readings lie on a line or a point
	const lower = inverse(cholesky.lowerTriangularMatrix);
	const reduced = lower.mmul(spread).mmul(lower.transpose());
	const eigen = new EigenvalueDecomposition(reduced.add(reduced.transpose()).div(2), { assumeSymmetric: true });
	const [, second] = eigen.realEigenvalues.toSorted((a, b) => a - b);
	return Math.sqrt(Math.max(0, second)) * radius;
}

/** Ratio of the thinnest to the widest spread of readings: 0 for a plane, near 1 for a sphere turned all round. */
export function flatness(c: Columns): number {
	const { centre } = middle(c);
	const spread = Matrix.zeros(3, 3);
	for (let i = 0; i < c.x.length; i++) {
		const d = [c.x[i] - centre[0], c.y[i] - centre[1], c.z[i] - centre[2]];
		for (let a = 0; a < 3; a++) for (let b = 0; b < 3; b++) spread.set(a, b, spread.get(a, b) + d[a] * d[b]);
	}
	const values = new EigenvalueDecomposition(spread, { assumeSymmetric: true }).realEigenvalues;
	return Math.sqrt(Math.max(0, Math.min(...values)) / Math.max(...values, 1e-300));
}
