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

/** Goes on after the page was loaded again: only the wall clock bridges the gap, and one that went back bridges nothing. */
export function bridge(
	kept: Pick<Counted, 'elapsedS' | 'stepS' | 'wallMs'>,
	{ wallMs, monoMs }: Pick<Clocks, 'wallMs' | 'monoMs'>,
): Counted {
	const gapS = (wallMs - kept.wallMs) / 1000;
	return {
		elapsedS: kept.elapsedS + Math.max(0, gapS),
		stepS: kept.stepS + (gapS < -STEP_S ? gapS : 0),
		wallMs,
		monoMs,
	};
}
