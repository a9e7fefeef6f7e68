import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { robustSigma } from '../math/statistics';
import {
	evaluateAll,
	newEvaluated,
	normalMatrix,
	PARAMETERS,
	slopes,
	symmetric,
	type Evaluated,
	type Parameters,
} from './shell';
import type { Columns } from './samples';

/** Tukey's biweight: 97 % efficient on clean normal noise, blind to anything beyond five sigma. */
export const TUKEY_C = 5;
/** Huber's constant for the first steps, while the start may still be poor. */
const HUBER_C = 1.345;
const TUKEY_STEPS = 30;
const CONVERGED = 1e-10;
/**
 * Weak prior on W: 30 % about a multiple of the identity. It weighs nothing against a real turning, and keeps the fit
 * from sliding off to an absurd ellipsoid where the turning leaves a direction open.
 */
const PRIOR_SIGMA_W = 0.3;
/** Cost of a departure of W from round, a reading: a first fit that stays a sphere. */
const ROUND_STIFFNESS = 100;
const NOISE_FLOOR = 1e-9;
/**
 * The equations solved are not quite the gradient of the cost (noise is taken out of them): near their root the cost may
 * rise by a little. A step is also good when it brings them this much nearer to nothing.
 */
const NEARER = 0.5;
const VARIANCE_TOLERANCE = 0.1;

const scaleOf = (residuals: Float64Array) =>
	Math.max(NOISE_FLOOR, robustSigma(residuals, 0) * Math.sqrt(residuals.length / (residuals.length - PARAMETERS + 2)));

/** One less the square of z in units of where the measure ends; nothing beyond it. */
export const tukeyInside = (z: number) => Math.max(0, 1 - z * z * (1 / TUKEY_C ** 2));
const tukeyWeight = (z: number) => tukeyInside(z) ** 2;
/** Derivative of z·weight(z). */
export const tukeySlope = (z: number) => {
	const inside = tukeyInside(z);
	return inside * (5 * inside - 4);
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
	const mean = (p[3] + p[4] + p[5]) / 3;
	let cost = 0;
	for (let a = 3; a < PARAMETERS; a++) {
		const departure = a < 6 ? p[a] - mean : p[a];
		cost += stiffness * departure * departure;
		if (gradient) gradient[a] += stiffness * departure;
		if (!normal) continue;
		normal[a * PARAMETERS + a] += stiffness;
		if (a < 6) for (let b = a; b < 6; b++) normal[a * PARAMETERS + b] -= stiffness / 3;
	}
	return cost;
}

/** Σ w·r·j and the prior's slope. */
function gradientOf(all: Evaluated, weights: Float64Array, p: Parameters, stiffness: number): Float64Array {
	const gradient = slopes(all, weights);
	addPrior(p, stiffness, undefined, gradient);
	return gradient;
}

/** How far a gradient still is from nothing, in the measure of the normal matrix. */
function meritOf(normal: Float64Array, gradient: Float64Array): number {
	const step = dampedStep(normal, gradient, 0);
	return step ? -step.reduce((sum, s, k) => sum + s * gradient[k], 0) : Infinity;
}

export interface Refined {
	p: Parameters;
	sigma: number;
	residuals: Float64Array;
	/** What the readings say at p: these residuals and their derivatives. */
	all: Evaluated;
}

/**
 * Iterated reweighting with Levenberg–Marquardt damping: Huber for the first `huberSteps`, then Tukey, with the scale
 * of the residuals' MAD. `round` keeps the shell a sphere; `noise` is that of a reading where it is nearly known.
 */
export function refine(
	start: Parameters,
	c: Columns,
	huberSteps: number,
	ofSigma: number,
	{ round = false, noise = 0 } = {},
): Refined {
	const n = c.x.length;
	let p = start.slice();
	// Residuals and derivatives of the accepted place and of the one on trial: evaluated once each.
	let here = newEvaluated(n);
	let trial = newEvaluated(n);
	// What the readings are corrected for; kept while it is near enough, so that costs can be compared.
	let variance = noise * noise;
	evaluateAll(p, c, variance, here);
	let sigma = scaleOf(here.r);
	if (noise === 0) {
		variance = sigma * sigma;
		evaluateAll(p, c, variance, here);
	}
	let lambda = 1e-3;
	const weights = new Float64Array(n);
	let movedBefore = 0;
	for (let step = 0; step < huberSteps + TUKEY_STEPS; step++) {
		const stiffness = round ? ROUND_STIFFNESS * n : variance / PRIOR_SIGMA_W ** 2;
		let cost = 0;
		let weightSum = 0;
		let slopeSum = 0;
		const perSigma = 1 / sigma;
		for (let i = 0; i < n; i++) {
			const r = here.r[i];
			const z = r * perSigma;
			const weight = step < huberSteps ? huberWeight(z) : tukeyWeight(z);
			weights[i] = weight;
			cost += weight * r * r;
			weightSum += weight;
			slopeSum += tukeySlope(z);
		}
		// Reweighting takes weights for slopes and falls short by their ratio; a longer step makes up for it.
		const reach = step < huberSteps ? 1 : Math.min(1.5, weightSum / Math.max(slopeSum, 1e-9));
		const normal = normalMatrix(here, weights);
		const gradient = slopes(here, weights);
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
		// What is left to go: each step is shorter than the one before by about the same factor.
		const left = movedBefore > 0 ? moved * Math.min(1, moved / movedBefore) : moved;
		if (step >= huberSteps) movedBefore = moved;
		const done = stuck ? lambda > 1e3 : left < CONVERGED + sigma * ofSigma;
		if (done && step >= huberSteps) break;
		if (done && step < huberSteps) step = huberSteps - 1;
		if (Math.abs(sigma * sigma - variance) > VARIANCE_TOLERANCE * variance) {
			variance = sigma * sigma;
			evaluateAll(p, c, variance, here);
		}
	}
	return { p, sigma, residuals: here.r, all: here };
}

/** The fit that Tukey's measure likes best, all by one scale: the least of theirs. */
export function likeliest(fits: Refined[]): Refined | null {
	const finite = fits.filter(({ p, sigma }) => p.every(Number.isFinite) && Number.isFinite(sigma));
	const scale = Math.min(...finite.map(({ sigma }) => sigma));
	const lossOf = ({ p, residuals }: Refined) => {
		let loss = addPrior(p, 1 / PRIOR_SIGMA_W ** 2);
		for (const r of residuals) loss += (TUKEY_C ** 2 / 3) * (1 - tukeyInside(r / scale) ** 3);
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
