import type { HoverRequest } from '../../schema/hover';
import type { Circling } from './circling';
import type { DriftCause } from './drift';
import type { HeightReview } from './height';

export const LAND = 'Go back to self-level, land, disarm, disconnect.';
export const CALIBRATE = `${LAND} Take the aircraft away from metal and calibrate the compass again.`;

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
	jumps: number;
	jitterM: number;
	nearGround: boolean;
	sticksShare: number;
}
