import { EigenvalueDecomposition, Matrix, solve } from 'ml-matrix';
import { apply, inverse } from '../frames/mat3';
import type { Vec3 } from '../frames/vec3';
import { seededRng } from '../math/random';
import { median } from '../math/statistics';
import { thinned, type Columns } from './samples';
import { symmetric, type Parameters } from './shell';

const MOST_FOR_START = 400;
/** Terms of a quadric: six of second order, three of first, one. */
const TERMS = 10;
const SPHERE_TRIALS = 80;
/** Fixed: the start must not change from run to run. */
const SPHERE_SEED = 20_250_101;

/** Scatter matrix of the terms of a quadric over the readings. */
function scatter({ x, y, z }: Columns): Matrix {
	const s = new Float64Array(TERMS * TERMS);
	const term = new Float64Array(TERMS);
	term[9] = 1;
	for (let i = 0; i < x.length; i++) {
		const [a, b, c] = [x[i], y[i], z[i]];
		term[0] = a * a;
		term[1] = b * b;
		term[2] = c * c;
		term[3] = 2 * b * c;
		term[4] = 2 * a * c;
		term[5] = 2 * a * b;
		term[6] = 2 * a;
		term[7] = 2 * b;
		term[8] = 2 * c;
		for (let row = 0; row < TERMS; row++) {
			const t = term[row];
			for (let column = row; column < TERMS; column++) s[row * TERMS + column] += t * term[column];
		}
	}
	return symmetric(s, TERMS);
}

/**
 * Ellipsoid through readings by the constrained algebraic fit of Li and Griffiths, "Least squares ellipsoid specific
 * fitting" (2004), k = 4, through at most so many of them. Null where the readings give none. Readings should be centred
 * and of order 1.
 */
export function algebraicStart(all: Columns, most = MOST_FOR_START): Parameters | null {
	const s = scatter(thinned(all, most));
	const s11 = s.subMatrix(0, 5, 0, 5);
	const s12 = s.subMatrix(0, 5, 6, 9);
	const s22 = s.subMatrix(6, 9, 6, 9);
	// Inverse of the constraint matrix for k = 4.
	const constraintInverse = Matrix.zeros(6, 6);
	for (let i = 0; i < 3; i++) {
		for (let j = 0; j < 3; j++) constraintInverse.set(i, j, i === j ? 0 : 0.5);
		constraintInverse.set(i + 3, i + 3, -0.25);
	}
	try {
		const lower = solve(s22, s12.transpose());
		const reduced = constraintInverse.mmul(s11.sub(s12.mmul(lower)));
		const eigen = new EigenvalueDecomposition(reduced);
		const best = eigen.realEigenvalues.indexOf(Math.max(...eigen.realEigenvalues));
		const quadric = eigen.eigenvectorMatrix.getColumn(best);
		const linear = lower.mmul(Matrix.columnVector(quadric)).mul(-1).getColumn(0);
		return fromQuadric(quadric, linear);
	} catch {
		return null; // singular: planar or identical readings have no algebraic ellipsoid
	}
}

function fromQuadric(q: number[], l: number[]): Parameters | null {
	const a = new Matrix([
		[q[0], q[5], q[4]],
		[q[5], q[1], q[3]],
		[q[4], q[3], q[2]],
	]);
	const centre = solve(a, Matrix.columnVector([-l[0], -l[1], -l[2]]));
	const scale = centre.transpose().mmul(a).mmul(centre).get(0, 0) - l[3];
	const shape = a.div(scale);
	const eigen = new EigenvalueDecomposition(shape, { assumeSymmetric: true });
	if (!eigen.realEigenvalues.every((value) => value > 0)) return null;
	const v = eigen.eigenvectorMatrix;
	const root = v.mmul(Matrix.diag(eigen.realEigenvalues.map(Math.sqrt))).mmul(v.transpose());
	return Float64Array.of(
		...centre.getColumn(0),
		root.get(0, 0),
		root.get(1, 1),
		root.get(2, 2),
		root.get(0, 1),
		root.get(0, 2),
		root.get(1, 2),
	);
}

/**
 * Sphere through four readings whose median distance from all others is least (least median of squares): survives
 * nearly half of the readings being wrong. Null where no four readings span a sphere.
 */
export function sphereStart(all: Columns): Parameters | null {
	const { x, y, z } = thinned(all, MOST_FOR_START);
	const n = x.length;
	const rng = seededRng(SPHERE_SEED);
	const vec = (to: number, from: number): Vec3 => [x[to] - x[from], y[to] - y[from], z[to] - z[from]];
	const half = ([a, b, c]: Vec3) => (a * a + b * b + c * c) / 2;
	const distance = new Float64Array(n);
	let best: Parameters | null = null;
	let bestScore = Infinity;
	for (let trial = 0; trial < SPHERE_TRIALS; trial++) {
		const pick = [0, 1, 2, 3].map(() => Math.floor(rng.uniform() * n));
		const rows = pick.slice(1).map((k) => vec(k, pick[0]));
		const solve3 = inverse([rows[0], rows[1], rows[2]]);
		if (!solve3) continue; // four readings in one plane
		const centre = apply(solve3, [half(rows[0]), half(rows[1]), half(rows[2])]);
		const radius = Math.hypot(...centre);
		if (!(radius < 20)) continue;
		const c = [centre[0] + x[pick[0]], centre[1] + y[pick[0]], centre[2] + z[pick[0]]];
		let nearer = 0;
		for (let i = 0; i < n; i++) {
			distance[i] = Math.abs(Math.sqrt((x[i] - c[0]) ** 2 + (y[i] - c[1]) ** 2 + (z[i] - c[2]) ** 2) - radius);
			if (distance[i] < bestScore) nearer++;
		}
		// The median is only worked out where it is less than the least so far.
		if (nearer <= (n - 1) / 2) continue;
		const score = median(distance);
		if (score < bestScore) {
			bestScore = score;
			best = Float64Array.of(c[0], c[1], c[2], 1 / radius, 1 / radius, 1 / radius, 0, 0, 0);
		}
	}
	return best;
}
