import { openRig, type RigFaults, type RigPlace } from '$lib/rig/rig';
import { RECIPES, scriptedHands, type Motion, type RecipeName } from '$lib/rig/turning';
import { seededRng } from '$lib/core/math/random';
import { transpose, multiply, IDENTITY, type Mat3 } from '$lib/core/frames/mat3';
import { aboutAxis } from '$lib/core/frames/rotation';
import { RADIO_RATE_HZ } from '$lib/rig/sticks';
import type { AxisBatch, ChannelBatch, Source, SourceBatch } from './source';
import type { ImuSample } from '$lib/rig/imu';
import type { Vec3 } from '$lib/core/frames/vec3';

export interface RigOptions {
	seed: number;
	faults: RigFaults;
	place: RigPlace;
	date: string;
	/** How many seconds of the aircraft's time pass in a second of the clock: rehearsal may be quick. */
	speed: number;
	/** Whose hands turn it: a recipe's, still ones, the pilot's own by pointer and keys, or others that follow. */
	hands: RecipeName | 'still' | { turnable: boolean; attitude(): Mat3 };
}

const TICK_MS = 50;
/** The pilot's hands are followed with this lag, so that a key press is a movement and not a jump. */
const FOLLOW_S = 0.25;

const axes = (samples: ImuSample[], key: 'magUt' | 'accelMps2' | 'gyroRadps'): AxisBatch => ({
	t: samples.map((s) => s.tS),
	x: samples.map((s) => s[key][0]),
	y: samples.map((s) => s[key][1]),
	z: samples.map((s) => s[key][2]),
});

/** The motion of hands that follow a target: each moment turns a part of the way that is left. */
function following(target: () => Mat3): { motion: Motion; reach(tS: number): void } {
	const history: { tS: number; attitude: Mat3 }[] = [{ tS: 0, attitude: target() }];
	return {
		reach(tS) {
			let last = history[history.length - 1];
			while (last.tS < tS) {
				const step = Math.min(0.05, tS - last.tS);
				const left = multiply(transpose(last.attitude), target());
				const axis: Vec3 = [left[2][1] - left[1][2], left[0][2] - left[2][0], left[1][0] - left[0][1]];
				const size = Math.hypot(...axis);
				const angle = Math.atan2(size / 2, (left[0][0] + left[1][1] + left[2][2] - 1) / 2);
				const about: Vec3 = size > 1e-9 ? axis : [0, 0, 1];
				const turned = angle > 1e-9 ? aboutAxis(about, angle * (1 - Math.exp(-step / FOLLOW_S))) : IDENTITY;
				last = { tS: last.tS + step, attitude: multiply(last.attitude, turned) };
				history.push(last);
			}
			if (history.length > 400) history.splice(0, history.length - 400);
		},
		motion(tS) {
			const at = history.findLastIndex((h) => h.tS <= tS);
			const from = history[Math.max(0, at)];
			const to = history[Math.min(history.length - 1, at + 1)];
			const s = to.tS > from.tS ? Math.max(0, Math.min(1, (tS - from.tS) / (to.tS - from.tS))) : 0;
			const d = multiply(transpose(from.attitude), to.attitude);
			const axis: Vec3 = [d[2][1] - d[1][2], d[0][2] - d[2][0], d[1][0] - d[0][1]];
			const size = Math.hypot(...axis);
			if (size < 1e-9) return from.attitude;
			return multiply(from.attitude, aboutAxis(axis, s * Math.asin(Math.min(1, size / 2))));
		},
	};
}

/** The practice radio as a source, 50 readings a second; its hands do what they are asked. */
export function rigRadioSource(hands: { channels(): number[] }, speed: number): Source {
	return {
		name: 'practice radio',
		practice: true,
		turnable: false,
		open(sink) {
			let read = 0;
			let atS = 0;
			let last = performance.now();
			const timer = setInterval(() => {
				const now = performance.now();
				atS += Math.min(1, (now - last) / 1000) * speed;
				last = now;
				const batch: ChannelBatch = { t: [], channels: [] };
				for (; read / RADIO_RATE_HZ <= atS; read++) {
					batch.t.push(read / RADIO_RATE_HZ);
					hands.channels().forEach((v, k) => (batch.channels[k] ??= []).push(v));
				}
				if (batch.t.length > 0) sink.batch({ atS, radio: batch });
			}, TICK_MS);
			return () => clearInterval(timer);
		},
	};
}

/** The practice aircraft as a source: inertial and magnetic at 100 Hz, receiver at 5 Hz, pack voltage. */
export function rigSource(options: RigOptions): Source {
	const { seed, faults, place, date, speed, hands } = options;
	return {
		name: 'practice aircraft',
		practice: true,
		turnable: typeof hands === 'object' && hands.turnable,
		open(sink) {
			const free = typeof hands === 'object' ? following(hands.attitude) : null;
			const scripted =
				typeof hands === 'string' && hands !== 'still' ? scriptedHands(RECIPES[hands], seededRng(seed + 9)) : null;
			const motion: Motion = free?.motion ?? scripted?.motion ?? (() => IDENTITY);
			const rig = openRig(seed, faults, place, date, motion);
			let atS = 0;
			let last = performance.now();
			const timer = setInterval(() => {
				const now = performance.now();
				// A page in the background ticks slowly: catch up at most a second at a time.
				atS += Math.min(1, (now - last) / 1000) * speed;
				last = now;
				free?.reach(atS + 0.1);
				const { imu, lines, packV } = rig.advance(atS);
				const batch: SourceBatch = {
					atS,
					mag: axes(imu, 'magUt'),
					accel: axes(imu, 'accelMps2'),
					gyro: axes(imu, 'gyroRadps'),
					lines,
					attitude: motion(atS),
				};
				if (packV !== null) batch.packV = packV;
				sink.batch(batch);
			}, TICK_MS);
			return () => clearInterval(timer);
		},
	};
}
