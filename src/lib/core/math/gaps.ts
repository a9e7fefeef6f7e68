/** A step of a log that is longer than this is a gap, s. */
export const GAP_S = 1;

export interface Gaps {
	/** The longest, and all of them together, s; 0 where the log has none. */
	longestS: number;
	totalS: number;
	/** Seconds that the log holds: its length without the gaps. */
	heldS: number;
	/** Time from one sample to the next outside the gaps, s; NaN for less than two samples. */
	stepS: number;
}

/** The gaps of a log, and its rate outside them. `t` in seconds, ascending. */
export function gapsOf(t: ArrayLike<number>): Gaps {
	let [longestS, totalS, count] = [0, 0, 0];
	for (let i = 1; i < t.length; i++) {
		const stepS = t[i] - t[i - 1];
		if (stepS <= GAP_S) continue;
		longestS = Math.max(longestS, stepS);
		totalS += stepS;
		count++;
	}
	const steps = t.length - 1;
	const heldS = steps > 0 ? t[steps] - t[0] - totalS : 0;
	return { longestS, totalS, heldS, stepS: steps > count ? heldS / (steps - count) : totalS / steps };
}
