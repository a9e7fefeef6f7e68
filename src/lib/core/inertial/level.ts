import { inertial as say } from '$lib/messages/inertial';
import type { LevelAnswer, LevelRequest } from '../../schema/inertial';
import type { Reason } from '../../schema/common';
import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { DEG, wrap360 } from '../frames/angles';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { add, angleBetween, length, normalise, scale, subtract, type Vec3 } from '../frames/vec3';
import { inertialLimits as limits } from './limits';

const AFTER_S = 5;

type LevelReadings = Omit<LevelRequest, 'first' | 'second'> & { first: Vec3; second: Vec3 | null };

/** Attitude that a specific force at rest reads as: roll = atan2(−f_y, −f_z), pitch = asin(f_x/|f|), degrees. */
export function attitudeOf(f: Vec3): { rollDeg: number; pitchDeg: number } {
	return {
		rollDeg: Math.atan2(-f[1], -f[2]) / DEG,
		pitchDeg: Math.asin(Math.max(-1, Math.min(1, f[0] / length(f)))) / DEG,
	};
}

/**
 * Level trim by the half-turn method: measured twice on one surface, turned by 180° about the surface's normal. The sum of
 * the two directions of gravity lies along the normal as the aircraft feels it, whatever the tilt of the surface; half the
 * angle between them is that tilt. Bearing of the surface's fall is given from the nose of the first reading.
 */
export function solveLevel({ first, second, wanted, sigmaMps2 }: LevelReadings): LevelAnswer {
	const g = STANDARD_GRAVITY_MPS2;
	const nothing = {
		trim: null,
		sigmaDeg: null,
		reading: null,
		surfaceTiltDeg: null,
		surfaceTowardDeg: null,
		driftMps2: null,
		driftAfter5sM: null,
	};
	for (const f of second ? [first, second] : [first])
		if (Math.abs(length(f) / g - 1) > 2 * limits.plausibleScale.value || !(f[2] < 0))
			return {
				...nothing,
				...judge([
					reason('fail', say('insufficient-level'), {
						value: length(f),
						limit: { value: g, unit: 'm/s²', source: 'Gravity' },
					}),
				]),
			};
	const up = second ? normalise(add(normalise(first), normalise(second))) : normalise(first);
	const reading = attitudeOf(up);
	const trim = { rollDeg: reading.rollDeg - wanted.rollDeg, pitchDeg: reading.pitchDeg - wanted.pitchDeg };
	const sigmaDeg = sigmaMps2 / g / (second ? Math.SQRT2 : 1) / DEG;
	const surfaceTiltDeg = second ? angleBetween(first, second) / 2 / DEG : null;
	// Gravity leans toward where the surface falls: what the first reading has beside the normal.
	const lean = second ? scale(subtract(normalise(second), normalise(first)), 0.5) : null;
	const surfaceTowardDeg = lean ? wrap360(Math.atan2(lean[1], lean[0]) / DEG) : null;
	const errorDeg = Math.hypot(trim.rollDeg, trim.pitchDeg);
	const driftMps2 = g * Math.sin(errorDeg * DEG);
	return {
		trim,
		sigmaDeg,
		reading,
		surfaceTiltDeg,
		surfaceTowardDeg,
		driftMps2,
		driftAfter5sM: (driftMps2 * AFTER_S ** 2) / 2,
		...judge(reasonsOf(trim, sigmaDeg, errorDeg, surfaceTiltDeg)),
	};
}

function reasonsOf(
	trim: { rollDeg: number; pitchDeg: number },
	sigmaDeg: number,
	errorDeg: number,
	surfaceTiltDeg: number | null,
): Reason[] {
	const out: Reason[] = [];
	if (surfaceTiltDeg === null) out.push(reason('caution', say('surface-unknown')));
	else
		out.push(
			atMost(surfaceTiltDeg, {
				caution: { limit: limits.surfaceTiltDeg, says: say('surface-steep') },
				pass: say('surface-known'),
			}),
		);
	out.push(
		atMost(sigmaDeg, {
			fail: { limit: limits.trimSigmaDeg, says: say('insufficient-stillness') },
			pass: say('reading-steady'),
		}),
	);
	const side = (value: number, positive: string, negative: string) =>
		Math.abs(value) < 0.05 ? '' : `${Math.abs(value).toFixed(1)}° ${value > 0 ? positive : negative}`;
	const words = [side(trim.rollDeg, 'right', 'left'), side(trim.pitchDeg, 'nose-up', 'nose-down')]
		.filter(Boolean)
		.join(', ');
	out.push(
		atMost(errorDeg, {
			caution: { limit: limits.trimDeg, says: say('level-off', { words }) },
			pass: say('level-right'),
		}),
	);
	return out;
}
