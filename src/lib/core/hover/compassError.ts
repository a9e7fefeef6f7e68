import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { DEG } from '../frames/angles';
import { median } from '../frames/statistics';
import { LOOP_PARAMETERS as N, logSpectrum } from './loopModel';
import type { Rotary } from './spectrum';

/** Tapers and overlapping pieces are not quite independent readings (METHODS-HOVER 4.5). */
const WEIGHT = 0.8;
const MOST_PIECES = 4;
const GRID_DEG = 10;
const EDGE_DEG = 90;
const GIVE_UP = 12;
const STEPS = 12;
const MODEL_ERROR_DEG = 5;
const MODEL_ERROR_BITING_DEG = 10;
/** Above this rms radius speed and tilt limits bite and the effective gains fall. */
const BITING_M = 2.5;

const ln = Math.log;
/** Priors of theta: mean and standard deviation (METHODS-HOVER 4.4). */
const MEANS = [0, ln(0.95), ln(2.5), ln(0.3), ln(0.15), ln(1.7), ln(1.05), ln(0.02), ln(0.015), ln(0.008), ln(2e-4)];
const SIGMAS = [25 * DEG, 0.25, 0.35, 0.5, 0.3, 0.45, 0.45, 2, 1.2, 1.2, 1.2];

export interface CompassErrorEstimate {
	/** Reported − true heading, degrees, posterior mean. */
	errorDeg: number;
	sigmaDeg: number;
	/** Twice the log ratio of the best fit against no error. */
	evidence: number;
	/** Share of the posterior beyond 12° either way. */
	beyond: number;
}

