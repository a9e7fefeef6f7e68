import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { refine, TUKEY_C, type Refined } from './refine';
import {
	accumulate,
	evaluate,
	evaluateAll,
	newEvaluated,
	normalMatrix,
	PARAMETERS,
	symmetric,
	type Evaluated,
	type Parameters,
} from './shell';
import type { Columns } from './samples';

/** What noise pretends to give is an average: this many readings fix it. */
const MOST_FOR_NOISE = 700;
/** A reading on which more of the fit than this rests is set aside; with few readings, more than so many times the mean. */
const LONELY = 0.1;
const LONELY_OF_MEAN = 3;
const LONELY_ROUNDS = 4;

/**
 * How much longer than independent readings these residuals stay alike: the integrated autocorrelation time in samples,
 * at least 1 (Sokal's self-consistent window). The covariance grows by it.
 */
export function correlationTime(z: Float64Array): number {
	const n = z.length;
	let energy = 0;
	for (let i = 0; i < n; i++) energy += z[i] * z[i];
	if (!(energy > 0)) return 1;
	let tau = 1;
	const most = Math.min(Math.floor(n / 4), 400);
	for (let lag = 1; lag < most; lag++) {
		let sum = 0;
		for (let i = lag; i < n; i++) sum += z[i] * z[i - lag];
		tau += (2 * sum) / energy;
		if (lag >= 5 * tau) break;
	}
	// A run of white noise scatters about 1 by this much; only what is above it counts.
	return tau > 1 + 4 / Math.sqrt(n) ? tau : 1;
}

/** 1 where a reading lies near enough to the shell to count. */
function onShell(residuals: Float64Array, sigma: number): Uint8Array {
	const kept = new Uint8Array(residuals.length);
	for (let i = 0; i < kept.length; i++) kept[i] = Math.abs(residuals[i]) < TUKEY_C * sigma ? 1 : 0;
	return kept;
}

/** A fit without what it would rest on almost alone. */
type Supported = Omit<Refined, 'all'> & { kept: Uint8Array; naive: Naive };

/** Upper triangle of Σ jᵀj of the kept readings, and the derivatives it is made of. */
interface Naive {
	all: Evaluated;
	normal: Float64Array;
}

const naiveInformation = (all: Evaluated, kept: Uint8Array): Naive => ({
	all,
	normal: normalMatrix(all, Float64Array.from(kept)),
});

/** Σ j² of the reading where it is greatest. */
function greatestSquare({ readings, j }: Evaluated): number {
	const squares = new Float64Array(readings);
	for (let k = 0, at = 0; k < PARAMETERS; k++) for (let i = 0; i < readings; i++, at++) squares[i] += j[at] * j[at];
	return squares.reduce((most, value) => Math.max(most, value), 0);
}

/**
 * How far the fit rests on each kept reading, 0 to 1 (the diagonal of the hat matrix); null where it is not determined, or
 * where on no reading it can rest by more than `most`: jᵀN⁻¹j is at most j² times the trace of N⁻¹.
 */
function leverages({ all, normal }: Naive, kept: Uint8Array, most: number): Float64Array | null {
	const n = kept.length;
	const cholesky = new CholeskyDecomposition(symmetric(normal));
	if (!cholesky.isPositiveDefinite()) return null;
	if (greatestSquare(all) * cholesky.solve(Matrix.eye(PARAMETERS)).trace() <= most) return null;
	// h = |L⁻¹j|² with the lower factor L: forward substitution, column by column over all readings.
	const lower = cholesky.lowerTriangularMatrix.to2DArray();
	const h = new Float64Array(n);
	const u = all.j.slice();
	for (let a = 0; a < PARAMETERS; a++) {
		for (let b = 0; b < a; b++) for (let i = 0; i < n; i++) u[a * n + i] -= lower[a][b] * u[b * n + i];
		for (let i = 0; i < n; i++) {
			u[a * n + i] /= lower[a][a];
			h[i] += kept[i] * u[a * n + i] * u[a * n + i];
		}
	}
	return h;
}

