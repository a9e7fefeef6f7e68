import { fieldAt } from '../core/earth/field';
import { IDENTITY, ofRows } from '../core/frames/mat3';
import { seededRng } from '../core/math/random';
import { rotationZ, rotationX } from '../core/frames/rotation';
import { multiply, type Mat3 } from '../core/frames/mat3';
import { drawGains, flyHover, type HoverLog, type HoverTruth } from './hover';
import { imuOf, type ImuSample, type ImuTruth } from './imu';
import { receiverOf, type ReceiverTruth } from './receiver';
import type { Motion } from './turning';

/** What the practice aircraft has wrong, chosen by the pilot or drawn. */
export interface RigFaults {
	offsets: boolean;
	softIron: boolean;
	metalNear: boolean;
	mountingTurned: boolean;
	/** The accelerometer's offsets and scales are off. */
	accelOff: boolean;
	/** The board sits turned by a quarter to the right. */
	boardTurned: boolean;
	weakSky: boolean;
	headingErrorDeg: number;
	windMps: number;
}

/** A fault that is there or not. */
export type RigSwitch = Exclude<keyof RigFaults, 'headingErrorDeg' | 'windMps'>;

export const NO_FAULTS: RigFaults = {
	offsets: true,
	softIron: false,
	metalNear: false,
	mountingTurned: false,
	accelOff: false,
	boardTurned: false,
	weakSky: false,
	headingErrorDeg: 0,
	windMps: 3,
};

export interface RigPlace {
	latDeg: number;
	lonDeg: number;
	altM: number;
}

/** Where the practice aircraft stands while no place was entered. */
export const PRACTICE_PLACE: RigPlace = { latDeg: 54.2231, lonDeg: -3.0642, altM: 7 };

export const IMU_RATE_HZ = 100;
export const RECEIVER_RATE_HZ = 5;
const PACK_RATE_HZ = 1;
const PACK_FULL_V = 4.19;
const PACK_CELLS = 4;
/** Volts per second that a pack on the ground loses with the electronics on. */
const PACK_SAG_VPS = 2e-4;

export interface RigBatch {
	imu: ImuSample[];
	lines: string[];
	packV: number | null;
}

const STRETCHED: Mat3 = [
	[1.011, 0, 0],
	[0, 0.992, 0],
	[0, 0, 1.007],
];
const round = (m: Mat3): Mat3 => ofRows(m.map((row) => row.map(Math.round)));

/** True sensors of the practice aircraft at a place and date, drawn from its seed. */
export function imuTruth(seed: number, faults: RigFaults, place: RigPlace, date: string): ImuTruth {
	const rng = seededRng(seed);
	const model = fieldAt(place.latDeg, place.lonDeg, place.altM, date);
	const size = faults.offsets ? 14 : 0.4;
	const bend = faults.softIron ? 0.07 : 0.008;
	const c = () => bend * rng.normal();
	const [xy, xz, yz] = [c(), c(), c()];
	return {
		fieldUt: [model.northUt, model.eastUt, model.downUt],
		hardIronUt: [size * rng.normal(), size * rng.normal(), size * rng.normal()],
		softIron: [
			[1 + c(), xy, xz],
			[xy, 1 + c(), yz],
			[xz, yz, 1 + c()],
		],
		mounting: faults.mountingTurned ? round(multiply(rotationZ(Math.PI / 2), rotationX(Math.PI))) : IDENTITY,
		magNoiseUt: 0.35,
		accelNoiseMps2: 0.06,
		accelOffsetMps2: faults.accelOff ? [0.22, -0.17, 0.3] : [0, 0, 0],
		accelStretch: faults.accelOff ? STRETCHED : IDENTITY,
		board: faults.boardTurned ? round(rotationZ(Math.PI / 2)) : IDENTITY,
		gyroNoiseRadps: 0.008,
		gyroBiasRadps: [0.006 * rng.normal(), 0.006 * rng.normal(), 0.006 * rng.normal()],
		passingSteelUt: faults.metalNear ? 18 : 0,
		disturbanceUt: faults.metalNear ? [7, -3, -9] : [0, 0, 0],
	};
}

export function receiverTruth(faults: RigFaults, place: RigPlace, startTod = 36_000, ddmmyy = '010126'): ReceiverTruth {
	return {
		...place,
		firstFixS: faults.weakSky ? 26 : 9,
		satellites: faults.weakSky ? 6 : 15,
		hdop: faults.weakSky ? 2.7 : 0.8,
		wanderM: faults.weakSky ? 3.5 : 0.5,
		wanderS: 40,
		brokenShare: faults.weakSky ? 0.01 : 0.001,
		startTod,
		ddmmyy,
	};
}

/** A stream of the practice aircraft: ask for everything up to a time, in order. */
export function openRig(
	seed: number,
	faults: RigFaults,
	place: RigPlace,
	date: string,
	motion: Motion,
): { advance(toS: number): RigBatch } {
	const imu = imuOf(imuTruth(seed, faults, place, date), motion, seededRng(seed + 1));
	const receiver = receiverOf(receiverTruth(faults, place), seededRng(seed + 2));
	const rng = seededRng(seed + 3);
	let imuAt = 0;
	let fixAt = 0;
	let packAt = 0;
	return {
		advance(toS) {
			const batch: RigBatch = { imu: [], lines: [], packV: null };
			for (; imuAt / IMU_RATE_HZ <= toS; imuAt++) batch.imu.push(imu(imuAt / IMU_RATE_HZ));
			for (; fixAt / RECEIVER_RATE_HZ <= toS; fixAt++) batch.lines.push(...receiver(fixAt / RECEIVER_RATE_HZ));
			for (; packAt / PACK_RATE_HZ <= toS; packAt++)
				batch.packV = PACK_CELLS * (PACK_FULL_V - PACK_SAG_VPS * packAt) + 0.004 * rng.normal();
			return batch;
		},
	};
}

/** A hover of the practice aircraft, in position hold unless told otherwise. */
export function rigHover(
	seed: number,
	faults: RigFaults,
	more: Partial<HoverTruth> = {},
): { truth: HoverTruth; log: HoverLog } {
	const rng = seededRng(seed + 4);
	const truth: HoverTruth = {
		hold: 'position',
		durationS: 60,
		rateHz: 5,
		heightM: 2.4,
		compassErrorDeg: faults.headingErrorDeg,
		wind: { fromDeg: 245, speedMps: faults.windMps, gustMps: faults.windMps * 1.5 },
		trim: { rollDeg: 0, pitchDeg: 0 },
		headingDeg: 62,
		fixNoiseM: faults.weakSky ? 0.35 : 0.03,
		fixWanderM: faults.weakSky ? 1.4 : 0.35,
		jump: { atS: 24, sizeM: 0 },
		bobbingM: 0,
		pressureWanderM: 0.06,
		...more,
	};
	return { truth, log: flyHover(truth, drawGains(rng), rng) };
}
