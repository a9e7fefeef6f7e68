import { describe, expect, it } from 'vitest';
import { fitCompass } from '../core/compass/review';
import { fieldAt } from '../core/earth/field';
import { seededRng } from '../core/math/random';
import { RIGHT_ANGLE_ROTATIONS } from '../core/frames/rotation';
import { IDENTITY, type Mat3 } from '../core/frames/mat3';
import { imuOf, type ImuSample, type ImuTruth } from './imu';
import { RECIPES, scriptedHands, type RecipeName } from './turning';

const SITE = { latDeg: 54.21, lonDeg: -3.06, altM: 12, date: '2026-05-14' };
const MODEL = fieldAt(SITE.latDeg, SITE.lonDeg, SITE.altM, SITE.date);

const truth = (mounting: Mat3, more: Partial<ImuTruth> = {}): ImuTruth => ({
	fieldUt: [MODEL.northUt, MODEL.eastUt, MODEL.downUt],
	hardIronUt: [14, -9, 22],
	softIron: [
		[1.04, 0.02, -0.01],
		[0.02, 0.97, 0.03],
		[-0.01, 0.03, 1.01],
	],
	mounting,
	magNoiseUt: 0.4,
	accelNoiseMps2: 0.08,
	accelOffsetMps2: [0, 0, 0],
	accelStretch: IDENTITY,
	board: IDENTITY,
	gyroNoiseRadps: 0.01,
	gyroBiasRadps: [0.01, -0.008, 0.004],
	passingSteelUt: 0,
	disturbanceUt: [0, 0, 0],
	...more,
});

function record(t: ImuTruth, recipe: RecipeName, seed = 7) {
	const rng = seededRng(seed);
	const { motion, durationS } = scriptedHands(RECIPES[recipe], rng);
	const read = imuOf(t, motion, rng);
	const samples = Array.from({ length: Math.floor(durationS * 25) }, (_, k) => read(k / 25));
	const columns = (key: 'magUt' | 'accelMps2' | 'gyroRadps') => ({
		t: samples.map((s: ImuSample) => s.tS),
		x: samples.map((s) => s[key][0]),
		y: samples.map((s) => s[key][1]),
		z: samples.map((s) => s[key][2]),
	});
	return { mag: columns('magUt'), accel: columns('accelMps2'), gyro: columns('gyroRadps') };
}

describe('a compass turned by scripted hands', () => {
	it.each([0, 5, 11, 17, 23])('mounting %s of 24 is found, with dip and offset', (k) => {
		const answer = fitCompass({ ...record(truth(RIGHT_ANGLE_ROTATIONS[k]), 'thorough'), site: SITE });
		expect(answer.mounting?.best.rotation).toEqual(RIGHT_ANGLE_ROTATIONS[k].map((row) => [...row]));
		expect(answer.mounting?.agreement).toBeGreaterThan(0.9);
		expect((answer.mounting?.agreement ?? 0) - (answer.mounting?.runnerUp ?? 1)).toBeGreaterThan(0.15);
		expect(Math.abs((answer.measuredDip?.dipDeg ?? 0) - MODEL.inclinationDeg)).toBeLessThan(1.5);
		expect(answer.hardIronUt?.[2]).toBeCloseTo(22, 0);
		expect(answer.verdict).toBe('pass');
	});

	it('level only is refused', () => {
		const answer = fitCompass({ ...record(truth(RIGHT_ANGLE_ROTATIONS[0]), 'level only'), site: SITE });
		expect(answer.verdict).toBe('fail');
		expect(answer.reasons[0].code).toMatch(/^insufficient-|heading-uncertain/);
	});

	it('steel that passes by is set aside and does not bend the offset', () => {
		const passing = truth(RIGHT_ANGLE_ROTATIONS[0], { passingSteelUt: 25 });
		const answer = fitCompass({ ...record(passing, 'thorough'), site: SITE });
		expect(answer.rejected).toBeGreaterThan(20);
		expect(Math.abs((answer.hardIronUt?.[0] ?? 0) - 14)).toBeLessThan(0.6);
	});

	it('iron in the ground shows against the site', () => {
		const disturbed = truth(RIGHT_ANGLE_ROTATIONS[0], { disturbanceUt: [9, 0, -12] });
		const answer = fitCompass({ ...record(disturbed, 'thorough'), site: SITE });
		expect(answer.verdict).toBe('fail');
		expect(answer.reasons.filter((r) => r.level === 'fail').map((r) => r.code)).toContain('field-off-site');
	});
});