/**
 * The fit without the readings that it would rest on almost alone: a spike far from all others bends the shell to itself,
 * and no residual shows it. Null where nothing finite is left.
 */
export function withoutLonely(fit: Refined, c: Columns, ofSigma: number): Supported | null {
	const n = c.x.length;
	const most = Math.max(LONELY, (LONELY_OF_MEAN * PARAMETERS) / n);
	const lonely = new Uint8Array(n);
	let { p, sigma, residuals } = fit;
	let kept = onShell(residuals, sigma);
	let naive = naiveInformation(fit.all, kept);
	for (let round = 0; round < LONELY_ROUNDS; round++) {
		const h = leverages(naive, kept, most);
		if (!h?.some((value) => value > most)) break;
		h.forEach((value, i) => {
			if (value > most) lonely[i] = 1;
		});
		const rest = (column: Float64Array) => column.filter((_, i) => !lonely[i]);
		({ p, sigma } = refine(p, { x: rest(c.x), y: rest(c.y), z: rest(c.z) }, 0, ofSigma));
		const all = newEvaluated(n);
		evaluateAll(p, c, sigma * sigma, all);
		residuals = all.r;
		kept = onShell(residuals, sigma).map((k, i) => (lonely[i] ? 0 : k));
		naive = naiveInformation(all, kept);
	}
	return p.every(Number.isFinite) ? { p, sigma, residuals, kept, naive } : null;
}

/** Information of the kept readings, with what noise along the shell pretends to give taken out. */
export function information(p: Parameters, c: Columns, kept: Uint8Array, sigma: number, naive: Naive): Matrix {
	const n = c.x.length;
	const row = newEvaluated(1);
	const side = newEvaluated(1);
	const back = newEvaluated(1);
	const pretended = new Float64Array(PARAMETERS * PARAMETERS);
	const stride = Math.max(1, Math.ceil(n / MOST_FOR_NOISE));
	const difference = new Float64Array(PARAMETERS);
	for (let i = 0; i < n; i += stride) {
		if (!kept[i]) continue;
		evaluate(p, c.x[i], c.y[i], c.z[i], 0, row);
		const [d0, d1, d2] = [-row.j[0], -row.j[1], -row.j[2]];
		// Two directions along the shell, square to the normal and to each other.
		const flat = Math.abs(d2) < 0.9 ? [-d1, d0, 0] : [0, -d2, d1];
		const size = Math.hypot(flat[0], flat[1], flat[2]);
		const t1 = flat.map((value) => value / size);
		const t2 = [d1 * t1[2] - d2 * t1[1], d2 * t1[0] - d0 * t1[2], d0 * t1[1] - d1 * t1[0]];
		for (const t of [t1, t2]) {
			const [f0, f1, f2] = [c.x[i] - row.r[0] * d0, c.y[i] - row.r[0] * d1, c.z[i] - row.r[0] * d2];
			evaluate(p, f0 + sigma * t[0], f1 + sigma * t[1], f2 + sigma * t[2], 0, side);
			evaluate(p, f0 - sigma * t[0], f1 - sigma * t[1], f2 - sigma * t[2], 0, back);
			for (let k = 0; k < PARAMETERS; k++) difference[k] = (side.j[k] - back.j[k]) / 2;
			accumulate(pretended, difference, stride);
		}
	}
	return Matrix.sub(symmetric(naive.normal), symmetric(pretended));
}

/** A covariance of (b, w) with b multiplied by one factor and w by another; exactly symmetric. */
export function rescaled(covariance: Matrix, ofOffset: number, ofW: number): Matrix {
	const factor = (k: number) => (k < 3 ? ofOffset : ofW);
	const out = Matrix.zeros(PARAMETERS, PARAMETERS);
	for (let a = 0; a < PARAMETERS; a++)
		for (let b = 0; b < PARAMETERS; b++)
			out.set(a, b, ((covariance.get(a, b) + covariance.get(b, a)) / 2) * (factor(a) * factor(b)));
	return out;
}
