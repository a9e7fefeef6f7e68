import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { robustSigma } from '../frames/statistics';
import { algebraicStart, sphereStart, type Parameters } from './start';
import { middle, thinned, type Columns } from './samples';

const PARAMETERS = 9;
/** Tukey's biweight: 97 % efficient on clean normal noise, blind to anything beyond five sigma. */
const TUKEY_C = 5;
/** Huber's constant for the first steps, while the start may still be poor. */
const HUBER_C = 1.345;
const HUBER_STEPS = 12;
const TUKEY_STEPS = 30;
const CONVERGED = 1e-10;
/**
 * A step this small against what the readings can tell at all (noise / √n) changes nothing that matters: each step is about
 * seven times smaller than the one before.
 */
const CONVERGED_OF_SIGMA = 0.1;
/** The search only has to come near enough for the last steps. */
const SEARCHED_OF_SIGMA = 1e-2;
/** The search runs on this many readings; the last steps on all. */
const MOST_FOR_SEARCH = 500;
/** What noise pretends to give is an average: this many readings fix it. */
const MOST_FOR_NOISE = 700;
/**
 * Weak prior on W: 30 % about a multiple of the identity. It weighs nothing against a real turning, and keeps the fit
 * from sliding off to an absurd ellipsoid where the turning leaves a direction open.
 */
const PRIOR_SIGMA_W = 0.3;
/** Cost of a departure of W from round, a reading: a first fit that stays a sphere. */
const ROUND_STIFFNESS = 100;
/** A reading on which more of the fit than this rests is set aside; with few readings, more than so many times the mean. */
const LONELY = 0.1;
const LONELY_OF_MEAN = 3;
const LONELY_ROUNDS = 4;
const NOISE_FLOOR = 1e-9;
/**
 * The equations solved are not quite the gradient of the cost (noise is taken out of them): near their root the cost may
 * rise by a little. A step is also good when it brings them this much nearer to nothing.
 */
const NEARER = 0.5;
const VARIANCE_TOLERANCE = 0.1;

/** Result of the fit in the units of the readings. */
export interface MagnitudeFit {
	/** Offset b. */
	offset: [number, number, number];
	/** Upper triangle of W (00, 11, 22, 01, 02, 12): |W·(m − b)| = 1. */
	w: [number, number, number, number, number, number];
	/** Standard deviation of one reading along the field. */
	sigma: number;
	/** Residual of every reading along the field, same unit. */
	residuals: Float64Array;
	/** 1 where the reading was used, 0 where it was set aside. */
	kept: Uint8Array;
	/** Covariance of (b, w) in the units of the readings; null where the turning does not fix all nine. */
	covariance: Matrix | null;
}

/** What one reading says about the parameters, at its foot on the ellipsoid. Reused, so that no sample allocates. */
interface Row {
	r: number;
	j: Float64Array;
	foot: Float64Array;
	normal: Float64Array;
}

const newRow = (): Row => ({
	r: 0,
	j: new Float64Array(PARAMETERS),
	foot: new Float64Array(3),
	normal: new Float64Array(3),
});

/**
 * Residual (unit of m, along the ellipsoid's normal) and its derivatives at one reading.
 * The length |W(m − b)| of a noisy reading is longer on average than the field's; that excess, s²·(tr W² − ûᵀW²û)/2n,
 * is taken out, and the derivatives are taken at the foot of the reading on the shell: both remove the bias that a
 * plain least-distance fit keeps.
 */
