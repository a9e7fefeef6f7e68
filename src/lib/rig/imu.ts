import { STANDARD_GRAVITY_MPS2 } from '../core/earth/gravity';
import { apply, inverse, multiply, transpose, type Mat3 } from '../core/frames/mat3';
import type { Rng } from '../core/math/random';
import { add, type Vec3 } from '../core/frames/vec3';
import type { Motion } from './turning';

/** What is true of the simulated sensors: the numbers that a calibration should find. */
export interface ImuTruth {
	/** Earth's field at the place, north, east, down, µT. */
	fieldUt: Vec3;
	/** Hard-iron offset in the magnetometer's axes, µT. */
	hardIronUt: Vec3;
	/** W of m_true = W·(m_raw − b), symmetric, in the magnetometer's axes. */
	softIron: Mat3;
	/** Rotation from the magnetometer's axes to the body's. */
	mounting: Mat3;
	magNoiseUt: number;
	accelNoiseMps2: number;
	/** What the accelerometer adds to the specific force, m/s², its own axes, and how it stretches it. */
	accelOffsetMps2: Vec3;
	accelStretch: Mat3;
	/** Rotation from the axes of accelerometer and gyro to the body's. */
	board: Mat3;
	gyroNoiseRadps: number;
	gyroBiasRadps: Vec3;
	/** Field of a piece of steel that passes by, µT at its nearest; 0 for none. */
	passingSteelUt: number;
	/** A steady extra field of the place (iron in the ground or a wall), north, east, down, µT. */
	disturbanceUt: Vec3;
}

export interface ImuSample {
	tS: number;
	accelMps2: Vec3;
	gyroRadps: Vec3;
	magUt: Vec3;
	/** True attitude, body → north, east, down: shown by the rig only, never used by the core. */
	attitude: Mat3;
}

const STEEL_FROM_S = 14;
const STEEL_FOR_S = 2;
const STEP_S = 1e-3;

/** Rate in body axes of a motion at a time, by a central difference of its rotation. */
function bodyRate(motion: Motion, tS: number): Vec3 {
	const d = multiply(transpose(motion(tS - STEP_S)), motion(tS + STEP_S));
	const k = 1 / (4 * STEP_S);
	return [(d[2][1] - d[1][2]) * k, (d[0][2] - d[2][0]) * k, (d[1][0] - d[0][1]) * k];
}

/** A reader of the simulated inertial and magnetic sensors: give it a time, it gives the sample, noise from `rng`. */
export function imuOf(truth: ImuTruth, motion: Motion, rng: Rng): (tS: number) => ImuSample {
	const bend = inverse(truth.softIron);
	if (!bend) throw new Error('the soft iron of the rig must have an inverse');
	const noisy = (v: Vec3, sigma: number): Vec3 => [
		v[0] + sigma * rng.normal(),
		v[1] + sigma * rng.normal(),
		v[2] + sigma * rng.normal(),
	];
	return (tS) => {
		const attitude = motion(tS);
		const toBody = transpose(attitude);
		const passing = truth.passingSteelUt * Math.exp(-(((tS - STEEL_FROM_S) / STEEL_FOR_S) ** 2));
		const [n, e, d] = truth.fieldUt;
		const [dn, de, dd] = truth.disturbanceUt;
		const field: Vec3 = [n + dn + passing, e + de, d + dd - passing / 2];
		const sensor = apply(transpose(truth.mounting), apply(toBody, field));
		const bent = apply(bend, sensor);
		const raw: Vec3 = [bent[0] + truth.hardIronUt[0], bent[1] + truth.hardIronUt[1], bent[2] + truth.hardIronUt[2]];
		const toBoard = transpose(truth.board);
		const rate = apply(toBoard, bodyRate(motion, tS));
		const force = apply(truth.accelStretch, apply(toBoard, apply(toBody, [0, 0, -STANDARD_GRAVITY_MPS2])));
		return {
			tS,
			accelMps2: noisy(add(force, truth.accelOffsetMps2), truth.accelNoiseMps2),
			gyroRadps: noisy(
				[rate[0] + truth.gyroBiasRadps[0], rate[1] + truth.gyroBiasRadps[1], rate[2] + truth.gyroBiasRadps[2]],
				truth.gyroNoiseRadps,
			),
			magUt: noisy(raw, truth.magNoiseUt),
			attitude,
		};
	};
}
