import { STANDARD_GRAVITY_MPS2 } from '../core/earth/gravity';
import { DEG } from '../core/frames/angles';
import { apply, inverse, multiply, transpose, type Mat3 } from '../core/frames/mat3';
import type { Rng } from '../core/math/random';
import { fromYawPitchRoll } from '../core/frames/rotation';
import { normalise, type Vec3 } from '../core/frames/vec3';
import type { Face } from '../schema/inertial';

/** Columns of three axes. */
export interface Axes {
	t: number[];
	x: number[];
	y: number[];
	z: number[];
}

const RATE_HZ = 50;
const G = STANDARD_GRAVITY_MPS2;

/** Attitudes (pitch, roll in degrees) that put a face down. */
const FACE_POSE: Record<Face, readonly [number, number]> = {
	belly: [0, 0],
	back: [0, 180],
	left: [0, -90],
	right: [0, 90],
	nose: [-90, 0],
	tail: [90, 0],
};

export interface AccelTruth {
	faces: readonly Face[];
	holdS: number;
	/** a_raw = inverse(matrix)·f + offset. */
	offsetMps2: Vec3;
	matrix: Mat3;
	noiseMps2: number;
	/** Tilt of each pose from its face, degrees; hands are never exact. */
	sloppyDeg: number;
	/** This face is moved while it is held. */
	movedFace?: Face | undefined;
}

/** Poses held one after the other with movement between them: what the accelerometer reads, m/s². */
export function recordPoses(truth: AccelTruth, rng: Rng): Axes {
	const bend = inverse(truth.matrix) ?? truth.matrix;
	const out: Axes = { t: [], x: [], y: [], z: [] };
	const MOVE_S = 1.4;
	let before: Vec3 = [0, 0, -1];
	let atS = 0;
	const push = (f: Vec3, extra: number) => {
		const raw = apply(bend, f);
		const noise = () => (truth.noiseMps2 + extra) * rng.normal();
		out.t.push(Math.round(atS * 1e4) / 1e4);
		out.x.push(raw[0] + truth.offsetMps2[0] + noise());
		out.y.push(raw[1] + truth.offsetMps2[1] + noise());
		out.z.push(raw[2] + truth.offsetMps2[2] + noise());
		atS += 1 / RATE_HZ;
	};
	for (const face of truth.faces) {
		const [pitch, roll] = FACE_POSE[face];
		const tilt = () => truth.sloppyDeg * rng.normal();
		const attitude = fromYawPitchRoll(0, (pitch + tilt()) * DEG, (roll + tilt()) * DEG);
		const up = apply(transpose(attitude), [0, 0, -1]);
		for (let k = 0; k < MOVE_S * RATE_HZ; k++) {
			const s = k / (MOVE_S * RATE_HZ);
			const mixed = normalise([
				before[0] + s * (up[0] - before[0]) + 1e-3,
				before[1] + s * (up[1] - before[1]),
				before[2] + s * (up[2] - before[2]),
			]);
			push([mixed[0] * G, mixed[1] * G, mixed[2] * G], 0.9);
		}
		const held = truth.holdS * RATE_HZ;
		for (let k = 0; k < held; k++) {
			const shake = face === truth.movedFace ? 1.5 * Math.sin(k / 3.1) : 0;
			push([up[0] * G + shake, up[1] * G, up[2] * G - shake / 2], 0);
		}
		before = up;
	}
	return out;
}

export interface GyroTruth {
	forS: number;
	biasRadps: Vec3;
	noiseRadps: number;
	/** Random walk of the bias, rad/s per √s. */
	walk: number;
	/** Warm-up: bias that dies away, rad/s. */
	warmUpRadps: number;
	/** A knock at half time. */
	knocked: boolean;
}

/** A gyro at rest, rad/s. */
export function recordGyro(truth: GyroTruth, rng: Rng): Axes {
	const n = truth.forS * RATE_HZ;
	const bias = [...truth.biasRadps];
	const out: Axes = { t: [], x: [], y: [], z: [] };
	for (let i = 0; i < n; i++) {
		const t = i / RATE_HZ;
		const knock = truth.knocked ? 0.4 * Math.exp(-(((t - truth.forS / 2) / 0.3) ** 2)) : 0;
		const axis = [0, 1, 2].map((k) => {
			bias[k] += (truth.walk * rng.normal()) / Math.sqrt(RATE_HZ);
			return (
				bias[k] + truth.warmUpRadps * Math.exp(-t / 12) + knock * (k === 1 ? 1 : 0.4) + truth.noiseRadps * rng.normal()
			);
		});
		out.t.push(t);
		out.x.push(axis[0]);
		out.y.push(axis[1]);
		out.z.push(axis[2]);
	}
	return out;
}

export interface ShakeTruth {
	forS: number;
	rateHz: number;
	rotorHz: number;
	blades: number;
	/** Peak of the shaking at the rotor's rate, m/s², and at blade passing. */
	rotorMps2: number;
	bladeMps2: number;
	noiseMps2: number;
	/** The sensor's range, m/s². */
	rangeMps2: number;
}

