import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '$lib/rig/evenly';
import { drawable, heightScale, nearest, readAxis, readText, scaleOver, ticksOf, tickText, zoomed } from './lineView';

describe('ticks', () => {
	it('of an axis of powers stand at 1, 2, 5, then at powers, never too many', () => {
		expect(ticksOf(scaleOver([1, 40], [0, 100], true), 8, true)).toEqual([1, 2, 5, 10, 20]);
		expect(ticksOf(scaleOver([0.01, 1e4], [0, 100], true), 7, true)).toEqual([0.01, 0.1, 1, 10, 100, 1000, 10000]);
		fc.assert(
			fc.property(fc.integer({ min: -8, max: 5 }), fc.integer({ min: 1, max: 12 }), (from, decades) => {
				const scale = scaleOver([10 ** from, 10 ** (from + decades)], [0, 100], true);
				const ticks = ticksOf(scale, 6, true);
				expect(ticks.length).toBeGreaterThan(0);
				expect(ticks.length).toBeLessThanOrEqual(6);
			}),
		);
	});
	it('are written short, with a real minus', () => {
		expect([0, -2.5, 100000, 0.0001].map(tickText)).toEqual(['0', '−2.5', '1e+5', '1e−4']);
		expect([readText(-1.23456), readText(null), readText(NaN)]).toEqual(['−1.235', '–', '–']);
	});
});

describe('scales', () => {
	it('hold every value inside and begin at zero where values come near it', () => {
		expect(heightScale([0.4, 20], [100, 0], false).domain()[0]).toBe(0);
		expect(heightScale([90, 100], [100, 0], false).domain()[0]).toBeGreaterThan(80);
		fc.assert(
			fc.property(fc.array(evenly(-1e6, 1e6), { minLength: 1 }), (values) => {
				const scale = heightScale(values, [100, 0], false);
				for (const v of values) {
					expect(scale(v)).toBeGreaterThanOrEqual(-1e-6);
					expect(scale(v)).toBeLessThanOrEqual(100 + 1e-6);
				}
			}),
		);
	});
	it('of one value alone has a width', () => {
		expect(scaleOver([5, 5], [0, 100], false)(5)).toBe(50);
	});
	it('take no point at or below zero on an axis of powers', () => {
		expect([1, 0, -1].map((y) => drawable(true)({ x: 1, y }))).toEqual([true, false, false]);
	});
});

describe('reading off', () => {
	it('names the axis and its unit', () => {
		expect([readAxis('time, s', 1.5), readAxis('Hz', 92), readAxis('heading error, after, °', -3)]).toEqual([
			'time 1.5 s',
			'92 Hz',
			'heading error, after −3 °',
		]);
	});
	it('gives the drawn point that is nearest', () => {
		const points = [
			{ x: 0, y: 1 },
			{ x: 1, y: NaN },
			{ x: 2, y: 3 },
		];
		expect(nearest(points, 1.2, drawable(false))).toEqual({ x: 2, y: 3 });
		expect(nearest([], 1, drawable(false))).toBeNull();
	});
});

describe('coming nearer', () => {
	it('keeps the place under the cursor and stays inside the whole', () => {
		const share = evenly(0, 1);
		fc.assert(
			fc.property(share, share, evenly(0.2, 5), (a, b, times) => {
				const whole = [0, 100] as const;
				const from = [50 * a, 50 * a + 20] as const;
				const about = from[0] + 20 * b;
				const [left, right] = zoomed(from, whole, about, times);
				expect(left).toBeGreaterThanOrEqual(-1e-9);
				expect(right).toBeLessThanOrEqual(100 + 1e-9);
				expect(right - left).toBeCloseTo(Math.min(100, 20 / times), 9);
				if (times >= 1) expect((about - left) / (right - left)).toBeCloseTo(b, 6);
			}),
		);
	});
});