/** Estimates the compass error behind a hover from its rotary spectrum: a Whittle fit of the loop with priors. */
export function estimateCompassError(
	spectrum: Rotary,
	rmsRadiusM: number,
	progress?: (share: number) => void,
): CompassErrorEstimate {
	const biting = rmsRadiusM > BITING_M;
	const mu = Float64Array.from(MEANS);
	const sd = Float64Array.from(SIGMAS);
	if (biting) {
		sd[0] = 40 * DEG;
		[mu[1], sd[1], mu[2], sd[2]] = [-0.2, 0.5, -0.1, 0.45];
	}
	const { hz, s } = spectrum;
	const c = WEIGHT * Math.min(spectrum.pieces, MOST_PIECES);
	const model = new Float64Array(hz.length);
	const moved = new Float64Array(hz.length);
	const logS = s.map((value) => Math.log(Math.max(value, 1e-12)));

	const objectiveOf = (theta: Float64Array, logModel: Float64Array) => {
		let sum = 0;
		for (let i = 0; i < hz.length; i++) sum += logModel[i] + Math.exp(logS[i] - logModel[i]);
		let prior = 0;
		for (let k = 0; k < N; k++) prior += ((theta[k] - mu[k]) / sd[k]) ** 2;
		return c * sum + prior / 2;
	};

	/** Fisher scoring over the parameters from `first` on. */
	const fit = (start: Float64Array, first: number, steps: number) => {
		let theta = start.slice();
		logSpectrum(theta, hz, model);
		let o = objectiveOf(theta, model);
		let lambda = 1e-3;
		const free = N - first;
		const jacobian = Array.from({ length: free }, () => new Float64Array(hz.length));
		for (let step = 0; step < steps; step++) {
			logSpectrum(theta, hz, model);
			for (let k = 0; k < free; k++) {
				const nudged = theta.slice();
				nudged[first + k] += 1e-4;
				logSpectrum(nudged, hz, moved);
				for (let i = 0; i < hz.length; i++) jacobian[k][i] = (moved[i] - model[i]) / 1e-4;
			}
			const h = Matrix.zeros(free, free);
			const g = new Float64Array(free);
			for (let a = 0; a < free; a++) {
				let slope = 0;
				for (let i = 0; i < hz.length; i++) slope += jacobian[a][i] * (Math.exp(logS[i] - model[i]) - 1);
				g[a] = c * slope - (theta[first + a] - mu[first + a]) / sd[first + a] ** 2;
				for (let b = 0; b <= a; b++) {
					let sum = 0;
					for (let i = 0; i < hz.length; i++) sum += jacobian[a][i] * jacobian[b][i];
					const value = c * sum + (a === b ? 1 / sd[first + a] ** 2 : 0);
					h.set(a, b, value);
					h.set(b, a, value);
				}
			}
			let fell = 0;
			for (let attempt = 0; attempt < 5; attempt++) {
				const damped = h.clone();
				for (let k = 0; k < free; k++) damped.set(k, k, h.get(k, k) * (1 + lambda));
				const cholesky = new CholeskyDecomposition(damped);
				if (!cholesky.isPositiveDefinite()) {
					lambda *= 6;
					continue;
				}
				const delta = cholesky.solve(Matrix.columnVector(g)).getColumn(0);
				const cut = Math.min(1, 0.7 / Math.max(...delta.map(Math.abs), 1e-12));
				const next = theta.slice();
				delta.forEach((d, k) => (next[first + k] += cut * d));
				logSpectrum(next, hz, moved);
				const value = objectiveOf(next, moved);
				if (value < o) {
					fell = o - value;
					theta = next;
					o = value;
					lambda /= 5;
					break;
				}
				lambda *= 6;
			}
			if (fell < 1e-3) break;
		}
		return { theta, o };
	};

	const start = mu.slice();
	start[0] = 0;
	logSpectrum(start, hz, model);
	const shift = median(logS.map((value, i) => value - model[i])) + 0.3;
	for (let k = 7; k < N; k++) start[k] += shift;

	const healthy = fit(start, 1, 3 * STEPS);
	const knots = new Map<number, { theta: Float64Array; o: number }>([[0, healthy]]);
	let best = healthy;
	for (const side of [1, -1]) {
		let before = healthy;
		for (let deg = GRID_DEG; deg <= EDGE_DEG; deg += GRID_DEG) {
			progress?.((side > 0 ? 0 : 0.5) + deg / EDGE_DEG / 2);
			const from = before.theta.slice();
			from[0] = side * deg * DEG;
			const here = fit(from, 1, STEPS);
			knots.set(side * deg, here);
			if (here.o < best.o) best = here;
			if (here.o > before.o && here.o > best.o + GIVE_UP) break;
			before = here;
		}
	}
	const freeFit = fit(best.theta, 0, 2 * STEPS);
	const least = Math.min(best.o, freeFit.o);

	const at = [...knots].map(([deg, { o }]) => ({ deg, o })).sort((a, b) => a.deg - b.deg);
	const curve = monotoneCubic(
		at.map(({ deg }) => deg),
		at.map(({ o }) => o),
	);
	let total = 0;
	let first = 0;
	let second = 0;
	let beyond = 0;
	for (let deg = at[0].deg; deg <= at[at.length - 1].deg; deg++) {
		const weight = Math.exp(-(curve(deg) - least));
		total += weight;
		first += weight * deg;
		second += weight * deg * deg;
		if (Math.abs(deg) > 12) beyond += weight;
	}
	const errorDeg = first / total;
	const spread = Math.max(0, second / total - errorDeg * errorDeg);
	const floor = biting ? MODEL_ERROR_BITING_DEG : MODEL_ERROR_DEG;
	return {
		errorDeg,
		sigmaDeg: Math.sqrt(spread + floor * floor),
		evidence: 2 * (healthy.o - least),
		beyond: beyond / total,
	};
}

/** Monotone piecewise cubic through knots (Fritsch and Carlson 1980). x increasing. */
function monotoneCubic(x: number[], y: number[]): (at: number) => number {
	const n = x.length;
	if (n === 1) return () => y[0];
	const slope = x.slice(1).map((_, i) => (y[i + 1] - y[i]) / (x[i + 1] - x[i]));
	const m = y.map((_, i) => {
		if (i === 0) return slope[0];
		if (i === n - 1) return slope[n - 2];
		return slope[i - 1] * slope[i] <= 0 ? 0 : (2 * slope[i - 1] * slope[i]) / (slope[i - 1] + slope[i]);
	});
	return (at) => {
		let i = 0;
		while (i < n - 2 && x[i + 1] <= at) i++;
		const h = x[i + 1] - x[i];
		const s = (at - x[i]) / h;
		return (
			(1 + 2 * s) * (1 - s) ** 2 * y[i] +
			s * (1 - s) ** 2 * h * m[i] +
			s * s * (3 - 2 * s) * y[i + 1] +
			s * s * (s - 1) * h * m[i + 1]
		);
	};
}
