import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { wayHome as request } from '../../rig/wayHome';
import { planReturn } from './plan';

const wind = fc.record({
	fromDeg: evenly(0, 359.9),
	speedMps: evenly(0, 9),
});

describe('the reach', () => {
	it('costs on every bearing just what is left above the reserve, climbing first or on the way', () => {
		fc.assert(
			fc.property(
				wind,
				fc.boolean(),
				fc.constantFrom('ground' as const, 'air' as const),
				fc.integer({ min: 0, max: 359 }),
				evenly(2, 60),
				({ fromDeg, speedMps }, climbFirst, speedKind, bearingDeg, heightM) => {
					const base = {
						wind: { fromDeg, speedMps, gustMps: speedMps },
						settings: { climbFirst, minDistanceM: 0 },
						aircraft: { speedKind },
					};
					const { reach } = planReturn(request({ ...base, position: { heightM } }));
					expect(reach).toHaveLength(360);
					const distanceM = reach[bearingDeg].maxDistanceM;
					if (distanceM === 0) return;
					const landing = (d: number) =>
						planReturn(request({ ...base, position: { bearingDeg, distanceM: d, heightM } })).landWithWh;
					const there = landing(distanceM);
					const beyond = landing(distanceM * 1.01 + 1);
					// Further out it climbs into a wind that stops it: nothing is promised there, and energy is not the limit.
					if (beyond === null) {
						expect(there).toBeGreaterThan(15 - 0.02);
						return;
					}
					expect(Math.abs((there ?? NaN) - 15)).toBeLessThan(0.02);
					expect(beyond).toBeLessThan(15);
				},
			),
			{ numRuns: 15, seed: 8 },
		);
	});

	it('is longest with the wind behind, shortest against it, and nothing where the wind stops it', () => {
		const { reach } = planReturn(request({ wind: { fromDeg: 90, speedMps: 6, gustMps: 6 } }));
		// Out to the east means home to the west, with an east wind behind.
		expect(reach[90].maxDistanceM).toBeGreaterThan(reach[0].maxDistanceM);
		expect(reach[0].maxDistanceM).toBeGreaterThan(reach[270].maxDistanceM);
		const stopped = planReturn(
			request({ aircraft: { speedKind: 'air', airspeedMaxMps: 16 }, wind: { fromDeg: 90, speedMps: 11, gustMps: 11 } }),
		);
		expect(stopped.reach[270].maxDistanceM).toBe(0);
		expect(stopped.reach[90].maxDistanceM).toBeGreaterThan(0);
	});

	it('is nothing where climb and descent alone use up the pack', () => {
		expect(planReturn(request({ usedWh: 44.9 })).reach.every(({ maxDistanceM }) => maxDistanceM === 0)).toBe(true);
	});

	it('shrinks as more is used', () => {
		const [less, more] = [10, 20].map((usedWh) => planReturn(request({ usedWh })).reach);
		less.forEach(({ maxDistanceM }, k) => expect(maxDistanceM).toBeGreaterThan(more[k].maxDistanceM));
	});
});
