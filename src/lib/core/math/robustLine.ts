import { median, robustSigma } from './statistics';

export interface RobustLine {
	slope: number;
	at(x: number): number;
	/** One sigma of the line's value at x. */
	sigmaAt(x: number): number;
}

/**
 * Line through points by the median of all slopes (Theil 1950, Sen 1968): a third of the points may be wrong.
 * Uncertainty from the robust scatter about the line. Null for fewer than two distinct x.
 */
export function robustLine(x: readonly number[], y: readonly number[]): RobustLine | null {
	const slopes: number[] = [];
	for (let i = 0; i < x.length; i++)
		for (let j = i + 1; j < x.length; j++) if (x[j] !== x[i]) slopes.push((y[j] - y[i]) / (x[j] - x[i]));
	if (slopes.length === 0) return null;
	const slope = median(slopes);
	const intercept = median(x.map((v, i) => y[i] - slope * v));
	const sigma = robustSigma(
		x.map((v, i) => y[i] - intercept - slope * v),
		0,
	);
	const middle = x.reduce((sum, v) => sum + v, 0) / x.length;
	const spread = x.reduce((sum, v) => sum + (v - middle) ** 2, 0);
	return {
		slope,
		at: (v) => intercept + slope * v,
		sigmaAt: (v) => sigma * Math.sqrt(1 / x.length + (v - middle) ** 2 / spread),
	};
}