/** Vibration in the hover: rotor rate (an unbalanced propeller), blade passing, noise, clipped at the sensor's range. */
export function recordShake(truth: ShakeTruth, rng: Rng): Axes {
	const n = truth.forS * truth.rateHz;
	const out: Axes = { t: [], x: [], y: [], z: [] };
	const phase = [rng.uniform(), rng.uniform(), rng.uniform()].map((u) => 2 * Math.PI * u);
	for (let i = 0; i < n; i++) {
		const t = i / truth.rateHz;
		const w = 2 * Math.PI * truth.rotorHz * t;
		const clip = (v: number) => Math.max(-truth.rangeMps2, Math.min(truth.rangeMps2, v));
		const axis = [0, 1, 2].map((k) => {
			const unbalance = truth.rotorMps2 * (k === 2 ? 0.35 : 1) * Math.sin(w + phase[k]);
			const passing = truth.bladeMps2 * (k === 2 ? 1 : 0.3) * Math.sin(truth.blades * w + phase[k]);
			return clip((k === 2 ? -G : 0) + unbalance + passing + truth.noiseMps2 * rng.normal());
		});
		out.t.push(t);
		out.x.push(axis[0]);
		out.y.push(axis[1]);
		out.z.push(axis[2]);
	}
	return out;
}

/** Gestures held one after the other with a board mounted askew: level, nose up, right down. */
export function recordGestures(mounting: Mat3, noseUpDeg: number, rightDownDeg: number, rng: Rng): Axes {
	const poses: readonly (readonly [number, number])[] = [
		[0, 0],
		[noseUpDeg, 0],
		[0, rightDownDeg],
	];
	return standing(
		poses.map(([pitch, roll]) => multiply(fromYawPitchRoll(0, pitch * DEG, roll * DEG), mounting)),
		rng,
	);
}

/** Attitudes held for three seconds each, with movement between. */
export function standing(attitudes: readonly Mat3[], rng: Rng): Axes {
	const out: Axes = { t: [], x: [], y: [], z: [] };
	let i = 0;
	attitudes.forEach((attitude, index) => {
		const f = apply(transpose(attitude), [0, 0, -G]);
		const seconds = index === 0 ? 3 : 4.2;
		for (let k = 0; k < seconds * RATE_HZ; k++) {
			const moving = index > 0 && k < 1.2 * RATE_HZ ? 1.6 : 0.03;
			out.t.push(i++ / RATE_HZ);
			out.x.push(f[0] + moving * rng.normal());
			out.y.push(f[1] + moving * rng.normal());
			out.z.push(f[2] + moving * rng.normal());
		}
	});
	return out;
}

export interface PressureTruth {
	noiseM: number;
	driftMPerMin: number;
	perThrottleM: number;
}

/** Pressure height of an aircraft on its stand while the throttle goes up and down. */
export function recordPressure(truth: PressureTruth, rng: Rng): { t: number[]; heightM: number[]; throttle: number[] } {
	const t = Array.from({ length: 600 }, (_, k) => k / 10);
	const throttle = t.map((s) => (s < 15 ? 0 : 0.55 * (0.5 - 0.5 * Math.cos((2 * Math.PI * (s - 15)) / 22.5))));
	return {
		t,
		throttle,
		heightM: t.map(
			(s, k) => 14 + (truth.driftMPerMin * s) / 60 + truth.perThrottleM * throttle[k] + truth.noiseM * rng.normal(),
		),
	};
}

export interface LegsTruth {
	/** What the attitude shows in straight, level flight. */
	pitchDeg: number;
	rollDeg: number;
	legS: number;
	gustDeg: number;
}

/** A flight of a wing: four straight legs at one height, a turn and a climb after each. Ten readings a second. */
export function recordLegs(truth: LegsTruth, rng: Rng) {
	const out = {
		t: [] as number[],
		roll: [] as number[],
		pitch: [] as number[],
		height: [] as number[],
		heading: [] as number[],
	};
	let [heightM, headingDeg] = [60, 340];
	const fly = (forS: number, pitch: number, roll: number, climbMps: number, turnDegps: number) => {
		for (let k = 0; k < forS * 10; k++) {
			heightM += climbMps / 10;
			headingDeg = (headingDeg + turnDegps / 10 + 360) % 360;
			out.t.push(out.t.length / 10);
			out.pitch.push(truth.pitchDeg + pitch + truth.gustDeg * rng.normal());
			out.roll.push(truth.rollDeg + roll + truth.gustDeg * rng.normal());
			out.height.push(heightM + 0.06 * rng.normal());
			out.heading.push(headingDeg);
		}
	};
	for (let leg = 0; leg < 4; leg++) {
		fly(truth.legS, 0, 0, 0, 0);
		fly(5, 3, 32, 0.3, 24);
		fly(4, 8, 0, 2.2, 0);
	}
	return out;
}
