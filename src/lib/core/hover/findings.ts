import type { HoverRequest } from '../../schema/hover';
import type { Circling } from './circling';
import type { DriftCause } from './drift';
import type { HeightReview } from './height';

/** What was measured of a hover: causes and verdict are read from it. */
export interface Findings {
	request: HoverRequest;
	T: number;
	speedMps: number;
	/** Where the mean goes to, clockwise from north. */
	towardRad: number;
	diameter95M: number;
	runaway: boolean;
	circling: Circling | null;
	drift: DriftCause | null;
	height: HeightReview;
	/** Longest gap in the log, s; 0 where it has none. */
	gapS: number;
	/** Seconds of the hover that the log holds: its length without the gaps. */
	seenS: number;
	jumps: number;
	jitterM: number;
	nearGround: boolean;
	sticksShare: number;
}
