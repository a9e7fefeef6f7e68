import { seededRng } from '../core/math/random';
import { receiverOf } from './receiver';
import { NO_FAULTS, PRACTICE_PLACE, RECEIVER_RATE_HZ, receiverTruth } from './rig';

/** What a simulated receiver sends from power-on, as lines; a weak sky has few satellites and broken lines. */
export function rigReceiverLog(seed: number, seconds: number, weakSky = false): string[] {
	const read = receiverOf(receiverTruth({ ...NO_FAULTS, weakSky }, PRACTICE_PLACE), seededRng(seed));
	return Array.from({ length: seconds * RECEIVER_RATE_HZ }, (_, k) => read(k / RECEIVER_RATE_HZ)).flat();
}
