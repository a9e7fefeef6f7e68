import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { STANDARD_GRAVITY_MPS2 as G } from '../earth/gravity';
import { DEG } from '../frames/angles';
import { apply, multiply, transpose } from '../frames/mat3';
import { seededRng } from '../math/random';
import { aboutAxis, fromYawPitchRoll, rotationZ } from '../frames/rotation';
import type { Vec3 } from '../frames/vec3';
import { attitudeOf, solveLevel } from './level';
import { reviewPressure } from './pressure';

const flat = { rollDeg: 0, pitchDeg: 0 };
const deg = (most: number) => evenly(-most, most);

/** Readings on a surface tilted about a level axis, of a sensor that sits askew; then turned by half a turn on it. */
function standing(surfaceDeg: number, towardDeg: number, rollDeg: number, pitchDeg: number): [Vec3, Vec3] {
	// The side that falls points at `towardDeg`: turn about the axis a quarter turn to its left.
	const axis: Vec3 = [-Math.sin(towardDeg * DEG), Math.cos(towardDeg * DEG), 0];
	const surface = aboutAxis(axis, -surfaceDeg * DEG);
	const askew = fromYawPitchRoll(0, pitchDeg * DEG, rollDeg * DEG);
	const read = (turned: number) => apply(transpose(multiply(multiply(surface, rotationZ(turned)), askew)), [0, 0, -G]);
	return [read(0), read(Math.PI)];
}

describe('the half-turn method', () => {
	it('finds the sensor’s own tilt on any surface', () =>
		fc.assert(
			fc.property(deg(6), evenly(0, 359), deg(5), deg(5), (surface, toward, roll, pitch) => {
				const [first, second] = standing(surface, toward, roll, pitch);
				const { trim, surfaceTiltDeg } = solveLevel({ first, second, wanted: flat, sigmaMps2: 0.01 });
				expect(trim?.rollDeg).toBeCloseTo(roll, 6);
				expect(trim?.pitchDeg).toBeCloseTo(pitch, 6);
				expect(surfaceTiltDeg).toBeCloseTo(Math.abs(surface), 4);
			}),
		));
	it('tells to which side the surface falls', () => {
		const [first, second] = standing(3, 70, 0, 0);
		expect(solveLevel({ first, second, wanted: flat, sigmaMps2: 0 }).surfaceTowardDeg).toBeCloseTo(70, 4);
	});
	it('leaves a wing its nose-up attitude', () => {
		const [first, second] = standing(1, 10, 0, 4);
		const answer = solveLevel({ first, second, wanted: { rollDeg: 0, pitchDeg: 4 }, sigmaMps2: 0.01 });
		expect(answer.verdict).toBe('pass');
		expect(answer.trim?.pitchDeg).toBeCloseTo(0, 6);
	});
	it('says what a degree means: 0.17 m/s², two metres after five seconds', () => {
		const [first, second] = standing(0, 0, 1, 0);
		const answer = solveLevel({ first, second, wanted: flat, sigmaMps2: 0.01 });
		expect(answer.driftMps2).toBeCloseTo(0.171, 3);
		expect(answer.driftAfter5sM).toBeCloseTo(2.14, 2);
		expect(answer.reasons[0].code).toBe('level-off');
	});
	it('cautions one reading alone, a steep surface, a shaking reading, and refuses one that is not at rest', () => {
		const [first, second] = standing(4, 0, 0, 0);
		expect(solveLevel({ first: [0, 0, -G], second: null, wanted: flat, sigmaMps2: 0.01 }).reasons[0].code).toBe(
			'surface-unknown',
		);
		expect(solveLevel({ first, second, wanted: flat, sigmaMps2: 0.01 }).reasons[0].code).toBe('surface-steep');
		expect(solveLevel({ first, second, wanted: flat, sigmaMps2: 0.2 }).verdict).toBe('fail');
		expect(solveLevel({ first: [0, 0, G], second: null, wanted: flat, sigmaMps2: 0.01 }).reasons[0].code).toBe(
			'insufficient-level',
		);
	});
	it('reads roll right and nose-up as positive', () => {
		expect(attitudeOf([0, -G * Math.sin(0.1), -G * Math.cos(0.1)]).rollDeg).toBeCloseTo(0.1 / DEG, 6);
		expect(attitudeOf([G * Math.sin(0.1), 0, -G * Math.cos(0.1)]).pitchDeg).toBeCloseTo(0.1 / DEG, 6);
	});
});

describe('pressure height at rest', () => {
	const log = (noise: number, driftPerMin: number, perThrottle: number, seed = 3) => {
		const rng = seededRng(seed);
		const t = Array.from({ length: 600 }, (_, k) => k / 10);
		const disturbance = t.map((s) => (s < 20 ? 0 : Math.min(1, (s - 20) / 20)));
		const heightM = t.map((s, k) => 12 + (driftPerMin * s) / 60 + perThrottle * disturbance[k] + noise * rng.normal());
		return { t, heightM, disturbance };
	};
	it('has its noise, drift and disturbance told apart', () => {
		const answer = reviewPressure(log(0.1, 0.3, 1.4));
		expect(answer.noiseM).toBeCloseTo(0.1, 1.7);
		expect(answer.driftMPerMin).toBeCloseTo(0.3, 1);
		expect(Math.abs((answer.perDisturbance ?? 0) - 1.4)).toBeLessThan(4 * (answer.perDisturbanceSigma ?? 0) + 1e-9);
		expect(answer.reasons[0].code).toBe('pressure-disturbed');
	});
	it('passes when quiet, cautions noise and drift, refuses a short log', () => {
		expect(reviewPressure(log(0.05, 0.1, 0.1)).verdict).toBe('pass');
		expect(reviewPressure(log(0.6, 0, 0)).reasons.map(({ code }) => code)).toContain('pressure-noisy');
		expect(reviewPressure(log(0.05, 3, 0)).reasons[0].code).toBe('pressure-drifts');
		expect(reviewPressure({ t: [0, 1], heightM: [1, 1] }).reasons[0].code).toBe('insufficient-duration');
		expect(() => reviewPressure({ t: [0, 1], heightM: [1] })).toThrow('same length');
	});
	it('without a disturbance column, or with one that never moves, gives noise and drift alone', () => {
		const { t, heightM } = log(0.05, 0.1, 0);
		expect(reviewPressure({ t, heightM }).perDisturbance).toBeNull();
		expect(reviewPressure({ t, heightM, disturbance: t.map(() => 0.4) }).perDisturbance).toBeNull();
	});
});
