import { CholeskyDecomposition, EigenvalueDecomposition, Matrix, inverse } from 'ml-matrix';
import { middle, thinned, type Columns } from './samples';

const MONOMIALS = 9;
const MOST = 1000;

/** Share of the readings that may be what is left of spikes: a fit that rests on them is not determined by the turning. */
const MAY_BE_SPIKES = 0.1;
const TRIMMINGS = 3;

interface Monomials {
	/** x², y², z², yz, xz, xy, x, y, z of every reading, centred and scaled. */
	rows: Float64Array[];
	/** Their derivatives by x, y and z. */
	slopes: Float64Array[][];
}

function monomialsOf(c: Columns, centre: readonly number[], radius: number): Monomials {
	const rows: Float64Array[] = [];
	const slopes: Float64Array[][] = [];
	for (let i = 0; i < c.x.length; i++) {
		const x = (c.x[i] - centre[0]) / radius;
		const y = (c.y[i] - centre[1]) / radius;
		const z = (c.z[i] - centre[2]) / radius;
		rows.push(Float64Array.of(x * x, y * y, z * z, y * z, x * z, x * y, x, y, z));
		slopes.push([
			Float64Array.of(2 * x, 0, 0, 0, z, y, 1, 0, 0),
			Float64Array.of(0, 2 * y, 0, z, 0, x, 0, 1, 0),
			Float64Array.of(0, 0, 2 * z, y, x, 0, 0, 0, 1),
		]);
	}
	return { rows, slopes };
}

function addOuter(target: Matrix, row: Float64Array, weight: number): void {
	for (let a = 0; a < MONOMIALS; a++)
		for (let b = 0; b < MONOMIALS; b++) target.set(a, b, target.get(a, b) + weight * (row[a] * row[b]));
}

/** Squared distance of each reading from the second-best quadric through the chosen ones; null where they give none. */
function fromSecondQuadric({ rows, slopes }: Monomials, chosen: number[]): Float64Array | null {
	const n = chosen.length;
	const means = new Float64Array(MONOMIALS);
	for (const i of chosen) for (let a = 0; a < MONOMIALS; a++) means[a] += rows[i][a] / n;
	const spread = Matrix.zeros(MONOMIALS, MONOMIALS);
	const gradient = Matrix.zeros(MONOMIALS, MONOMIALS);
	for (const i of chosen) {
		addOuter(
			spread,
			rows[i].map((value, a) => value - means[a]),
			1 / n,
		);
		for (const slope of slopes[i]) addOuter(gradient, slope, 1 / n);
	}
	const cholesky = new CholeskyDecomposition(gradient);
	if (!cholesky.isPositiveDefinite()) return null; // the readings lie on a line or a point
	const lower = inverse(cholesky.lowerTriangularMatrix);
	const reduced = lower.mmul(spread).mmul(lower.transpose());
	const eigen = new EigenvalueDecomposition(reduced.add(reduced.transpose()).div(2), { assumeSymmetric: true });
	const order = eigen.realEigenvalues
		.map((_, k) => k)
		.sort((a, b) => eigen.realEigenvalues[a] - eigen.realEigenvalues[b]);
	const quadric = lower
		.transpose()
		.mmul(Matrix.columnVector(eigen.eigenvectorMatrix.getColumn(order[1])))
		.getColumn(0);
	return Float64Array.from(rows, (row) => quadric.reduce((sum, q, a) => sum + q * (row[a] - means[a]), 0) ** 2);
}

/**
 * RMS distance of readings from the second-best quadric surface through them, in their unit, the tenth farthest from it
 * left out. Where a *second* quadric fits as well as the noise, the turning has not told one ellipsoid from another (one
 * flat turn, or two about two axes). Distances are Taubin's approximation, mean q² / mean |∇q|² ("Estimation of planar
 * curves, surfaces and nonplanar space curves", 1991), of which the quadrics are the generalised eigenvectors.
 */
export function secondQuadricDistance(all: Columns): number {
	const c = thinned(all, MOST);
	const n = c.x.length;
	const { centre, radius } = middle(c);
	if (!(radius > 0) || n <= MONOMIALS + 1) return 0;
	const monomials = monomialsOf(c, centre, radius);
	const everyone = Array.from({ length: n }, (_, i) => i);
	let chosen = everyone;
	let mean = 0;
	for (let round = 0; round <= TRIMMINGS; round++) {
		const squares = fromSecondQuadric(monomials, chosen);
		if (!squares) return 0;
		mean = chosen.reduce((sum, i) => sum + squares[i], 0) / chosen.length;
		chosen = everyone.toSorted((a, b) => squares[a] - squares[b]).slice(0, Math.ceil(n * (1 - MAY_BE_SPIKES)));
		if (chosen.length <= MONOMIALS) break;
	}
	return Math.sqrt(mean) * radius;
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
