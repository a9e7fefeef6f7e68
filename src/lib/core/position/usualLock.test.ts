import { describe, expect, it } from 'vitest';
import type { Entry } from '../../schema/entries';
import { seededRng } from '../math/random';
import { lockBeside, locksLike, usualLock } from './usualLock';

/** Share of seeded receivers for which a lock `times` as long as usual is called unusual. */
function called(n: number, sigma: number, times: number) {
	const rng = seededRng(100 * n + 10 * sigma + times);
	let hits = 0;
	const trials = 600;
	for (let k = 0; k < trials; k++) {
		const middle = Math.log(45) + 0.4 * rng.normal();
		const seconds = () => Math.exp(middle + sigma * rng.normal());
		const usual = usualLock(Array.from({ length: n }, seconds));
		if (times * seconds() > (usual?.highS ?? Infinity)) hits++;
	}
	return hits / trials;
}

describe('a receiver’s usual time to lock', () => {
	it('is not reported from fewer than three locks', () => {
		expect(usualLock([40, 50])).toBeNull();
		expect(usualLock([40, 50, 45])?.usualS).toBeCloseTo(45, 0);
	});

	it.each([
		[3, 0.4, 1, 0, 0.05],
		[10, 0.5, 1, 0, 0.05],
		[10, 0.4, 2, 0.12, 0.42],
		[10, 0.4, 5, 0.82, 1],
		[3, 0.4, 5, 0.62, 0.95],
	])(
		'after %d locks of spread %f, one %f times as long is called as often as it can be',
		(n, sigma, times, low, high) => {
			const share = called(n, sigma, times);
			expect(share).toBeGreaterThanOrEqual(low);
			expect(share).toBeLessThanOrEqual(high);
		},
	);

	it('compares cold with cold and warm with warm, and leaves out what was rehearsed', () => {
		const at = (hour: number, seconds: number, grade = 'measured') =>
			({
				at: new Date(Date.UTC(2026, 10, 20, hour)).toISOString(),
				payload: { kind: 'test', grade, figures: [{ label: 'Locked after', value: seconds, unit: 's' }] },
			}) as unknown as Entry;
		const locks = [at(8, 60), at(9, 12), at(14, 70), at(15, 14), at(20, 5, 'rehearsed')];
		expect(locksLike(locks, '2026-11-21T08:00:00.000Z')).toEqual([60, 70]);
		expect(locksLike(locks.slice(0, 4), '2026-11-20T15:30:00.000Z')).toEqual([12, 14]);
	});

	it('says so while it is still waited for, and nothing until then', () => {
		const usual = usualLock([40, 45, 50, 42]);
		expect(lockBeside(usual, 20, false)).toBeNull();
		expect(lockBeside(usual, 900, false)).toMatchObject({ code: 'lock-unusual', level: 'caution' });
		expect(lockBeside(usual, 44, true)).toMatchObject({ code: 'lock-usual', level: 'pass' });
		expect(lockBeside(null, 900, true)).toBeNull();
	});
});
