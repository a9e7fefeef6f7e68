import { DEG } from '../core/frames/angles';
import { STANDARD_GRAVITY_MPS2 } from '../core/earth/gravity';
import type { Rng } from '../core/math/random';

/** What is true of a simulated hover. */
export interface HoverTruth {
	hold: 'attitude' | 'height' | 'position';
	durationS: number;
	rateHz: number;
	heightM: number;
	/** Reported − true heading, degrees. */
	compassErrorDeg: number;
	wind: { fromDeg: number; speedMps: number; gustMps: number };
	/** Tilt that the level calibration takes for level: roll right positive, pitch nose-up positive, degrees. */
	trim: { rollDeg: number; pitchDeg: number };
	headingDeg: number;
	/** White and slow noise of the fix, metres. */
	fixNoiseM: number;
	fixWanderM: number;
	/** A jump of the fix: time and size; size 0 for none. */
	jump: { atS: number; sizeM: number };
	/** Bobbing of the height loop, metres, and slow pressure wander, metres. */
	bobbingM: number;
	pressureWanderM: number;
}

export interface HoverLog {
	t: number[];
	north: number[];
	east: number[];
	up: number[];
	headingDeg: number[];
	rollDeg: number[];
	pitchDeg: number[];
	satellites: number[];
	/** Where it truly was, which no log of its own shows: metres. */
	trueNorth: number[];
	trueEast: number[];
}

/** Gains and lags of the simulated hold loop, drawn once per aircraft. */
export interface LoopGains {
	kp: number;
	kv: number;
	ki: number;
	tau: number;
	fv: number;
	fp: number;
}

export const drawGains = (rng: Rng): LoopGains => {
	const around = (middle: number, spread: number) => middle * Math.exp(spread * rng.normal());
	return {
		kp: around(0.95, 0.2),
		kv: around(2.5, 0.25),
		ki: around(0.3, 0.3),
		tau: around(0.15, 0.2),
		fv: around(1.7, 0.3),
		fp: around(1.05, 0.3),
	};
};

const STEP_S = 0.02;
const DRAG = 0.28;
const MAX_TILT_MPS2 = 4;
const MAX_SPEED_MPS = 5;
const SETTLE_S = 20;
const GUST_TIME_S = 4;
const SLOW_WANDER_S = 45;
const MEDIUM_WANDER_S = 1.5;

type Complex = [number, number];
const add = (a: Complex, b: Complex, k = 1): Complex => [a[0] + k * b[0], a[1] + k * b[1]];
const turn = (a: Complex, rad: number): Complex => [
	a[0] * Math.cos(rad) - a[1] * Math.sin(rad),
	a[0] * Math.sin(rad) + a[1] * Math.cos(rad),
];
const limited = (a: Complex, most: number): Complex => {
	const size = Math.hypot(a[0], a[1]);
	return size > most ? [(a[0] * most) / size, (a[1] * most) / size] : a;
};

/**
 * Flies a hover: position → velocity → tilt loop with a navigation filter, tilt lag, drag, gusts and a wandering fix,
 * all turned by the compass error (docs/methods/hover.md#why-it-circles). Track in metres, as the aircraft would log it.
 */
