import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { likeliest, refine, tukeyInside, tukeySlope } from './refine';
import { centred, middle, thinned, type Columns } from './samples';
import { PARAMETERS } from './shell';
import { algebraicStart, sphereStart } from './start';
import { correlationTime, information, rescaled, withoutLonely } from './support';

const HUBER_STEPS = 12;
/**
 * A step this small against what the readings can tell at all (noise / √n) changes nothing that matters: each step is about
 * seven times smaller than the one before.
 */
const CONVERGED_OF_SIGMA = 0.1;
/** The search only has to come near enough for the last steps. */
const SEARCHED_OF_SIGMA = 1e-2;
/** The search runs on this many readings; the last steps on all. */
const MOST_FOR_SEARCH = 500;

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
	const c = centred(readings, centre, radius);
	const few = thinned(c, MOST_FOR_SEARCH);
	const ofNoise = CONVERGED_OF_SIGMA / Math.sqrt(n);
	const near = few === c ? ofNoise : SEARCHED_OF_SIGMA;
	const starts = [sphereStart(c), algebraicStart(c)].filter((start) => start !== null);
	if (starts.length === 0) return null;
	// Where little was turned a stretched shell may lie in a hollow of its own: one that was a sphere at first may not.
	const round = refine(starts[0], few, HUBER_STEPS, SEARCHED_OF_SIGMA, { round: true });
	const found = [...starts.map((start) => refine(start, few, HUBER_STEPS, near)), refine(round.p, few, 0, near)];
	let best = likeliest(found);
	if (!best) return null;
	if (few !== c) best = refine(best.p, c, 0, ofNoise, { noise: best.sigma });
	const supported = withoutLonely(best, c, ofNoise);
	if (!supported) return null;
	const { p, residuals, sigma, kept, naive } = supported;
	let psi2 = 0;
	let slope = 0;
	let squares = 0;
	const inOrder = new Float64Array(n);
	let used = 0;
	for (let i = 0; i < n; i++) {
		if (!kept[i]) continue;
		const z = residuals[i] / sigma;
		const psi = z * tukeyInside(z) ** 2;
		psi2 += psi * psi;
		slope += tukeySlope(z);
		squares += residuals[i] * residuals[i];
		inOrder[used++] = psi;
	}
	const degrees = Math.max(1, used - PARAMETERS);
	const meanSlope = Math.max(0.1, slope / Math.max(1, used));
	const estimatorVariance = (sigma * sigma * (psi2 / degrees)) / (meanSlope * meanSlope);
	const honest = information(p, c, kept, sigma, naive);
	const definite = new CholeskyDecomposition(honest);
	const unit = definite.isPositiveDefinite()
		? definite.solve(Matrix.eye(PARAMETERS)).mul(estimatorVariance * correlationTime(inOrder.subarray(0, used)))
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
