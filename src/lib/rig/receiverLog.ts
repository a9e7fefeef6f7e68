import { seededRng } from '../core/frames/random';
import { receiverOf } from './receiver';
import { NO_FAULTS, RECEIVER_RATE_HZ, receiverTruth, type RigPlace } from './rig';

const SALTINGS: RigPlace = { latDeg: 54.2231, lonDeg: -3.0642, altM: 7 };

/** What a simulated receiver sends from power-on, as lines; a weak sky has few satellites and broken lines. */
export function rigReceiverLog(seed: number, seconds: number, weakSky = false): string[] {
	const read = receiverOf(receiverTruth({ ...NO_FAULTS, weakSky }, SALTINGS), seededRng(seed));
	return Array.from({ length: seconds * RECEIVER_RATE_HZ }, (_, k) => read(k / RECEIVER_RATE_HZ)).flat();
}
