import { describe, expect, it } from 'vitest';
import { seededRng } from '../math/random';
import { imuOf } from '../../rig/imu';
import { imuTruth, NO_FAULTS } from '../../rig/rig';
import { RECIPES, scriptedHands } from '../../rig/turning';
import type { Vec3 } from '../frames/vec3';
import { fitCompass } from './review';
import { judgeSetting, withSetting } from './setting';

const SITE = { latDeg: 54.2, lonDeg: -3.1, altM: 10, date: '2026-05-14' };

/** A turning by hand with acceleration and no gyro, the module mounted in some way: `mount` takes body axes into its own. */
function turning(seed: number, mount: (m: Vec3) => Vec3) {
	const rng = seededRng(seed);
	const { motion, durationS } = scriptedHands(RECIPES.thorough, rng);
	const read = imuOf(imuTruth(seed, NO_FAULTS, SITE, SITE.date), motion, rng);
	const samples = Array.from({ length: Math.floor(durationS * 25) }, (_, k) => read(k / 25));
	const t = samples.map(({ tS }) => tS);
	const columns = (of: (k: number) => readonly number[]) => ({
		t,
		x: t.map((_, k) => of(k)[0] ?? 0),
		y: t.map((_, k) => of(k)[1] ?? 0),
		z: t.map((_, k) => of(k)[2] ?? 0),
	});
	return fitCompass({
		mag: columns((k) => mount((samples[k]?.magUt ?? [0, 0, 0]) as Vec3)),
		accel: columns((k) => samples[k]?.accelMps2 ?? [0, 0, 0]),
		site: SITE,
	});
}
const straight = ([x, y, z]: Vec3): Vec3 => [x, y, z];
const flipped = ([x, y, z]: Vec3): Vec3 => [-x, y, -z];
const NONE = { yawDeg: 0, pitchDeg: 0, rollDeg: 0 };
const FLIPPED = { yawDeg: 180, pitchDeg: 0, rollDeg: 180 };
const rounded = (rotation: readonly (readonly number[])[] | undefined) =>
	(rotation ?? []).map((row) => row.map((v) => Math.round(v) + 0));

describe('compass mounting from a log with acceleration and no gyro', () => {
	it.each([1, 2, 3])('seed %i, straight module: told, and OK with no rotation set', (seed) => {
		const answer = turning(seed, straight);
		expect(rounded(answer.mounting?.best.rotation)).toEqual([
			[1, 0, 0],
			[0, 1, 0],
			[0, 0, 1],
		]);
		expect(judgeSetting(answer.mounting, null)?.level).toBe('pass');
	});

	it.each([1, 2, 3])('seed %i, module flipped and turned: found, and a no-go until the setting says so', (seed) => {
		const answer = turning(seed, flipped);
		expect(rounded(answer.mounting?.best.rotation)).toEqual([
			[-1, 0, 0],
			[0, 1, 0],
			[0, 0, -1],
		]);
		const wrong = withSetting(answer, null);
		expect(wrong.verdict).toBe('fail');
		expect(wrong.reasons[0]).toMatchObject({ code: 'mounting-differs', level: 'fail' });
		expect(withSetting(answer, NONE).verdict).toBe('fail');
		expect(judgeSetting(answer.mounting, FLIPPED)?.level).toBe('pass');
	});

	it('axes that agree with the airframe under a rotating setting: a caution, not OK', () => {
		expect(judgeSetting(turning(1, straight).mounting, FLIPPED)?.level).toBe('caution');
	});

	it('a turning that does not tell the mounting is not compared', () => {
		expect(judgeSetting(undefined, NONE)).toBeNull();
	});
});
