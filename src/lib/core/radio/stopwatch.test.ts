import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { seededRng, type Rng } from '../math/random';
import { stopTime } from './stopwatch';

/** Losses as the method assumes them: the link's own scatter, a person's habit, each reading, the run-down. */
function timed(rng: Rng, trueS: number, n: number, way: 'tap-seen' | 'key-sound') {
	const [start, stop, delay, own] = way === 'tap-seen' ? [0.08, 0.1, 0.3, 0.06] : [0.06, 0.05, 0.06, 0.02];
	const habit = own * rng.normal() + 0.02 * rng.normal();
	const rundown = 0.15 + 0.12 * rng.normal();
	const loss = () => trueS + 0.15 * rng.normal();
	return {
		measured: Array.from(
			{ length: n },
			() => loss() + delay + rundown + habit + start * rng.normal() + stop * rng.normal(),
		),
		next: loss(),
	};
}

describe('a link loss timed by hand', () => {
	it('is corrected for who timed it', () => {
		const { meanS, sigmaS } = stopTime([1.5], 'tap', 'seen', 4);
		expect(meanS).toBeCloseTo(1.05, 9);
		expect(sigmaS).toBeCloseTo(0.24, 2);
		expect(stopTime([1.5], 'called', 'seen', 4).meanS).toBeCloseTo(1.35, 9);
		expect(stopTime([1.5], 'key', 'text', 4).meanS).toBeCloseTo(0.95, 9);
	});

	it('is too close to tell near its limit, and told well off it', () => {
		expect(stopTime([1.5], 'tap', 'seen', 4).verdict).toBe('pass');
		expect(stopTime([4.5], 'tap', 'seen', 4).verdict).toBe('caution');
		expect(stopTime([6.5], 'tap', 'seen', 4).verdict).toBe('fail');
	});

	it.each([
		['tap-seen', 'tap', 'seen', 1, 0.24],
		['tap-seen', 'tap', 'seen', 3, 0.18],
		['key-sound', 'key', 'sound', 1, 0.21],
		['key-sound', 'key', 'sound', 3, 0.15],
	] as const)('by %s with %s and %s, %i times, is as uncertain as it says (%d s)', (way, start, stop, n, said) => {
		const rng = seededRng(7 + n);
		let [sum, passed] = [0, 0];
		const RUNS = 2000;
		for (let k = 0; k < RUNS; k++) {
			const { measured } = timed(rng, 1.2, n, way);
			const found = stopTime(measured, start, stop, 2.2);
			sum += ((found.meanS - 1.2) / found.sigmaS) ** 2;
			if (found.verdict === 'pass') passed++;
			if (k === 0) expect(found.sigmaS).toBeGreaterThan(0.6 * said);
		}
		expect(Math.sqrt(sum / RUNS)).toBeGreaterThan(0.85);
		expect(Math.sqrt(sum / RUNS)).toBeLessThan(1.12);
		// A second of room.
		expect(passed / RUNS).toBeGreaterThan(0.9);
	});

	it('never calls a loss surer the longer it took', () => {
		fc.assert(
			fc.property(fc.array(evenly(0.5, 8), { minLength: 1, maxLength: 5 }), evenly(0.1, 2), (measured, later) => {
				const before = stopTime(measured, 'tap', 'heard', 4).withinLimit;
				const after = stopTime(
					measured.map((s) => s + later),
					'tap',
					'heard',
					4,
				).withinLimit;
				expect(after).toBeLessThanOrEqual(before + 1e-9);
			}),
		);
	});
});