function evaluate(p: Parameters, x: number, y: number, z: number, variance: number, row: Row): void {
	// By index: array destructuring would run an iterator for every sample.
	const w00 = p[3];
	const w11 = p[4];
	const w22 = p[5];
	const w01 = p[6];
	const w02 = p[7];
	const w12 = p[8];
	const v0 = x - p[0];
	const v1 = y - p[1];
	const v2 = z - p[2];
	const u0 = w00 * v0 + w01 * v1 + w02 * v2;
	const u1 = w01 * v0 + w11 * v1 + w12 * v2;
	const u2 = w02 * v0 + w12 * v1 + w22 * v2;
	const n = Math.sqrt(u0 * u0 + u1 * u1 + u2 * u2) || 1e-12;
	const e0 = u0 / n;
	const e1 = u1 / n;
	const e2 = u2 / n;
	const q0 = w00 * e0 + w01 * e1 + w02 * e2;
	const q1 = w01 * e0 + w11 * e1 + w12 * e2;
	const q2 = w02 * e0 + w12 * e1 + w22 * e2;
	const gg = q0 * q0 + q1 * q1 + q2 * q2;
	const g = Math.sqrt(gg);
	const trace = w00 * w00 + w11 * w11 + w22 * w22 + 2 * (w01 * w01 + w02 * w02 + w12 * w12);
	row.r = (n - 1 - (variance * (trace - gg)) / (2 * n)) / g;
	const d0 = q0 / g;
	const d1 = q1 / g;
	const d2 = q2 / g;
	const f0 = v0 - row.r * d0;
	const f1 = v1 - row.r * d1;
	const f2 = v2 - row.r * d2;
	const j = row.j;
	j[0] = -d0;
	j[1] = -d1;
	j[2] = -d2;
	j[3] = (e0 * f0) / g;
	j[4] = (e1 * f1) / g;
	j[5] = (e2 * f2) / g;
	j[6] = (e0 * f1 + e1 * f0) / g;
	j[7] = (e0 * f2 + e2 * f0) / g;
	j[8] = (e1 * f2 + e2 * f1) / g;
	row.foot[0] = f0 + p[0];
	row.foot[1] = f1 + p[1];
	row.foot[2] = f2 + p[2];
	row.normal[0] = d0;
	row.normal[1] = d1;
	row.normal[2] = d2;
}

/** What one reading at (x, y, z) would say about (b, W): its row of derivatives, in the unit of the readings. */
export function informationRow(p: Parameters, x: number, y: number, z: number): Float64Array {
	const row = newRow();
	evaluate(p, x, y, z, 0, row);
	return row.j;
}

function accumulate(target: Float64Array, j: Float64Array, weight: number): void {
	for (let a = 0; a < PARAMETERS; a++) {
		const k = weight * j[a];
		for (let b = a; b < PARAMETERS; b++) target[a * PARAMETERS + b] += k * j[b];
	}
}

function symmetric(upper: Float64Array): Matrix {
	const m = Matrix.zeros(PARAMETERS, PARAMETERS);
	for (let a = 0; a < PARAMETERS; a++)
		for (let b = a; b < PARAMETERS; b++) {
			m.set(a, b, upper[a * PARAMETERS + b]);
			m.set(b, a, upper[a * PARAMETERS + b]);
		}
	return m;
}

interface Evaluated {
	r: Float64Array;
	/** Nine columns: the derivatives by each parameter. */
	j: Float64Array[];
}

const newEvaluated = (n: number): Evaluated => ({
	r: new Float64Array(n),
	j: Array.from({ length: PARAMETERS }, () => new Float64Array(n)),
});

function evaluateAll(p: Parameters, c: Columns, variance: number, out: Evaluated): void {
	const row = newRow();
	const { r, j } = out;
	for (let i = 0; i < r.length; i++) {
		evaluate(p, c.x[i], c.y[i], c.z[i], variance, row);
		r[i] = row.r;
		for (let k = 0; k < PARAMETERS; k++) j[k][i] = row.j[k];
	}
}

function dot(a: Float64Array, b: Float64Array): number {
	let sum = 0;
	for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
	return sum;
}

/**
 * Weighted normal matrix Σ w·jᵀj (upper triangle) and, where `gradient` is given, Σ w·r·j. Column by column: a reading
 * at a time is four times slower.
 */
