import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { seededRng } from '../math/random';
import { compareRepeats, studentTail } from './repeats';

const told = { what: 'Wander', unit: 'm' };
const plain = (...values: number[]) => values.map((value) => ({ value, sigma: null }));

describe('Student’s t', () => {
	it.each([
		[2.776, 4, 0.05],
		[2.228, 10, 0.05],
		[3.169, 10, 0.01],
		[1.96, 1e6, 0.05],
		[12.706, 1, 0.05],
	])('beyond %s with %s degrees of freedom is %s', (t, freedom, tail) =>
		expect(studentTail(t, freedom)).toBeCloseTo(tail, 4),
	);
	it('is whole at zero and falls', () =>
		fc.assert(
			fc.property(evenly(0, 20), evenly(1, 100), (t, f) => {
				expect(studentTail(0, f)).toBeCloseTo(1, 6);
				expect(studentTail(t + 0.1, f)).toBeLessThanOrEqual(studentTail(t, f) + 1e-6);
			}),
		));
});

describe('before and after', () => {
	it('names a real difference and its direction', () => {
		expect(compareRepeats(plain(3.1, 3, 2.9, 3.2), plain(1.9, 2, 2.1), told).reasons[0].code).toBe('better');
		expect(compareRepeats(plain(2, 2.1, 1.9), plain(3, 3.1, 2.9), told).reasons[0].code).toBe('worse');
		expect(
			compareRepeats(plain(2, 2.1, 1.9), plain(3, 3.1, 2.9), { ...told, lowerIsBetter: false }).reasons[0].code,
		).toBe('better');
	});
	it('calls noise noise: about one in twenty equal pairs looks different', () => {
		const rng = seededRng(12);
		let called = 0;
		for (let k = 0; k < 600; k++) {
			const draw = () => plain(...Array.from({ length: 4 }, () => 3 + rng.normal()));
			if (compareRepeats(draw(), draw(), told).reasons[0].code !== 'no-difference') called++;
		}
		expect(called / 600).toBeGreaterThan(0.015);
		expect(called / 600).toBeLessThan(0.075);
	});
	it('uses stated uncertainties where there is one of each, and refuses without', () => {
		expect(compareRepeats([{ value: 2, sigma: 0.1 }], [{ value: 3, sigma: 0.1 }], told).reasons[0].code).toBe('worse');
		expect(compareRepeats([{ value: 2, sigma: 1 }], [{ value: 3, sigma: 1 }], told).reasons[0].code).toBe(
			'no-difference',
		);
		expect(compareRepeats(plain(2), plain(3), told).verdict).toBe('fail');
		expect(() => compareRepeats([], plain(3), told)).toThrow('nothing to compare with');
		expect(() => compareRepeats(plain(3), [], told)).toThrow('nothing to compare.');
	});
});
