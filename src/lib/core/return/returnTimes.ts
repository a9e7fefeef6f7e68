import type { ReturnRequest } from '../../schema/return';
import { outcomeOf } from './plan';

/** The shortest and the longest time that a plan gives a return from a distance and a height, s. */
export interface ReturnTimes {
	leastS: number;
	mostS: number;
}

const BEARING_STEP_DEG = 15;

/**
 * How long a return takes from so far out and so high, by the plan for today's wind and settings, over all directions: a test flown
 * from there is judged against it. Null where the aircraft does not return from there in any direction. Metres, seconds.
 */
export function returnTimes(
	request: ReturnRequest,
	{ distanceM, heightM }: Pick<ReturnRequest['position'], 'distanceM' | 'heightM'>,
): ReturnTimes | null {
	const times = Array.from({ length: 360 / BEARING_STEP_DEG }, (_, k) => {
		const position = { ...request.position, bearingDeg: k * BEARING_STEP_DEG, distanceM, heightM };
		return outcomeOf({ ...request, position, settings: { ...request.settings, action: 'return' } }).totalTimeS;
	}).filter((s) => s !== null);
	return times.length === 0 ? null : { leastS: Math.min(...times), mostS: Math.max(...times) };
}