function normalEquations(
	{ r, j }: Evaluated,
	weights: Float64Array,
	normal: Float64Array,
	gradient?: Float64Array,
): void {
	const weighted = new Float64Array(r.length);
	for (let a = 0; a < PARAMETERS; a++) {
		const column = j[a];
		for (let i = 0; i < weighted.length; i++) weighted[i] = weights[i] * column[i];
		for (let b = a; b < PARAMETERS; b++) normal[a * PARAMETERS + b] = dot(weighted, j[b]);
		if (gradient) gradient[a] = dot(weighted, r);
	}
}

const scaleOf = (residuals: Float64Array) =>
	Math.max(NOISE_FLOOR, robustSigma(residuals, 0) * Math.sqrt(residuals.length / (residuals.length - PARAMETERS + 2)));

const tukeyWeight = (z: number) => (Math.abs(z) < TUKEY_C ? (1 - (z / TUKEY_C) ** 2) ** 2 : 0);
/** Derivative of z·weight(z). */
const tukeySlope = (z: number) => {
	const q = (z / TUKEY_C) ** 2;
	return q < 1 ? (1 - q) * (1 - 5 * q) : 0;
};
const huberWeight = (z: number) => (Math.abs(z) <= HUBER_C ? 1 : HUBER_C / Math.abs(z));

/** Solves (A + λ·diag A)·step = −g; null where even that is singular. */
function dampedStep(normal: Float64Array, gradient: Float64Array, lambda: number): number[] | null {
	const a = symmetric(normal);
	for (let k = 0; k < PARAMETERS; k++) a.set(k, k, a.get(k, k) * (1 + lambda) + 1e-12);
	const cholesky = new CholeskyDecomposition(a);
	if (!cholesky.isPositiveDefinite()) return null;
	return cholesky.solve(Matrix.columnVector([...gradient].map((g) => -g))).getColumn(0);
}

/** The prior's cost at p; adds its curvature and slope where they are given. */
function addPrior(p: Parameters, stiffness: number, normal?: Float64Array, gradient?: Float64Array): number {
	const k = stiffness;
	const mean = (p[3] + p[4] + p[5]) / 3;
	let cost = 0;
	for (let a = 3; a < PARAMETERS; a++) {
		const departure = a < 6 ? p[a] - mean : p[a];
		cost += k * departure * departure;
		if (gradient) gradient[a] += k * departure;
		if (!normal) continue;
		normal[a * PARAMETERS + a] += k;
		if (a < 6) for (let b = a; b < 6; b++) normal[a * PARAMETERS + b] -= k / 3;
	}
	return cost;
}

/** Σ w·r·j and the prior's slope. */
function gradientOf({ r, j }: Evaluated, weights: Float64Array, p: Parameters, stiffness: number): Float64Array {
	const gradient = new Float64Array(PARAMETERS);
	for (let a = 0; a < PARAMETERS; a++) for (let i = 0; i < r.length; i++) gradient[a] += weights[i] * r[i] * j[a][i];
	addPrior(p, stiffness, undefined, gradient);
	return gradient;
}

/** How far a gradient still is from nothing, in the measure of the normal matrix. */
function meritOf(normal: Float64Array, gradient: Float64Array): number {
	const step = dampedStep(normal, gradient, 0);
	return step ? -step.reduce((sum, s, k) => sum + s * gradient[k], 0) : Infinity;
}

interface Refined {
	p: Parameters;
	sigma: number;
	residuals: Float64Array;
}

/**
 * Iterated reweighting with Levenberg–Marquardt damping: Huber for the first `huberSteps`, then Tukey, with the scale
 * of the residuals' MAD.
 */
