import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bridge, countOn, type Counted } from './steadyClock';

const start: Counted = { elapsedS: 0, stepS: 0, wallMs: 1_000_000, monoMs: 500 };
const tick = (from: Counted, s: number, stepS = 0, hidden = false) =>
	countOn(from, { wallMs: from.wallMs + 1000 * (s + stepS), monoMs: from.monoMs + 1000 * s, hidden });

describe('steady clock', () => {
	it('counts the seconds that pass, whatever is done to the clock of the device', () => {
		const steps = fc.array(
			fc.record({ s: fc.integer({ min: 1, max: 30 }), stepS: fc.constantFrom(0, 0, 3600, -3600, 31_536_000) }),
		);
		fc.assert(
			fc.property(steps, (all) => {
				let now = start;
				for (const { s, stepS } of all) now = tick(now, s, stepS);
				expect(now.elapsedS).toBeCloseTo(
					all.reduce((sum, { s }) => sum + s, 0),
					6,
				);
				expect(now.stepS).toBeCloseTo(
					all.reduce((sum, { stepS }) => sum + stepS, 0),
					3,
				);
			}),
		);
	});
	it('counts the time asleep of a page that was hidden', () => {
		const slept = tick(start, 1, 300, true);
		expect(slept.elapsedS).toBeCloseTo(301, 6);
		expect(slept.stepS).toBe(0);
	});
	it('a clock set back while the page was hidden takes nothing off', () => {
		const back = tick(start, 10, -3600, true);
		expect(back.elapsedS).toBeCloseTo(10, 6);
		expect(back.stepS).toBeCloseTo(-3600, 6);
	});
	it('goes on after a reload by the clock of the device, never backwards', () => {
		const kept = { elapsedS: 120, stepS: 0, wallMs: 1_000_000, pageMs: 1_000_000 };
		const at = (wallMs: number, pageMs = wallMs) => bridge(kept, { wallMs, pageMs, monoMs: 1 });
		expect(at(1_003_000).elapsedS).toBe(123);
		expect(at(1_000_000 - 3_600_000)).toMatchObject({ elapsedS: 120, stepS: -3600 });
		// Another page of the same load was in view for three minutes, and the clock was set back meanwhile.
		expect(at(1_180_000 - 3_600_000, 1_180_000)).toMatchObject({ elapsedS: 300, stepS: -3600 });
	});
});
