import { DEG } from '../core/frames/angles';
import { multiply, type Mat3 } from '../core/frames/mat3';
import { aboutAxis, fromYawPitchRoll, rotationY, rotationX, rotationZ } from '../core/frames/rotation';
import type { Rng } from '../core/frames/random';

/** Attitude (body → north, east, down) as a function of time in seconds. */
export type Motion = (tS: number) => Mat3;

/** A pose held while turning about the vertical: pitch and roll in degrees, turn rate in degrees per second. */
export interface Turn {
	pitchDeg: number;
	rollDeg: number;
	forS: number;
	rateDegPerS: number;
}

const turn = (pitchDeg: number, rollDeg: number, forS = 8, rateDegPerS = 50): Turn => ({
	pitchDeg,
	rollDeg,
	forS,
	rateDegPerS,
});

/** The recipes of turning that the scripted hands know. */
export const RECIPES = {
	thorough: [
		turn(0, 0),
		turn(-60, 0),
		turn(60, 0),
		turn(0, 80),
		turn(0, -80),
		turn(0, 170),
		turn(-35, 35),
		turn(35, -45),
	],
	'two turns': [turn(0, 0, 9, 45), turn(85, 0, 9, 45)],
	'level only': [turn(0, 0, 20, 45)],
} as const satisfies Record<string, readonly Turn[]>;
export type RecipeName = keyof typeof RECIPES;

const MOVE_BETWEEN_S = 1.6;
const smooth = (s: number) => s * s * (3 - 2 * s);

/** Hands that follow a recipe, moving smoothly between poses, with a wobble of `wobbleDeg` that no hand is without. */
export function scriptedHands(turns: readonly Turn[], rng: Rng, wobbleDeg = 4): { motion: Motion; durationS: number } {
	const phase = [rng.uniform(), rng.uniform(), rng.uniform()].map((u) => 2 * Math.PI * u);
	const durationS = turns.reduce((sum, part) => sum + part.forS + MOVE_BETWEEN_S, 0);
	const motion: Motion = (tS) => {
		let t = Math.max(0, Math.min(tS, durationS));
		let yaw = 0;
		let from = turns[0];
		for (const part of turns) {
			if (t < MOVE_BETWEEN_S) {
				const s = smooth(t / MOVE_BETWEEN_S);
				return pose(
					from.pitchDeg + s * (part.pitchDeg - from.pitchDeg),
					from.rollDeg + s * (part.rollDeg - from.rollDeg),
					yaw,
				);
			}
			t -= MOVE_BETWEEN_S;
			if (t < part.forS) return pose(part.pitchDeg, part.rollDeg, yaw + part.rateDegPerS * t);
			t -= part.forS;
			yaw += part.rateDegPerS * part.forS;
			from = part;
		}
		return pose(from.pitchDeg, from.rollDeg, yaw);

		function pose(pitchDeg: number, rollDeg: number, yawDeg: number): Mat3 {
			const w = (rate: number, k: number) => wobbleDeg * DEG * Math.sin(2 * Math.PI * rate * tS + phase[k]);
			const wobble = multiply(rotationX(w(0.31, 0)), multiply(rotationY(w(0.23, 1)), rotationZ(w(0.17, 2))));
			return multiply(fromYawPitchRoll(yawDeg * DEG, pitchDeg * DEG, rollDeg * DEG), wobble);
		}
	};
	return { motion, durationS };
}

/** Hands of the pilot: a target attitude changed by pointer or keys and followed with a short lag. */
export function freeHands(start: Mat3 = fromYawPitchRoll(0, 0, 0)) {
	let attitude = start;
	return {
		attitude: () => attitude,
		/** Turn about an axis of the body by so many degrees. */
		turn(axis: readonly [number, number, number], deg: number) {
			attitude = multiply(attitude, aboutAxis(axis, deg * DEG));
		},
		/** Turn about the vertical, as by stepping round. */
		spin(deg: number) {
			attitude = multiply(rotationZ(deg * DEG), attitude);
		},
		set(next: Mat3) {
			attitude = next;
		},
	};
}