function refine(start: Parameters, c: Columns, huberSteps: number, ofSigma: number, round = false): Refined {
	const n = c.x.length;
	let p = start.slice();
	// Residuals and derivatives of the accepted place and of the one on trial: evaluated once each.
	let here = newEvaluated(n);
	let trial = newEvaluated(n);
	evaluateAll(p, c, 0, here);
	let sigma = scaleOf(here.r);
	// What the readings are corrected for; kept while it is near enough, so that costs can be compared.
	let variance = sigma * sigma;
	evaluateAll(p, c, variance, here);
	let lambda = 1e-3;
	const normal = new Float64Array(PARAMETERS * PARAMETERS);
	const gradient = new Float64Array(PARAMETERS);
	const weights = new Float64Array(n);
	for (let step = 0; step < huberSteps + TUKEY_STEPS; step++) {
		const weightOf = step < huberSteps ? huberWeight : tukeyWeight;
		const stiffness = round ? ROUND_STIFFNESS * n : variance / PRIOR_SIGMA_W ** 2;
		let cost = 0;
		let weightSum = 0;
		let slopeSum = 0;
		for (let i = 0; i < n; i++) {
			const r = here.r[i];
			weights[i] = weightOf(r / sigma);
			cost += weights[i] * r * r;
			weightSum += weights[i];
			slopeSum += tukeySlope(r / sigma);
		}
		// Reweighting takes weights for slopes and falls short by their ratio; a longer step makes up for it.
		const reach = step < huberSteps ? 1 : Math.min(1.5, weightSum / Math.max(slopeSum, 1e-9));
		normalEquations(here, weights, normal, gradient);
		cost += addPrior(p, stiffness, normal, gradient);
		let moved = 0;
		for (let attempt = 0; attempt < 6; attempt++) {
			const delta = dampedStep(normal, gradient, lambda);
			if (!delta) {
				lambda = Math.max(lambda * 10, 1e-6);
				continue;
			}
			const next = p.map((value, k) => value + reach * delta[k]);
			evaluateAll(next, c, variance, trial);
			let nextCost = addPrior(next, stiffness);
			// The weights stay those of this step: the surrogate that iterated reweighting lowers.
			for (let i = 0; i < n; i++) nextCost += weights[i] * trial.r[i] * trial.r[i];
			const nearer = () =>
				meritOf(normal, gradientOf(trial, weights, next, stiffness)) < NEARER * meritOf(normal, gradient);
			if (step === 0 || nextCost <= cost * (1 + 1e-7) || !Number.isFinite(cost) || (step >= huberSteps && nearer())) {
				moved = Math.max(...delta.map(Math.abs));
				p = next;
				[here, trial] = [trial, here];
				lambda = Math.max(lambda / 8, 1e-9);
				break;
			}
			lambda = Math.max(lambda * 8, 1e-6);
		}
		sigma = scaleOf(here.r);
		const stuck = moved === 0;
		const done = stuck ? lambda > 1e3 : moved < CONVERGED + sigma * ofSigma;
		if (done && step >= huberSteps) break;
		if (done && step < huberSteps) step = huberSteps - 1;
		if (Math.abs(sigma * sigma - variance) > VARIANCE_TOLERANCE * variance) {
			variance = sigma * sigma;
			evaluateAll(p, c, variance, here);
		}
	}
	return { p, sigma, residuals: here.r };
}

/** The fit that Tukey's measure likes best, all by one scale: the least of theirs. */
function likeliest(fits: Refined[]): Refined | null {
	const finite = fits.filter(({ p, sigma }) => p.every(Number.isFinite) && Number.isFinite(sigma));
	const scale = Math.min(...finite.map(({ sigma }) => sigma));
	const lossOf = ({ p, residuals }: Refined) => {
		let loss = addPrior(p, 1 / PRIOR_SIGMA_W ** 2);
		for (const r of residuals) loss += (TUKEY_C ** 2 / 3) * (1 - Math.max(0, 1 - (r / scale / TUKEY_C) ** 2) ** 3);
		return loss;
	};
	let best: Refined | null = null;
	let least = Infinity;
	for (const fit of finite) {
		const loss = lossOf(fit);
		if (loss < least) [best, least] = [fit, loss];
	}
	return best;
}

