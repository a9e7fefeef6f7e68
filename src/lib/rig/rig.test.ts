import { describe, expect, it } from 'vitest';
import { fitCompass } from '../core/compass/review';
import { FACES } from '../core/inertial/poses';
import { fitAccelerometer } from '../core/inertial/accelFit';
import { reviewStillGyro } from '../core/inertial/gyro';
import { seededRng } from '../core/math/random';
import { reviewGnss } from '../core/position/review';
import { reviewHover } from '../core/hover/review';
import { IDENTITY } from '../core/frames/mat3';
import { recordGyro, recordPoses } from './inertial';
import { imuTruth, NO_FAULTS, openRig, rigHover, type RigFaults } from './rig';
import { RECIPES, scriptedHands } from './turning';

const PLACE = { latDeg: 54.21, lonDeg: -3.06, altM: 12 };
const DATE = '2026-05-14';

function turned(faults: Partial<RigFaults>, seed = 5) {
	const { motion, durationS } = scriptedHands(RECIPES.thorough, seededRng(seed));
	const all = { ...NO_FAULTS, ...faults };
	const { imu } = openRig(seed, all, PLACE, DATE, motion).advance(durationS);
	const column = (of: 'magUt' | 'accelMps2' | 'gyroRadps') => ({
		t: imu.map(({ tS }) => tS),
		x: imu.map((sample) => sample[of][0]),
		y: imu.map((sample) => sample[of][1]),
		z: imu.map((sample) => sample[of][2]),
	});
	return {
		truth: imuTruth(seed, all, PLACE, DATE),
		answer: fitCompass({
			mag: column('magUt'),
			accel: column('accelMps2'),
			gyro: column('gyroRadps'),
			site: { ...PLACE, date: DATE },
		}),
	};
}

const receiver = (faults: Partial<RigFaults>, seconds = 90) =>
	openRig(3, { ...NO_FAULTS, ...faults }, PLACE, DATE, () => IDENTITY)
		.advance(seconds)
		.lines.join('\r\n');

describe('the practice aircraft', () => {
	it('gives the same stream whether it is asked often or seldom', () => {
		const { motion } = scriptedHands(RECIPES['two turns'], seededRng(1));
		const whole = openRig(9, NO_FAULTS, PLACE, DATE, motion).advance(4);
		const rig = openRig(9, NO_FAULTS, PLACE, DATE, motion);
		const parts = [0.3, 1, 1.01, 2.5, 4].map((toS) => rig.advance(toS));
		expect(parts.flatMap(({ imu }) => imu)).toEqual(whole.imu);
		expect(parts.flatMap(({ lines }) => lines)).toEqual(whole.lines);
	});

	it('turned all round gives back the offsets it was drawn with', () => {
		const { truth, answer } = turned({ softIron: true });
		expect(answer.verdict).not.toBe('fail');
		truth.hardIronUt.forEach((value, k) => {
			const sigma = answer.uncertainty?.hardIronUt[k] ?? NaN;
			expect(Math.abs((answer.hardIronUt?.[k] ?? NaN) - value)).toBeLessThan(4 * sigma + 0.1);
		});
	});

	it('with its compass turned round is told so by the gyro', () => {
		const { answer } = turned({ mountingTurned: true });
		const { mounting } = imuTruth(5, { ...NO_FAULTS, mountingTurned: true }, PLACE, DATE);
		answer.mounting?.best.rotation.flat().forEach((value, k) => expect(value).toBeCloseTo(mounting.flat()[k], 9));
		expect(answer.mounting?.agreement).toBeGreaterThan(0.9);
	});

	it('beside steel does not pass', () => {
		expect(turned({ metalNear: true }).answer.verdict).not.toBe('pass');
	});
});

describe('its receiver', () => {
	const rule = { minSatellites: 8, maxHdop: 2, holdS: 30 };
	it('locks under an open sky, and its home lies at the place', () => {
		const { lockS, home, verdict } = reviewGnss(receiver({}), rule);
		expect(verdict).toBe('pass');
		expect(lockS).toBeGreaterThan(30);
		expect(home?.latDeg).toBeCloseTo(PLACE.latDeg, 4);
		expect(home?.lonDeg).toBeCloseTo(PLACE.lonDeg, 4);
	});

	it('under a weak sky does not, and breaks some lines', () => {
		const { lockS, verdict, checksumErrors } = reviewGnss(receiver({ weakSky: true }, 240), rule);
		expect([lockS, verdict]).toEqual([null, 'fail']);
		expect(checksumErrors).toBeGreaterThan(0);
	});
});

describe('its hovers', () => {
	const review = (faults: Partial<RigFaults>, more = {}) => {
		const { log, truth } = rigHover(21, { ...NO_FAULTS, ...faults }, more);
		const { t, north, east, up } = log;
		return reviewHover({ track: { t, north, east, up }, hold: truth.hold, upSource: 'fused' });
	};
	it('hold well without a fault, circle with a wrong compass, jitter under a weak sky', () => {
		expect(review({}).verdict).toBe('pass');
		expect(review({ headingErrorDeg: 48 }).spiral.sense).toBe('cw');
		expect(review({ headingErrorDeg: -48 }).spiral.sense).toBe('ccw');
		expect(review({ weakSky: true }).reasons.map(({ code }) => code)).toContain('weak-fix');
	});
	it('jump where they are told to', () => {
		expect(review({}, { jump: { atS: 24, sizeM: 4 } }).jumps).toBe(1);
	});
});

describe('its accelerometer and gyro', () => {
	it('give back the offsets they were drawn with', () => {
		const offsetMps2 = [0.3, -0.2, 0.1] as const;
		const poses = recordPoses(
			{ faces: FACES, holdS: 3, offsetMps2, matrix: IDENTITY, noiseMps2: 0.03, sloppyDeg: 4 },
			seededRng(2),
		);
		const { missingFaces, offsetMps2: found, uncertainty } = fitAccelerometer({ accel: poses, rawUnit: 'm/s2' });
		expect(missingFaces).toEqual([]);
		offsetMps2.forEach((value, k) =>
			expect(Math.abs((found?.[k] ?? NaN) - value)).toBeLessThan(4 * (uncertainty?.offsetMps2[k] ?? 0)),
		);
	});

	it.each([
		['at rest', false, false],
		['knocked at half time', true, true],
	])('%s', (_, knocked, moved) => {
		const gyro = recordGyro(
			{ forS: 40, biasRadps: [0.01, -0.02, 0.005], noiseRadps: 0.004, walk: 1e-5, warmUpRadps: 0, knocked },
			seededRng(2),
		);
		expect(reviewStillGyro({ gyro }).moved).toBe(moved);
	});
});
