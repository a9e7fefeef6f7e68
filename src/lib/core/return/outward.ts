import type { ReturnRequest } from '../../schema/return';

const S_PER_H = 3600;

/** What the way out takes in still air: straight up to its height, then the distance at the return speed. */
export function legWh(
	{ climbMps, climbW, returnSpeedMps, cruiseW }: ReturnRequest['aircraft'],
	{ distanceM, heightM }: { distanceM: number; heightM: number },
): { timeS: number; wh: number } {
	const [upS, alongS] = [heightM / climbMps, distanceM / returnSpeedMps];
	return { timeS: upS + alongS, wh: (upS * climbW + alongS * cruiseW) / S_PER_H };
}
