import { describe, expect, it } from 'vitest';
import { aircraftKindSchema, type Aircraft } from '../../schema/records';
import { usualRungs, wayHomeMin } from './rungs';

const of = (kind: Aircraft['kind'], hasPosition = true) => usualRungs({ kind, hasPosition } as Aircraft);

describe('the rungs of a test flight', () => {
	it.each(aircraftKindSchema.options)('%s: something is required, names are apart, minutes are some', (kind) => {
		const rungs = of(kind);
		expect(rungs.some(({ required }) => required)).toBe(true);
		expect(new Set(rungs.map(({ name }) => name)).size).toBe(rungs.length);
		for (const { minutes, factor } of rungs) {
			expect(minutes).toBeGreaterThan(0);
			expect(factor).toBeGreaterThanOrEqual(1);
		}
	});

	it('holds and returns only what it can', () => {
		expect(of('multirotor', false).some(({ name }) => /Position|Return/.test(name))).toBe(false);
		expect(of('multirotor').some(({ name }) => /Return/.test(name))).toBe(true);
		expect(of('racer').some(({ name }) => /Return/.test(name))).toBe(false);
	});
});

describe('the way home', () => {
	it('is longer against the wind, and none where the wind is as fast', () => {
		expect(wayHomeMin(600, 10, 0)).toBeCloseTo(1, 9);
		expect(wayHomeMin(600, 10, 5)).toBeCloseTo(2, 9);
		expect(wayHomeMin(600, 10, 9.8)).toBeNull();
		expect(wayHomeMin(0, 10, 3)).toBe(0);
	});
});