export function flyHover(truth: HoverTruth, gains: LoopGains, rng: Rng): HoverLog {
	const { kp, kv, ki, tau, fv, fp } = gains;
	const psi = truth.compassErrorDeg * DEG;
	const c0 = (fp * fp) / 4;
	const to = (truth.wind.fromDeg + 180) * DEG;
	const meanWind: Complex = [truth.wind.speedMps * Math.cos(to), truth.wind.speedMps * Math.sin(to)];
	const gustSigma = Math.max(0.12, (truth.wind.gustMps - truth.wind.speedMps) / 2 + 0.06 * truth.wind.speedMps);
	const g = STANDARD_GRAVITY_MPS2;
	const trim = turn(
		[-g * Math.tan(truth.trim.pitchDeg * DEG), g * Math.tan(truth.trim.rollDeg * DEG)],
		truth.headingDeg * DEG,
	);
	const held = truth.hold === 'position';
	let z: Complex = [0, 0];
	let v: Complex = [0, 0];
	let gust: Complex = [0, 0];
	let slow: Complex = [truth.fixWanderM * rng.normal(), truth.fixWanderM * rng.normal()];
	let medium: Complex = [0, 0];
	let p: Complex = [0, 0];
	let vel: Complex = [0, 0];
	let integral: Complex = [0, 0];
	let lag1: Complex = [0, 0];
	let lag2: Complex = [0, 0];
	let noiseRead: Complex = [0, 0];
	let wander = 0;
	const ou = (x: Complex, sigma: number, time: number): Complex => {
		const keep = Math.exp(-STEP_S / time);
		const kick = sigma * Math.sqrt(1 - keep * keep);
		return [keep * x[0] + kick * rng.normal(), keep * x[1] + kick * rng.normal()];
	};
	const log: HoverLog = {
		t: [],
		north: [],
		east: [],
		up: [],
		headingDeg: [],
		rollDeg: [],
		pitchDeg: [],
		satellites: [],
		trueNorth: [],
		trueEast: [],
	};
	const every = Math.max(1, Math.round(1 / (truth.rateHz * STEP_S)));
	// Without a hold the aircraft is brought to rest first and then let go: it drifts from the start of the log.
	const settle = held ? SETTLE_S : 0;
	const steps = Math.round((settle + truth.durationS) / STEP_S);
	for (let k = 0; k <= steps; k++) {
		const tS = k * STEP_S - settle;
		gust = ou(gust, gustSigma, GUST_TIME_S);
		slow = ou(slow, truth.fixWanderM, SLOW_WANDER_S);
		medium = ou(medium, truth.fixWanderM * 0.25, MEDIUM_WANDER_S);
		const jump: Complex = truth.jump.sizeM !== 0 && tS >= truth.jump.atS ? [truth.jump.sizeM, 0] : [0, 0];
		if (k % every === 0) noiseRead = [truth.fixNoiseM * rng.normal(), truth.fixNoiseM * rng.normal()];
		const fix = add(add(add(add(z, slow), medium), noiseRead), jump);
		let command: Complex = [0, 0];
		if (held) {
			const wanted = limited([-kp * p[0], -kp * p[1]], MAX_SPEED_MPS);
			const error: Complex = [wanted[0] - vel[0], wanted[1] - vel[1]];
			integral = limited(add(integral, error, ki * STEP_S), MAX_TILT_MPS2 / kv);
			command = limited([kv * (error[0] + integral[0]), kv * (error[1] + integral[1])], MAX_TILT_MPS2);
		}
		lag1 = add(lag1, add(command, lag1, -1), (2 * STEP_S) / tau);
		lag2 = add(lag2, add(lag1, lag2, -1), (2 * STEP_S) / tau);
		const thrust = add(turn(lag2, -psi), held ? [0, 0] : trim);
		const air = add(meanWind, gust);
		const acceleration: Complex = [thrust[0] + DRAG * (air[0] - v[0]), thrust[1] + DRAG * (air[1] - v[1])];
		const felt = turn(acceleration, psi);
		const miss = add(fix, p, -1);
		vel = [
			vel[0] + STEP_S * (felt[0] + fv * (v[0] - vel[0]) + c0 * miss[0]),
			vel[1] + STEP_S * (felt[1] + fv * (v[1] - vel[1]) + c0 * miss[1]),
		];
		p = [p[0] + STEP_S * (vel[0] + fp * miss[0]), p[1] + STEP_S * (vel[1] + fp * miss[1])];
		v = add(v, acceleration, STEP_S);
		z = add(z, v, STEP_S);
		wander =
			wander * Math.exp(-STEP_S / 12) + truth.pressureWanderM * Math.sqrt(1 - Math.exp(-STEP_S / 6)) * rng.normal();
		if (tS < 0 || k % every !== 0) continue;
		log.t.push(Math.round(tS * 1000) / 1000);
		log.trueNorth.push(z[0]);
		log.trueEast.push(z[1]);
		log.north.push(fix[0]);
		log.east.push(fix[1]);
		log.up.push(truth.heightM + wander + truth.bobbingM * Math.sin(2 * Math.PI * 0.8 * tS) + 0.03 * rng.normal());
		// The tilt as the aircraft knows it: what it asked for, seen from its reported heading.
		const asked = turn(lag2, -(truth.headingDeg + truth.compassErrorDeg) * DEG);
		log.rollDeg.push(Math.atan(asked[1] / g) / DEG + 0.15 * rng.normal());
		log.pitchDeg.push(-Math.atan(asked[0] / g) / DEG + 0.15 * rng.normal());
		log.headingDeg.push((truth.headingDeg + truth.compassErrorDeg + 0.6 * Math.sin(tS / 7) + 360) % 360);
		log.satellites.push(truth.fixNoiseM > 0.2 ? 7 : 14);
	}
	return log;
}
