import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { directGeodesic, inverseGeodesic } from '../earth/geodesy';
import { mean } from '../math/statistics';
import { seededRng, type Rng } from '../math/random';
import type { Epochs } from './epochs';
import { rowsWhere } from './epochTable';
import { homeOf, scatterOf } from './spread';

const rms = (values: readonly number[]) => Math.sqrt(mean(values.map((v) => v * v)));

interface Place {
	northM: number;
	eastM: number;
	altM?: number;
}

const HOME = { latDeg: 54.21, lonDeg: -3.06 };

/** A receiver's epochs at places reported in metres from home, so many a second. */
function epochsAt(places: readonly Place[], { rateHz = 1, home = HOME } = {}): Epochs {
	const at = places.map(({ northM, eastM }) =>
		directGeodesic(home.latDeg, home.lonDeg, (Math.atan2(eastM, northM) * 180) / Math.PI, Math.hypot(northM, eastM)),
	);
	const { length } = places;
	return {
		length,
		tS: Float64Array.from(places, (_, k) => 36_000 + k / rateHz),
		stretch: new Int32Array(length),
		fix: new Uint8Array(length).fill(1),
		latDeg: Float64Array.from(at, ({ latDeg }) => latDeg),
		lonDeg: Float64Array.from(at, ({ lonDeg }) => lonDeg),
		altM: Float64Array.from(places, ({ altM = NaN }) => altM),
		satellites: new Float64Array(length).fill(12),
		reportsQuality: new Uint8Array(length).fill(1),
		hdop: new Float64Array(length).fill(0.8),
		fixType: () => '3D',
	};
}
const all = (epochs: Epochs) => rowsWhere(0, epochs.length, () => true);
const scatter = (epochs: Epochs) => scatterOf(epochs, all(epochs));

/** A fix that wanders: Gauss–Markov with a time constant in seconds, so many metres on each axis. */
function wander(n: number, sigmaM: number, tauS: number, rng: Rng): Place[] {
	const keep = Math.exp(-1 / tauS);
	const step = sigmaM * Math.sqrt(1 - keep * keep);
	let [northM, eastM] = [sigmaM * rng.normal(), sigmaM * rng.normal()];
	return Array.from({ length: n }, () => {
		northM = keep * northM + step * rng.normal();
		eastM = keep * eastM + step * rng.normal();
		return { northM, eastM };
	});
}

describe('how far a standing receiver wanders', () => {
	it('is nothing for one that says the same place, and not reported of fewer than five', () => {
		const still = Array.from({ length: 60 }, () => ({ northM: 0, eastM: 0 }));
		expect(scatter(epochsAt(still))).toEqual({ cep50M: 0, cep95M: 0, driftMPerMin: 0 });
		expect(scatter(epochsAt(still.slice(0, 5)))).toBeDefined();
		expect(scatter(epochsAt(still.slice(0, 4)))).toBeUndefined();
	});
	it('is half and nineteen twentieths of a circle of normal errors', () => {
		const rng = seededRng(3);
		const places = Array.from({ length: 4000 }, () => ({ northM: rng.normal(), eastM: rng.normal() }));
		const found = scatter(epochsAt(places));
		// Rayleigh: √(2 ln 2) and √(2 ln 20).
		expect(found?.cep50M).toBeCloseTo(Math.sqrt(2 * Math.LN2), 1);
		expect(found?.cep95M).toBeCloseTo(Math.sqrt(2 * Math.log(20)), 1);
	});
	it('finds how fast the place drifts, whichever way, and is not fooled by a few fixes far away', () => {
		fc.assert(
			fc.property(evenly(0, 360), evenly(0.1, 20), fc.integer({ min: 1, max: 1e6 }), (deg, perMin, seed) => {
				const rng = seededRng(seed);
				const [n, e] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
				const places = Array.from({ length: 120 }, (_, k) => {
					const away = k % 17 === 5 ? 40 : 0;
					const along = (perMin * k) / 60;
					return { northM: along * n + away + 0.05 * rng.normal(), eastM: along * e + 0.05 * rng.normal() };
				});
				expect(Math.abs((scatter(epochsAt(places))?.driftMPerMin ?? 0) - perMin)).toBeLessThan(0.15 + 0.05 * perMin);
			}),
			{ numRuns: 40 },
		);
	});
	it('is the same anywhere on earth, also across the date line', () => {
		fc.assert(
			fc.property(evenly(-70, 70), fc.oneof(evenly(-180, 180), fc.constant(179.99999)), (latDeg, lonDeg) => {
				const places = wander(80, 1, 20, seededRng(9));
				const [here, there] = [scatter(epochsAt(places)), scatter(epochsAt(places, { home: { latDeg, lonDeg } }))];
				expect(there?.cep95M).toBeCloseTo(here?.cep95M ?? NaN, 3);
				expect(there?.driftMPerMin).toBeCloseTo(here?.driftMPerMin ?? NaN, 2);
			}),
		);
	});
});

describe('home', () => {
	it('is the mean over the span that is asked for, with its height', () => {
		const places = [
			{ northM: 500, eastM: 0, altM: 90 },
			{ northM: 1, eastM: 2, altM: 10 },
			{ northM: 3, eastM: -2, altM: 14 },
			{ northM: 0, eastM: 700, altM: 90 },
		];
		const home = homeOf(epochsAt(places), 1, 3);
		const truth = directGeodesic(HOME.latDeg, HOME.lonDeg, 0, 2);
		expect(inverseGeodesic(home?.latDeg ?? 0, home?.lonDeg ?? 0, truth.latDeg, truth.lonDeg).distanceM).toBeLessThan(
			1e-3,
		);
		expect(home?.altM).toBe(12);
	});
	it('has no height where none was reported, and is none where no epoch has a place', () => {
		const epochs = epochsAt([{ northM: 0, eastM: 0 }]);
		expect(homeOf(epochs, 0, 1)?.altM).toBeNull();
		epochs.latDeg.fill(NaN);
		expect(homeOf(epochs, 0, 1)).toBeUndefined();
		expect(homeOf(epochs, 0, 0)).toBeUndefined();
	});
	it('lies on its own side of the date line', () => {
		const east = [-4, -2, 0, 2, 4].map((eastM) => ({ northM: 0, eastM }));
		const home = homeOf(epochsAt(east, { home: { latDeg: -17, lonDeg: 180 } }), 0, 5);
		expect(Math.abs(home?.lonDeg ?? 0)).toBeCloseTo(180, 6);
	});
	it('is as far from the truth as its uncertainty says, however slowly the fix wanders', () => {
		const ratios = (tauS: number) =>
			Array.from({ length: 200 }, (_, seed) => {
				const epochs = epochsAt(wander(60, 0.8, tauS, seededRng(seed + 1)));
				const home = homeOf(epochs, 0, 60);
				if (!home) throw new Error('no home');
				return inverseGeodesic(home.latDeg, home.lonDeg, HOME.latDeg, HOME.lonDeg).distanceM / home.sigmaM;
			});
		expect(rms(ratios(0.01))).toBeGreaterThan(0.85);
		expect(rms(ratios(0.01))).toBeLessThan(1.15);
		// What wanders slower than it was watched cannot be known whole: never more than twice as bad as said.
		for (const tauS of [3, 10]) expect(rms(ratios(tauS))).toBeLessThan(2);
	});
});
