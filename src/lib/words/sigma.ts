/** One standard deviation in words: one decimal, or as many as it takes not to read as nothing. */
export const showSigma = (sigma: number): string =>
	sigma >= 0.095 || sigma === 0 ? sigma.toFixed(1) : sigma.toPrecision(1);
