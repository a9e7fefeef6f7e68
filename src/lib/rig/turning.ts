import { DEG } from '../core/frames/angles';
import { multiply, type Mat3 } from '../core/frames/mat3';
import { aboutAxis, fromYawPitchRoll, rotationY, rotationX, rotationZ } from '../core/frames/rotation';
import type { Rng } from '../core/math/random';
import type { Held } from '../core/guide/holds';

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
	'three turns': [turn(0, 0, 6.5, 60), turn(0, 88, 6.5, 60), turn(-88, 0, 12, 60)],
	'tilted second': [turn(0, 0, 9, 45), turn(0, 60, 10, 45)],
	'not tilted enough': [turn(0, 0, 9, 45), turn(0, 30, 10, 45), turn(0, 60, 10, 45)],
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
		turnable: true,
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

/** What the hands of the rehearsal get wrong once, so that the procedure is seen to catch it. */
export type HandsMistake = 'none' | 'moves' | 'wrong-pose';

const HAND_STEP_S = 0.05;
const SLOPPY_DEG = 3;
const MOVES_AFTER_S = 3.2;
const MOVES_FOR_S = 0.8;
const WRONG_FOR_S = 3.5;
/** A hand needs a moment between hearing what is asked and doing it. */
const HEARS_S = 0.4;

export interface Asked {
	id: string;
	pose: Held;
	/** What is done instead, the one time that it goes wrong. */
	wrong: Held | null;
	/** It stands on a surface: as exactly as the surface is flat. */
	stands: boolean;
	/** This is the one that goes wrong. */
	slips: boolean;
}

/**
 * Hands that do what they are asked, a little sloppily. `attitude` is asked for once per twentieth of a second of the
 * aircraft's time, which is how they count. `surface` is the tilt of what it stands on.
 */
export function obedientHands(mistake: HandsMistake, rng: Rng, surface: Mat3) {
	let asked: Asked | null = null;
	let sinceS = 0;
	let from = surface;
	let target = surface;
	let wrong = surface;
	const held = ({ yawDeg = 0, pitchDeg, rollDeg }: Held, stands: boolean): Mat3 => {
		if (stands) return multiply(surface, fromYawPitchRoll(yawDeg * DEG, pitchDeg * DEG, rollDeg * DEG));
		const sloppy = () => SLOPPY_DEG * rng.normal();
		return fromYawPitchRoll(yawDeg * DEG, (pitchDeg + sloppy()) * DEG, (rollDeg + sloppy()) * DEG);
	};
	return {
		turnable: false,
		ask(next: Asked) {
			if (next.id === asked?.id) return;
			asked = next;
			sinceS = 0;
			from = target;
			target = held(next.pose, next.stands);
			wrong = next.wrong ? held(next.wrong, next.stands) : target;
		},
		attitude(): Mat3 {
			sinceS += HAND_STEP_S;
			if (sinceS < HEARS_S) return from;
			if (asked?.slips && mistake === 'wrong-pose' && sinceS < WRONG_FOR_S + HEARS_S) return wrong;
			if (asked?.slips && mistake === 'moves' && sinceS > MOVES_AFTER_S && sinceS < MOVES_AFTER_S + MOVES_FOR_S)
				return multiply(target, rotationY(0.6 * Math.sin(8 * sinceS)));
			return target;
		},
	};
}