/**
 * How much longer than independent readings these residuals stay alike: the integrated autocorrelation time in samples,
 * at least 1 (Sokal's self-consistent window). The covariance grows by it.
 */
function correlationTime(z: Float64Array): number {
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

const onShell = (residuals: Float64Array, sigma: number) =>
	Uint8Array.from(residuals, (r) => (Math.abs(r) < TUKEY_C * sigma ? 1 : 0));

/** Upper triangle of Σ jᵀj of the kept readings, and the derivatives it is made of. */
interface Naive {
	all: Evaluated;
	normal: Float64Array;
}

function naiveInformation(p: Parameters, c: Columns, kept: Uint8Array): Naive {
	const all = newEvaluated(c.x.length);
	evaluateAll(p, c, 0, all);
	const normal = new Float64Array(PARAMETERS * PARAMETERS);
	normalEquations(all, Float64Array.from(kept), normal);
	return { all, normal };
}

/** How far the fit rests on each kept reading, 0 to 1 (the diagonal of the hat matrix); null where it is not determined. */
function leverages({ all, normal }: Naive, kept: Uint8Array): Float64Array | null {
	const n = kept.length;
	const cholesky = new CholeskyDecomposition(symmetric(normal));
	if (!cholesky.isPositiveDefinite()) return null;
	// h = |L⁻¹j|² with the lower factor L: forward substitution, reading by reading.
	const lower = cholesky.lowerTriangularMatrix.to2DArray();
	const h = new Float64Array(n);
	const u = new Float64Array(PARAMETERS);
	for (let i = 0; i < n; i++) {
		if (!kept[i]) continue;
		for (let a = 0; a < PARAMETERS; a++) {
			let value = all.j[a][i];
			for (let b = 0; b < a; b++) value -= lower[a][b] * u[b];
			u[a] = value / lower[a][a];
			h[i] += u[a] * u[a];
		}
	}
	return h;
}

/**
 * The fit without the readings that it would rest on almost alone: a spike far from all others bends the shell to itself,
 * and no residual shows it. Null where nothing finite is left.
 */
function withoutLonely(
	fit: Refined,
	c: Columns,
	ofSigma: number,
): (Refined & { kept: Uint8Array; naive: Naive }) | null {
	const n = c.x.length;
	const most = Math.max(LONELY, (LONELY_OF_MEAN * PARAMETERS) / n);
	const lonely = new Uint8Array(n);
	let { p, sigma, residuals } = fit;
	let kept = onShell(residuals, sigma);
	let naive = naiveInformation(p, c, kept);
	for (let round = 0; round < LONELY_ROUNDS; round++) {
		const h = leverages(naive, kept);
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
		naive = naiveInformation(p, c, kept);
	}
	return p.every(Number.isFinite) ? { p, sigma, residuals, kept, naive } : null;
}

/** Information of the kept readings, with what noise along the shell pretends to give taken out. */
function information(p: Parameters, c: Columns, kept: Uint8Array, sigma: number, naive: Naive): Matrix {
	const n = c.x.length;
	const row = newRow();
	const side = newRow();
	const back = newRow();
	const pretended = new Float64Array(PARAMETERS * PARAMETERS);
	const stride = Math.max(1, Math.ceil(n / MOST_FOR_NOISE));
	const difference = new Float64Array(PARAMETERS);
	for (let i = 0; i < n; i += stride) {
		if (!kept[i]) continue;
		evaluate(p, c.x[i], c.y[i], c.z[i], 0, row);
		const [d0, d1, d2] = row.normal;
		// Two directions along the shell, square to the normal and to each other.
		const flat = Math.abs(d2) < 0.9 ? [-d1, d0, 0] : [0, -d2, d1];
		const size = Math.hypot(flat[0], flat[1], flat[2]);
		const t1 = flat.map((value) => value / size);
		const t2 = [d1 * t1[2] - d2 * t1[1], d2 * t1[0] - d0 * t1[2], d0 * t1[1] - d1 * t1[0]];
		for (const t of [t1, t2]) {
			const [f0, f1, f2] = row.foot;
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

/**
 * Fits |W·(m − b)| = 1 to magnetometer readings, robustly, by maximum likelihood for equal noise on the three axes.
 * Readings as columns in any one unit; at least 12 and not all alike. Null where no start leads anywhere.
 * Method: Li–Griffiths and least-median-sphere starts, then reweighted Levenberg–Marquardt (Huber 1964, Beaton and
 * Tukey 1974); covariance of an M-estimator (Huber, Robust Statistics, ch. 7) times the residuals' correlation time.
 */
export function fitMagnitude(readings: Columns): MagnitudeFit | null {
	const n = readings.x.length;
	const { centre, radius } = middle(readings);
	if (!(radius > 0)) return null;
	const c: Columns = {
		x: readings.x.map((value) => (value - centre[0]) / radius),
		y: readings.y.map((value) => (value - centre[1]) / radius),
		z: readings.z.map((value) => (value - centre[2]) / radius),
	};
	const few = thinned(c, MOST_FOR_SEARCH);
	const ofNoise = CONVERGED_OF_SIGMA / Math.sqrt(n);
	const near = few === c ? ofNoise : SEARCHED_OF_SIGMA;
	const starts = [sphereStart(c), algebraicStart(c)].filter((start) => start !== null);
	if (starts.length === 0) return null;
	// Where little was turned a stretched shell may lie in a hollow of its own: one that was a sphere at first may not.
	const round = refine(starts[0], few, HUBER_STEPS, SEARCHED_OF_SIGMA, true);
	const found = [...starts.map((start) => refine(start, few, HUBER_STEPS, near)), refine(round.p, few, 0, near)];
	let best = likeliest(found);
	if (!best) return null;
	if (few !== c) best = refine(best.p, c, 0, ofNoise);
	const supported = withoutLonely(best, c, ofNoise);
	if (!supported) return null;
	const { p, residuals, sigma, kept, naive } = supported;
	const used = kept.reduce((sum, k) => sum + k, 0);
	let psi2 = 0;
	let slope = 0;
	let squares = 0;
	const inOrder = new Float64Array(used);
	let at = 0;
	for (let i = 0; i < n; i++) {
		if (!kept[i]) continue;
		const z = residuals[i] / sigma;
		const inside = 1 - (z / TUKEY_C) ** 2;
		psi2 += (z * inside * inside) ** 2;
		slope += tukeySlope(z);
		squares += residuals[i] ** 2;
		inOrder[at++] = z * inside * inside;
	}
	const degrees = Math.max(1, used - PARAMETERS);
	const meanSlope = Math.max(0.1, slope / Math.max(1, used));
	const estimatorVariance = (sigma * sigma * (psi2 / degrees)) / (meanSlope * meanSlope);
	const honest = information(p, c, kept, sigma, naive);
	const definite = new CholeskyDecomposition(honest);
	const unit = definite.isPositiveDefinite()
		? definite.solve(Matrix.eye(PARAMETERS)).mul(estimatorVariance * correlationTime(inOrder))
		: null;
	// Back to the units of the readings: b scales with the radius, W with its inverse.
	const covariance = unit && rescaled(unit, radius, 1 / radius);
	return {
		offset: [p[0] * radius + centre[0], p[1] * radius + centre[1], p[2] * radius + centre[2]],
		w: [p[3] / radius, p[4] / radius, p[5] / radius, p[6] / radius, p[7] / radius, p[8] / radius],
		sigma: Math.sqrt(squares / degrees) * radius,
		residuals: residuals.map((r) => r * radius),
		kept,
		covariance,
	};
}
