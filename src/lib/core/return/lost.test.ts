import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { inverseGeodesic } from '../earth/geodesy';
import { searchPlaces, type LastKnown } from './lost';

const last: LastKnown = {
	latDeg: 54.2,
	lonDeg: -3.06,
	heightM: 40,
	sinceS: 2,
	speedMps: 8,
	courseDeg: 90,
	descentMps: 1.5,
	wind: { fromDeg: 270, speedMps: 5, gustMps: 7 },
};
const found = (change: Partial<LastKnown> = {}) => {
	const places = searchPlaces({ ...last, ...change });
	return (what: 'last' | 'fell' | 'drifted') => {
		const place = places.find((p) => p.what === what);
		if (!place) throw new Error(what);
		return place;
	};
};

describe('where to search', () => {
	it('a fall lies onward and downwind, a drift much further downwind', () => {
		const at = found();
		expect(at('fell').bearingDeg).toBeCloseTo(90, 0);
		expect(at('fell').distanceM).toBeGreaterThan(15);
		expect(at('fell').distanceM).toBeLessThan(60);
		// Forty metres at a metre and a half a second in five metres of wind and more above.
		expect(at('drifted').distanceM).toBeGreaterThan(133);
	});

	it('is just where it was when it stood still without wind', () => {
		const at = found({ wind: null, speedMps: 0, courseDeg: null });
		for (const what of ['fell', 'drifted', 'last'] as const) expect(at(what).distanceM).toBeLessThan(1e-6);
	});

	it('is wider the older the position, and its places are what bearing and distance say', () => {
		fc.assert(
			fc.property(evenly(1, 120), fc.integer({ min: 0, max: 359 }), evenly(0, 30), (heightM, courseDeg, sinceS) => {
				const [young, old] = [found({ heightM, courseDeg, sinceS }), found({ heightM, courseDeg, sinceS: sinceS + 5 })];
				for (const what of ['fell', 'drifted', 'last'] as const) {
					expect(old(what).radiusM).toBeCloseTo(young(what).radiusM + 40, 6);
					const { latDeg, lonDeg, distanceM } = young(what);
					expect(inverseGeodesic(last.latDeg, last.lonDeg, latDeg, lonDeg).distanceM).toBeCloseTo(distanceM, 3);
				}
			}),
			{ numRuns: 40 },
		);
	});
});
