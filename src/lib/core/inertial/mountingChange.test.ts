import { describe, expect, it } from 'vitest';
import { DEG } from '../frames/angles';
import { apply, multiply, transpose } from '../frames/mat3';
import { fromYawPitchRoll, RIGHT_ANGLE_ROTATIONS, rotationZ, toYawPitchRoll } from '../frames/rotation';
import { gesturesOf } from './gestures';
import { changeMounting, moduleMounting } from './mountingChange';

const NONE = { yawDeg: 0, pitchDeg: 0, rollDeg: 0 };

describe('what a mounting must be changed to', () => {
	it('from raw axes is what was found, whatever is set now', () => {
		const change = changeMounting(rotationZ(Math.PI / 2), { ...NONE, yawDeg: 180 }, false);
		expect(change.wanted).toEqual({ yawDeg: 90, pitchDeg: 0, rollDeg: 0 });
		expect(change.words).toBe('Change the setting: yaw from 180° to 90°.');
	});

	it('from axes that the aircraft had turned already, any present setting leads to the true one', () => {
		for (const truth of RIGHT_ANGLE_ROTATIONS)
			for (const present of RIGHT_ANGLE_ROTATIONS) {
				const { yawRad, pitchRad, rollRad } = toYawPitchRoll(present);
				const now = { yawDeg: yawRad / DEG, pitchDeg: pitchRad / DEG, rollDeg: rollRad / DEG };
				// Sensor vectors go through the present setting; what turns those into the body's is found.
				const found = multiply(truth, transpose(present));
				const { wanted, right } = changeMounting(found, now, true);
				const entered = fromYawPitchRoll(wanted.yawDeg * DEG, wanted.pitchDeg * DEG, wanted.rollDeg * DEG);
				entered.forEach((row, i) => row.forEach((v, k) => expect(v).toBeCloseTo(truth[i][k], 9)));
				expect(right).toBe(truth === present);
			}
	});

	it('once entered is right, as near as whole degrees come, however it is tilted', () => {
		for (const tiltUpDeg of [0, 7, 20, 90])
			for (const tiltRightDeg of [0, -12, 33])
				for (const arrowDeg of [0, 45, 90, 270]) {
					const { rotation } = moduleMounting({ arrowDeg, flipped: tiltRightDeg > 0, tiltUpDeg, tiltRightDeg });
					const { wanted, right, words } = changeMounting(rotation, { ...NONE, yawDeg: 180 }, false);
					expect(words).toMatch(right ? /right as it is/ : /^Change the setting: (yaw|pitch|roll) from /);
					expect(changeMounting(rotation, wanted, false)).toMatchObject({ right: true });
				}
	});

	it('that is right already is said so', () => {
		expect(changeMounting(rotationZ(0), NONE, true).words).toContain('right as it is');
	});
});

describe('a compass module', () => {
	it('with its arrow to the tail, flipped, is half a turn and upside down', () => {
		const { angles, rotation } = moduleMounting({ arrowDeg: 180, flipped: true, tiltUpDeg: 0, tiltRightDeg: 0 });
		expect(angles).toEqual({ yawDeg: 180, pitchDeg: 0, rollDeg: 180 });
		// Its arrow points to the tail, and what it calls down is up.
		apply(rotation, [1, 0, 0]).forEach((v, k) => expect(v).toBeCloseTo([-1, 0, 0][k], 12));
		apply(rotation, [0, 0, 1]).forEach((v, k) => expect(v).toBeCloseTo([0, 0, -1][k], 12));
	});

	it('tilted keeps its arrow’s bearing and lifts its end', () => {
		const { rotation } = moduleMounting({ arrowDeg: 90, flipped: false, tiltUpDeg: 20, tiltRightDeg: 0 });
		const [n, e, d] = apply(rotation, [1, 0, 0]);
		expect(Math.atan2(e, n) / DEG).toBeCloseTo(90, 9);
		expect(Math.asin(-d) / DEG).toBeCloseTo(20, 9);
	});
});

describe('gestures among poses', () => {
	const at = (yaw: number, pitch: number, roll: number) => ({
		mean: apply(transpose(fromYawPitchRoll(yaw * DEG, pitch * DEG, roll * DEG)), [0, 0, -9.8]),
	});
	const [level, hardly, nose, again, right] = [at(0, 0, 0), at(0, 12, 0), at(0, 50, 0), at(0, 60, 3), at(0, 2, 45)];

	it('pass over what hardly lifts and what leans to the same side again', () => {
		expect(gesturesOf([level, hardly, nose, again, right])).toEqual([level, nose, right]);
	});

	it('are the first three where none fit, and nothing under three', () => {
		expect(gesturesOf([level, hardly, hardly])).toEqual([level, hardly, hardly]);
		expect(gesturesOf([level, nose])).toBeNull();
	});
});
