import { compass as say } from '$lib/messages/compass';
import type { Reason } from '../../schema/common';
import type { CompassAnswer } from '../../schema/compass';
import { judge, reason } from '../finding/reasons';
import { DEG } from '../frames/angles';
import { IDENTITY, multiply, transpose, type Mat3 } from '../frames/mat3';
import { fromYawPitchRoll } from '../frames/rotation';
import type { MountingAngles } from '../inertial/mountingChange';
import { compassLimits as limits } from './limits';

/** Two settings closer than this are the same mounting, degrees. */
const SAME_DEG = 20;

const rotationOf = ({ yawDeg, pitchDeg, rollDeg }: MountingAngles): Mat3 =>
	fromYawPitchRoll(yawDeg * DEG, pitchDeg * DEG, rollDeg * DEG);

/** Angle of the rotation between two orientations, degrees. */
function apartDeg(a: Mat3, b: Mat3): number {
	const r = multiply(transpose(a), b);
	return Math.acos(Math.max(-1, Math.min(1, (r[0][0] + r[1][1] + r[2][2] - 1) / 2))) / DEG;
}

const words = ({ yawDeg, pitchDeg, rollDeg }: MountingAngles): string =>
	`yaw ${Math.round(yawDeg)}°, pitch ${Math.round(pitchDeg)}°, roll ${Math.round(rollDeg)}°`.replaceAll('-', '−');

/**
 * The mounting that a turning shows, compared with the setting in force: anything else is a no-go until the setting is changed and the
 * compass is turned again. Null where the turning does not tell the mounting.
 *
 * @param setting yaw, pitch and roll in degrees, R = Rz·Ry·Rx; null where nobody stated one: then no rotation is set
 */
export function judgeSetting(mounting: CompassAnswer['mounting'], setting: MountingAngles | null): Reason | null {
	if (!mounting || mounting.agreement - mounting.runnerUp < limits.mountingMargin.value) return null;
	const { best } = mounting;
	const set = setting ?? { yawDeg: 0, pitchDeg: 0, rollDeg: 0 };
	const apart = apartDeg(best.rotation, rotationOf(set));
	const figures = {
		value: apart,
		limit: { value: SAME_DEG, unit: '°', source: 'Compass orientation setting in force' },
	};
	if (apart <= SAME_DEG) return reason('pass', say('mounting-as-set', { angles: words(set) }), figures);
	if (apartDeg(best.rotation, IDENTITY) <= SAME_DEG)
		return reason('caution', say('mounting-axes-unclear', { setting: words(set) }), { ...figures });
	return reason(
		'fail',
		say('mounting-differs', { mounted: words(best), setting: words(set), stated: setting !== null }),
		{
			...figures,
		},
	);
}

/** A fit with its mounting judged against the setting in force. */
export function withSetting(answer: CompassAnswer, setting: MountingAngles | null): CompassAnswer {
	const found = judgeSetting(answer.mounting, setting);
	return found
		? { ...answer, ...judge([...answer.reasons.filter(({ code }) => code !== 'mounting-found'), found]) }
		: answer;
}
