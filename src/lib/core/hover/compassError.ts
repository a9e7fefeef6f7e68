import { DEG } from '../frames/angles';
import { loopFitter, type LoopFit, type LoopPrior } from './loopFit';
import type { Rotary } from './spectrum';

const GRID_DEG = 10;
const EDGE_DEG = 90;
const MIDDLE = EDGE_DEG / GRID_DEG;
const GRID = Array.from({ length: 2 * MIDDLE + 1 }, (_, i) => i * GRID_DEG - EDGE_DEG);
/** Both sides are walked alike, so that a mirrored track gives the mirrored error. */
const SIDES = [1, -1];
const STEPS = 12;
const MODEL_ERROR_DEG = 5;
const MODEL_ERROR_BITING_DEG = 10;
/** Above this rms radius speed and tilt limits bite and the effective gains fall. */
const BITING_M = 2.5;
/** Smaller errors are left to the compass's own check. */
const BEYOND_DEG = 12;

const ln = Math.log;
/** Priors of theta: mean and standard deviation (docs/methods/hover.md#priors). */
const MEANS = [0, ln(0.95), ln(2.5), ln(0.3), ln(0.15), ln(1.7), ln(1.05), ln(0.02), ln(0.015), ln(0.008), ln(2e-4)];
const SIGMAS = [25 * DEG, 0.25, 0.35, 0.5, 0.3, 0.45, 0.45, 2, 1.2, 1.2, 1.2];

export function loopPrior(biting: boolean): LoopPrior {
	const prior = { mean: Float64Array.from(MEANS), sigma: Float64Array.from(SIGMAS) };
	if (!biting) return prior;
	prior.sigma.set([40 * DEG, 0.5, 0.45]);
	prior.mean.set([-0.2, -0.1], 1);
	return prior;
}

export interface CompassErrorEstimate {
	/** Reported − true heading, degrees, posterior mean. */
	errorDeg: number;
	sigmaDeg: number;
	/** Twice the log ratio of the best fit against no error. */
	evidence: number;
	/** Share of the posterior beyond 12° either way, and on the side of clockwise errors. */
	beyond: number;
	clockwise: number;
	/** Mean and deviation of its size, whichever way. */
	sizeDeg: number;
	sizeSigmaDeg: number;
}

/**
 * Estimates the compass error behind a hover from its rotary spectrum: a Whittle fit of the loop with priors, profiled
 * over a grid of errors (docs/methods/hover.md#posterior). A steady circle is a line in the spectrum, and a fit that walks outward
 * from no error stays in the first of many hollows: every grid point starts from the priors, then each takes over its
 * neighbours' solution, once inward and once outward. Where the model fits worse than the tapers scatter, the posterior is
 * widened by as much.
 */
export function estimateCompassError(
	spectrum: Rotary,
	rmsRadiusM: number,
	progress?: (share: number) => void,
): CompassErrorEstimate {
	const biting = rmsRadiusM > BITING_M;
	return posteriorOf(loopFitter(spectrum, loopPrior(biting)), biting, progress);
}

/** A fit of the loop with the error held (`first` 1) or free (`first` 0), as the posterior is walked. */
export interface LoopFitter {
	fit(start: Float64Array, first: number, steps: number): LoopFit;
	/** The prior's means at an error, radians. */
	start(psi: number): Float64Array;
	misfit(fit: LoopFit): number;
}

/** Whether speed and tilt limits bite in a hover of this rms radius. */
export const isBiting = (rmsRadiusM: number): boolean => rmsRadiusM > BITING_M;

/** The posterior of the compass error, over a grid of it, each from the priors and from its neighbours. */
export function posteriorOf(
	loop: LoopFitter,
	biting: boolean,
	progress?: (share: number) => void,
): CompassErrorEstimate {
	const total = 3 * GRID.length - 2;
	let done = 0;
	const counted = (fit: LoopFit) => {
		progress?.(++done / total);
		return fit;
	};
	const fits = GRID.map((deg) => counted(loop.fit(loop.start(deg * DEG), 1, 2 * STEPS)));
	const takeOver = (i: number, from: number) => {
		const theta = fits[from].theta.slice();
		theta[0] = GRID[i] * DEG;
		const other = counted(loop.fit(theta, 1, STEPS));
		if (other.objective < fits[i].objective) fits[i] = other;
	};
	for (let k = MIDDLE - 1; k >= 0; k--) for (const side of SIDES) takeOver(MIDDLE + side * k, MIDDLE + side * (k + 1));
	for (let k = 1; k <= MIDDLE; k++) for (const side of SIDES) takeOver(MIDDLE + side * k, MIDDLE + side * (k - 1));

	const healthy = fits[MIDDLE];
	const onGrid = fits.reduce((a, b) => (b.objective < a.objective ? b : a));
	const free = loop.fit(onGrid.theta, 0, 2 * STEPS);
	const best = free.objective < onGrid.objective ? free : onGrid;
	const widening = Math.max(1, loop.misfit(best));

	const curve = monotoneCubic(
		GRID,
		fits.map(({ objective }) => objective),
	);
	let weights = 0;
	let first = 0;
	let second = 0;
	let beyond = 0;
	let [clockwise, size, size2] = [0, 0, 0];
	for (let deg = -EDGE_DEG; deg <= EDGE_DEG; deg++) {
		const weight = Math.exp(-(curve(deg) - best.objective) / widening);
		weights += weight;
		first += weight * deg;
		second += weight * deg * deg;
		if (Math.abs(deg) > BEYOND_DEG) beyond += weight;
		if (deg > 0) clockwise += weight;
		else if (deg === 0) clockwise += weight / 2;
		size += weight * Math.abs(deg);
		size2 += weight * deg * deg;
	}
	const errorDeg = first / weights;
	const spread = Math.max(0, second / weights - errorDeg * errorDeg);
	return {
		errorDeg,
		sigmaDeg: Math.sqrt(spread + (biting ? MODEL_ERROR_BITING_DEG : MODEL_ERROR_DEG) ** 2),
		evidence: 2 * (healthy.objective - best.objective),
		beyond: beyond / weights,
		clockwise: clockwise / weights,
		sizeDeg: size / weights,
		sizeSigmaDeg: Math.sqrt(Math.max(0, size2 / weights - (size / weights) ** 2)),
	};
}

/** Monotone piecewise cubic through knots (Fritsch and Carlson 1980). x increasing. */
function monotoneCubic(x: number[], y: number[]): (at: number) => number {
	const n = x.length;
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
