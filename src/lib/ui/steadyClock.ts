/** Elapsed time as counted so far, with both clocks as they stood when it was counted. */
export interface Counted {
	/** Seconds since the start, on the monotonic clock while the page lives. */
	elapsedS: number;
	/** Seconds by which the clock of the device was moved meanwhile, forward positive. */
	stepS: number;
	wallMs: number;
	monoMs: number;
}

export interface Clocks {
	wallMs: number;
	monoMs: number;
	/** The page was hidden since the last count: the device may have slept. */
	hidden: boolean;
}

/** Differences of the two clocks below this are drift and the time between two reads, s. */
const STEP_S = 2;

/**
 * Counts on to now. The monotonic clock counts; a wall clock that runs away from it was moved, unless the page was hidden: a device that
 * slept may have stopped the monotonic clock, and the time asleep counts.
 */
export function countOn(from: Counted, { wallMs, monoMs, hidden }: Clocks): Counted {
	const steadyS = (monoMs - from.monoMs) / 1000;
	const apartS = (wallMs - from.wallMs) / 1000 - steadyS;
	const slept = hidden && apartS > STEP_S;
	const moved = !slept && Math.abs(apartS) > STEP_S;
	return {
		elapsedS: from.elapsedS + steadyS + (slept ? apartS : 0),
		stepS: from.stepS + (moved ? apartS : 0),
		wallMs,
		monoMs,
	};
}

/** What is kept of a count, with the steady clock of the page next to that of the device. */
export type Kept = Pick<Counted, 'elapsedS' | 'stepS' | 'wallMs'> & { pageMs: number };

/**
 * Goes on after the count was left: its page was loaded again, or another one was in view. The larger of the two clocks bridges the gap: too
 * much time lands early, too little late. A clock that went back over a reload bridges nothing.
 */
export function bridge(kept: Kept, { wallMs, monoMs, pageMs }: Omit<Clocks, 'hidden'> & { pageMs: number }): Counted {
	const [wallS, pageS] = [(wallMs - kept.wallMs) / 1000, (pageMs - kept.pageMs) / 1000];
	return {
		elapsedS: kept.elapsedS + Math.max(0, wallS, pageS),
		stepS: kept.stepS + Math.min(0, wallS < -STEP_S ? wallS - Math.max(0, pageS) : 0),
		wallMs,
		monoMs,
	};
}
