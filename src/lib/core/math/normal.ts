import jStat from 'jstat';

/** Share of a standard normal distribution that lies below a value. */
export const normalBelow = (z: number): number => jStat.normal.cdf(z, 0, 1);

/** Nine in ten values of a standard normal distribution are below it. */
export const Z_90 = 1.28;

/** Density of a normal distribution at a value. */
export const normalDensity = (x: number, mean: number, sigma: number): number =>
	Math.exp(-0.5 * ((x - mean) / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));
