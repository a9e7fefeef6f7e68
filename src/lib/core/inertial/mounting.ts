import type { Message } from '$lib/messages/message';
import { inertial as say } from '$lib/messages/inertial';
import type { MountingAnswer, MountingRequest } from '../../schema/inertial';
import { DEG } from '../frames/angles';
import { multiply, ofRows, transpose, type Mat3 } from '../frames/mat3';
import { judge, reason } from '../finding/reasons';
import { RIGHT_ANGLE_ROTATIONS, toYawPitchRoll } from '../frames/rotation';
import { angleBetween, cross, length, normalise, scale, subtract, type Vec3 } from '../frames/vec3';
import { inertialLimits as limits } from './limits';

const MIN_LIFT_DEG = 15;
const CLEAR_MARGIN_DEG = 15;
const AXES = ['forward', 'right', 'down'] as const;

const dot = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

const refuse = (says: Message, value?: number): MountingAnswer => ({
	rotation: null,
	steps: '',
	yawDeg: null,
	pitchDeg: null,
	rollDeg: null,
	agreementDeg: null,
	runnerUpDeg: null,
	...judge([
		reason('fail', says, {
			value,
			limit: says.code.startsWith('insufficient') ? undefined : limits.mountingDeg,
		}),
	]),
});

/** Rotation angle between two rotations, degrees. */
function between(a: Mat3, b: Mat3): number {
	const r = multiply(transpose(a), b);
	return Math.acos(Math.max(-1, Math.min(1, (r[0][0] + r[1][1] + r[2][2] - 1) / 2))) / DEG;
}

/** Which body axis each sensor axis points along, in words. */
function words(rotation: Mat3): string {
	const columns = transpose(rotation);
	const said = (['x', 'y', 'z'] as const).map((name, k) => {
		const at = columns[k].findIndex((v) => Math.abs(v) > 0.5);
		const opposite = ['backward', 'left', 'up'][at];
		return `${name} points ${columns[k][at] > 0 ? AXES[at] : opposite}`;
	});
	return `The sensor's ${said.join(', its ')}.`;
}

/**
 * Mounting of an inertial sensor from three gestures (means of its readings, m/s², its own axes): level, nose lifted,
 * right side lowered. `rotation` takes sensor vectors into the body frame (x forward, y right, z down): z from level,
 * x from the change of the nose-up gesture, nearest of the 24 right-angle rotations; right-down must agree.
 */
export function solveMounting({ gestures }: MountingRequest): MountingAnswer {
	const level: Vec3 = gestures.level.accel;
	const nose: Vec3 = gestures.noseUp.accel;
	const right: Vec3 = gestures.rightDown.accel;
	if ([level, nose, right].some((f) => length(f) < 1e-6)) return refuse(say('insufficient-reading'));
	const lifts = [nose, right].map((f) => angleBetween(level, f) / DEG);
	if (Math.min(...lifts) < MIN_LIFT_DEG) return refuse(say('insufficient-tilt'), Math.min(...lifts));
	// f points up at rest, so down is −f. Nose up: f gains a part along +x (forward). Right down: f gains a part along −y.
	const z = normalise(scale(level, -1));
	const off = (f: Vec3): Vec3 => normalise(subtract(f, scale(z, dot(f, z))));
	const x = off(nose);
	const y = cross(z, x);
	const measured: Mat3 = [x, y, z];
	const yFromRight = scale(off(right), -1);
	const contradiction = angleBetween(y, yFromRight) / DEG;
	if (contradiction > 90) return refuse(say('mirrored'), contradiction);
	if (contradiction > 2 * limits.mountingDeg.value) return refuse(say('contradictory'), contradiction);
	const ranked = RIGHT_ANGLE_ROTATIONS.map((rotation) => ({ rotation, deg: between(rotation, measured) })).sort(
		(a, b) => a.deg - b.deg,
	);
	const [best, next] = ranked;
	const { yawRad, pitchRad, rollRad } = toYawPitchRoll(best.rotation);
	const clear = next.deg - best.deg;
	const reasons = [
		best.deg > limits.mountingDeg.value || clear < CLEAR_MARGIN_DEG
			? reason('caution', say('mounting-oblique'), { value: best.deg, limit: limits.mountingDeg })
			: reason('pass', say('mounting-found', { axes: words(best.rotation) }), {
					value: best.deg,
					limit: limits.mountingDeg,
				}),
		reason('pass', say('gestures-agree'), { value: contradiction, limit: limits.mountingDeg }),
	];
	return {
		// Adding zero makes a negative zero a plain one.
		rotation: ofRows(best.rotation.map((row) => row.map((v) => v + 0))),
		steps: words(best.rotation),
		yawDeg: yawRad / DEG,
		pitchDeg: pitchRad / DEG,
		rollDeg: rollRad / DEG,
		agreementDeg: best.deg,
		runnerUpDeg: next.deg,
		...judge(reasons),
	};
}
