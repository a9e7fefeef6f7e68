import type { Face } from '../../schema/inertial';

/** How the aircraft is to be held, for the drawing and the rehearsal: degrees, nose up and right down positive. */
export interface Held {
	pitchDeg: number;
	rollDeg: number;
	yawDeg?: number;
}

/** What counts as the hold that is asked for. `of` and `apart` name holds that came before. */
export type Wanted =
	| { kind: 'face'; face: Face }
	| { kind: 'still' }
	/** Tilted well away from an earlier hold, and to another side than `apart`. */
	| { kind: 'lifted'; of: string; apart?: string }
	/** The same face as an earlier hold, turned by half a turn on the spot. */
	| { kind: 'turned'; of: string };

export interface Hold {
	id: string;
	name: string;
	/** What is asked, as it is said. */
	say: string;
	pose: Held;
	wanted: Wanted;
	/** Seconds that it must stay still. */
	holdS: number;
	/** It stands by itself, hands off. */
	stands?: true;
}

/** A procedure in which the aircraft is held still a number of times, followed live. */
export interface HoldPlan {
	id: string;
	name: string;
	/** When this one is wanted. */
	note: string;
	/** After the first hold the others may come in any order. */
	anyOrder: boolean;
	/** Only what was held is read: a sensor at rest, without how it came to rest. */
	restOnly?: true;
	holds: readonly Hold[];
}

export const FACE_POSE: Record<Face, Held> = {
	belly: { pitchDeg: 0, rollDeg: 0 },
	back: { pitchDeg: 0, rollDeg: 180 },
	left: { pitchDeg: 0, rollDeg: -90 },
	right: { pitchDeg: 0, rollDeg: 90 },
	nose: { pitchDeg: -90, rollDeg: 0 },
	tail: { pitchDeg: 90, rollDeg: 0 },
};

export const FACE_WORDS: Record<Face, string> = {
	belly: 'Belly down',
	back: 'On its back',
	left: 'Left side down',
	right: 'Right side down',
	nose: 'Nose down',
	tail: 'Tail down',
};

const FACE_HOLD_S = 2;
const faceHold = (face: Face): Hold => ({
	id: face,
	name: FACE_WORDS[face],
	say: face === 'belly' ? 'Set it down on its belly' : FACE_WORDS[face],
	pose: FACE_POSE[face],
	wanted: { kind: 'face', face },
	holdS: FACE_HOLD_S,
});
const FLAT = FACE_POSE.belly;

export const SIX_FACES: HoldPlan = {
	id: 'six',
	name: 'Six faces',
	note: 'offsets and scales of all three axes',
	anyOrder: true,
	holds: (['belly', 'left', 'right', 'nose', 'tail', 'back'] as const).map(faceHold),
};

export const FIVE_FACES: HoldPlan = {
	id: 'five',
	name: 'Five faces',
	note: 'small folding aircraft whose routine leaves the nose out',
	anyOrder: true,
	holds: (['belly', 'right', 'left', 'tail', 'back'] as const).map(faceHold),
};

export const ONE_HOLD: HoldPlan = {
	id: 'one',
	name: 'One flat hold',
	note: 'aircraft that only learn what flat is: the surface’s own tilt stays in it',
	anyOrder: false,
	holds: [{ ...faceHold('belly'), holdS: 5 }],
};

export const HALF_TURN: HoldPlan = {
	id: 'half-turn',
	name: 'Half turn',
	note: 'the surface’s own tilt is taken out',
	anyOrder: false,
	holds: [
		{
			...faceHold('belly'),
			id: 'first',
			name: 'As it stands',
			say: 'Set it down on its feet, hands off',
			holdS: 3,
			stands: true,
		},
		{
			id: 'turned',
			name: 'Turned half round',
			say: 'Turn it half round on the same spot, hands off',
			pose: { ...FLAT, yawDeg: 180 },
			wanted: { kind: 'turned', of: 'first' },
			holdS: 3,
			stands: true,
		},
	],
};

export const GESTURES: HoldPlan = {
	id: 'gestures',
	name: 'Three gestures',
	note: 'level, nose up, right side down',
	anyOrder: false,
	holds: [
		{ id: 'level', name: 'Level', say: 'Hold it level', pose: FLAT, wanted: { kind: 'still' }, holdS: 2 },
		{
			id: 'noseUp',
			name: 'Nose up',
			say: 'Lift the nose, halfway up',
			pose: { pitchDeg: 50, rollDeg: 0 },
			wanted: { kind: 'lifted', of: 'level' },
			holdS: 2,
		},
		{
			id: 'rightDown',
			name: 'Right side down',
			say: 'Nose level again, right side down, halfway',
			pose: { pitchDeg: 0, rollDeg: 50 },
			wanted: { kind: 'lifted', of: 'level', apart: 'noseUp' },
			holdS: 2,
		},
	],
};

export const REST: HoldPlan = {
	id: 'rest',
	restOnly: true,
	name: 'A minute at rest',
	note: 'bias, noise and how long the bias stays put',
	anyOrder: false,
	holds: [
		{
			id: 'rest',
			name: 'Left alone',
			say: 'Set it down and leave it alone for a minute',
			pose: FLAT,
			wanted: { kind: 'still' },
			holdS: 60,
			stands: true,
		},
	],
};

export const SETTLE: HoldPlan = {
	id: 'settle',
	restOnly: true,
	name: 'Settle after power-on',
	note: 'ten seconds hands off, down within five of power-on',
	anyOrder: false,
	holds: [
		{
			id: 'rest',
			name: 'Hands off',
			say: 'Power on, set it down at once, hands off',
			pose: FLAT,
			wanted: { kind: 'still' },
			holdS: 10,
			stands: true,
		},
	],
};
