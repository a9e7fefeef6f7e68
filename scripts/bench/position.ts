import { reviewGnss } from '../../src/lib/core/position/review';
import { seededRng } from '../../src/lib/core/math/random';
import { NO_FAULTS, receiverTruth } from '../../src/lib/rig/rig';
import { receiverOf } from '../../src/lib/rig/receiver';
import { report, timeMs } from './report';

const TARGET_BYTES = 30 * 1024 * 1024;

export function benchPosition(): void {
	const read = receiverOf(receiverTruth(NO_FAULTS, { latDeg: 54.2, lonDeg: -3.1, altM: 10 }), seededRng(1));
	const parts: string[] = [];
	let size = 0;
	for (let k = 0; size < TARGET_BYTES; k++) {
		const part = read(k / 5).join('\r\n');
		parts.push(part);
		size += part.length + 2;
	}
	const text = parts.join('\r\n');
	report('Position: reviewing a receiver log (bar: 30 MB in 5 s)', [
		{
			MB: (text.length / 1024 / 1024).toFixed(1),
			epochs: reviewGnss(text).epochs,
			s: (timeMs(() => reviewGnss(text), 1) / 1000).toFixed(2),
		},
	]);
}
