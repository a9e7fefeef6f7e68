import { Matrix } from 'ml-matrix';
import { fisherScoring } from '../math/fisher';
import { median } from '../math/statistics';
import { LOOP_PARAMETERS as N, logSpectrum } from './loopModel';
import type { Rotary } from './spectrum';

/** Tapers and overlapping pieces are not quite independent readings (docs/methods/hover.md#fit). */
const WEIGHT = 0.8;
const MOST_PIECES = 4;
/** A step of 0.7 is a factor of two in a gain: further than that the model is not straight. */
const LONGEST_STEP = 0.7;
const NUDGE = 1e-4;
const SETTLED = 1e-3;
/** Index of the first of the four noise powers among the parameters. */
const FIRST_POWER = 7;
/** Mean of ln S lies below ln of the mean S: so much for four tapers, and a little more for the peak. */
const LOG_BIAS = 0.3;

/** Gaussian prior of the loop's parameters, in the order of `loopModel`. */
export interface LoopPrior {
	mean: Float64Array;
	sigma: Float64Array;
}

export interface LoopFit {
	theta: Float64Array;
	/** The objective of docs/methods/hover.md#fit: minus the log posterior, up to a constant. */
	objective: number;
}

/** Whittle fit of the hold loop to a rotary spectrum by Fisher scoring (docs/methods/hover.md#fit). */
export function loopFitter({ hz, s, pieces, tapers }: Rotary, { mean, sigma }: LoopPrior) {
	const c = WEIGHT * Math.min(pieces, MOST_PIECES);
	const n = hz.length;
	const logS = s.map((value) => Math.log(Math.max(value, 1e-12)));
	const model = new Float64Array(n);
	const moved = new Float64Array(n);
	const jacobian = Array.from({ length: N }, () => new Float64Array(n));

	const objectiveOf = (theta: Float64Array, logModel: Float64Array) => {
		let sum = 0;
		for (let i = 0; i < n; i++) sum += logModel[i] + Math.exp(logS[i] - logModel[i]);
		let prior = 0;
		for (let k = 0; k < N; k++) prior += ((theta[k] - mean[k]) / sigma[k]) ** 2;
		return c * sum + prior / 2;
	};

	/** Gradient and information at theta, of the parameters from `first` on; `model` holds the spectrum there. */
	const scoreAt = (theta: Float64Array, first: number) => {
		for (let k = first; k < N; k++) {
			const nudged = theta.slice();
			nudged[k] += NUDGE;
			logSpectrum(nudged, hz, moved);
			for (let i = 0; i < n; i++) jacobian[k][i] = (moved[i] - model[i]) / NUDGE;
		}
		const gradient = new Float64Array(N - first);
		const information = Matrix.zeros(N - first, N - first);
		for (let a = first; a < N; a++) {
			let slope = 0;
			for (let i = 0; i < n; i++) slope += jacobian[a][i] * (Math.exp(logS[i] - model[i]) - 1);
			gradient[a - first] = c * slope - (theta[a] - mean[a]) / sigma[a] ** 2;
			for (let b = first; b <= a; b++) {
				let sum = 0;
				for (let i = 0; i < n; i++) sum += jacobian[a][i] * jacobian[b][i];
				const value = c * sum + (a === b ? 1 / sigma[a] ** 2 : 0);
				information.set(a - first, b - first, value);
				information.set(b - first, a - first, value);
			}
		}
		return { gradient, information };
	};

	const scored = {
		objective(theta: Float64Array) {
			logSpectrum(theta, hz, moved);
			return objectiveOf(theta, moved);
		},
		score(theta: Float64Array, first: number) {
			logSpectrum(theta, hz, model);
			return scoreAt(theta, first);
		},
	};
	/** Fits the parameters from index `first` on, the others stay. */
	const fit = (start: Float64Array, first: number, steps: number): LoopFit =>
		fisherScoring(scored, start, { first, steps, longest: LONGEST_STEP, settled: SETTLED });

	return {
		fit,
		/** The prior's means with compass error `psi`, the noise powers brought to the level of the spectrum. */
		start(psi: number): Float64Array {
			const theta = mean.slice();
			theta[0] = psi;
			logSpectrum(theta, hz, model);
			const shift = median(logS.map((value, i) => value - model[i])) + LOG_BIAS;
			for (let k = FIRST_POWER; k < N; k++) theta[k] += shift;
			return theta;
		},
		/** Scatter of the spectrum about a fit, over that of the tapers: about 1 where the model holds. */
		misfit({ theta }: LoopFit): number {
			logSpectrum(theta, hz, model);
			let sum = 0;
			for (let i = 0; i < n; i++) sum += (Math.exp(logS[i] - model[i]) - 1) ** 2;
			return (tapers * sum) / n;
		},
	};
}
