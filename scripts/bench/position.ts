import { reviewGnss } from '../../src/lib/core/position/review';
import { seededRng } from '../../src/lib/core/math/random';
import { NO_FAULTS, receiverTruth } from '../../src/lib/rig/rig';
import { receiverOf } from '../../src/lib/rig/receiver';
import { byTurns, report } from './report';

const TARGET_BYTES = 30 * 1024 * 1024;

/** A receiver's log of at least so many bytes. */
function logText(bytes: number): string {
	const read = receiverOf(receiverTruth(NO_FAULTS, { latDeg: 54.2, lonDeg: -3.1, altM: 10 }), seededRng(1));
	const parts: string[] = [];
	let size = 0;
	for (let k = 0; size < bytes; k++) {
		const part = read(k / 5).join('\r\n');
		parts.push(part);
		size += part.length + 2;
	}
	return parts.join('\r\n');
}

/** Lines split and their sums checked, and nothing else. */
function checkSums(text: string): number {
	let right = 0;
	for (const line of text.split(/\r\n|\n|\r/)) {
		const star = line.lastIndexOf('*');
		if (line[0] !== '$' || star < 0) continue;
		let sum = 0;
		for (let i = 1; i < star; i++) sum ^= line.charCodeAt(i);
		if (sum === Number.parseInt(line.slice(star + 1), 16)) right++;
	}
	return right;
}

export function benchPosition(): void {
	const text = logText(TARGET_BYTES);
	const [ours, plain] = byTurns(
		3,
		() => reviewGnss(text),
		() => checkSums(text),
	);
	report('Position: reviewing a receiver log (bar: 2.5 × splitting its lines and checking their sums)', [
		{
			MB: (text.length / 1024 / 1024).toFixed(1),
			epochs: reviewGnss(text).epochs,
			s: (ours / 1000).toFixed(2),
			'lines and sums, s': (plain / 1000).toFixed(2),
			times: (ours / plain).toFixed(1),
		},
	]);
}
