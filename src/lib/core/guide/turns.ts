import { DEG } from '../frames/angles';
import { normalise, type Vec3 } from '../frames/vec3';
import type { Held } from './holds';
import type { Series } from '../../schema/common';

/** One turn about the vertical of a recipe: how it is held meanwhile. */
export interface PlannedTurn {
	name: string;
	say: string;
	pose: Held;
	/** Which way down is, body axes, and how far off that may be; or how far from level it must be tilted, degrees. */
	wanted: { down: Vec3; withinDeg: number } | { tiltedDeg: readonly [least: number, most: number] };
}

/** A recipe of turning as aircraft ask for it. */
export interface TurnPlan {
	id: string;
	name: string;
	note: string;
	turns: readonly PlannedTurn[];
	/** The aircraft measures for so long: all turns within it, and held on until it is over. */
	windowS?: number;
}

const WITHIN_DEG = 30;
const level: PlannedTurn = {
	name: 'level',
	say: 'Hold it level and turn right, a whole turn',
	pose: { pitchDeg: 0, rollDeg: 0 },
	wanted: { down: [0, 0, 1], withinDeg: WITHIN_DEG },
};

export const TURN_PLANS: readonly TurnPlan[] = [
	{
		id: 'two-turns',
		name: 'Two turns',
		note: 'level, then nose up',
		turns: [
			level,
			{
				name: 'nose up',
				say: 'Point the nose up and turn right, a whole turn',
				pose: { pitchDeg: 85, rollDeg: 0 },
				wanted: { down: [-1, 0, 0], withinDeg: WITHIN_DEG },
			},
		],
	},
	{
		id: 'three-turns',
		name: 'Three turns',
		note: 'about each axis within half a minute, then held',
		windowS: 30,
		turns: [
			level,
			{
				name: 'on its side',
				say: 'On its right side, a whole turn',
				pose: { pitchDeg: 0, rollDeg: 90 },
				wanted: { down: [0, 1, 0], withinDeg: WITHIN_DEG },
			},
			{
				name: 'nose down',
				say: 'Nose down, a whole turn',
				pose: { pitchDeg: -90, rollDeg: 0 },
				wanted: { down: [1, 0, 0], withinDeg: WITHIN_DEG },
			},
		],
	},
	{
		id: 'tilted-second',
		name: 'Second turn tilted',
		note: 'level, then one side raised beyond 45°',
		turns: [
			level,
			{
				name: 'tilted beyond 45°',
				say: 'Raise one side beyond 45 degrees and turn right, slowly, a whole turn',
				pose: { pitchDeg: 0, rollDeg: 60 },
				wanted: { tiltedDeg: [45, 120] },
			},
		],
	},
];

export interface TurnView {
	/** Turns that are complete. */
	done: number;
	/** Degrees of the turn under way. */
	turnedDeg: number;
	/** Seconds since the first sample. */
	forS: number;
	tiltDeg: number | null;
	fault: 'pose' | 'fast' | 'late' | null;
	words: string;
	over: boolean;
	lastT: number | null;
}

export const TURNS_BEGIN: TurnView = {
	done: 0,
	turnedDeg: 0,
	forS: 0,
	tiltDeg: null,
	fault: null,
	words: '',
	over: false,
	lastT: null,
};

/** A whole turn by eye: hands stop a little short of where they began. */
const FULL_DEG = 350;
const FAST_DEGPS = 120;

/** First index whose time is after one. */
function after(t: ArrayLike<number>, atS: number): number {
	let [low, high] = [0, t.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		if (t[middle] > atS) high = middle;
		else low = middle + 1;
	}
	return low;
}

const inPose = ({ wanted }: PlannedTurn, down: Vec3): boolean => {
	const tilt = Math.acos(Math.max(-1, Math.min(1, down[2]))) / DEG;
	if ('tiltedDeg' in wanted) return tilt >= wanted.tiltedDeg[0] && tilt <= wanted.tiltedDeg[1];
	const along = down[0] * wanted.down[0] + down[1] * wanted.down[1] + down[2] * wanted.down[2];
	return Math.acos(Math.max(-1, Math.min(1, along))) / DEG <= wanted.withinDeg;
};

/**
 * Follows a recipe of turns in what was added to a stream: the gyro's rate about the accelerometer's vertical, reading by
 * reading in step, counts while the pose is held. rad/s and m/s², body axes. Call with what it gave before.
 */
export function followTurns(
	plan: TurnPlan,
	before: TurnView,
	{ accel, gyro }: { accel: Series; gyro: Series },
): TurnView {
	const n = Math.min(accel.t.length, gyro.t.length);
	if (n === 0) return { ...before, words: plan.turns[0].say };
	if (before.fault === 'late') return before;
	const from = before.lastT === null ? 0 : after(gyro.t, before.lastT);
	let { done, turnedDeg } = before;
	let rate = 0;
	let down: Vec3 | null = null;
	let held = false;
	for (let i = Math.max(1, from); i < n; i++) {
		down = normalise([-accel.x[i], -accel.y[i], -accel.z[i]]);
		rate = (gyro.x[i] * down[0] + gyro.y[i] * down[1] + gyro.z[i] * down[2]) / DEG;
		const turn = plan.turns.at(done);
		held = turn !== undefined && inPose(turn, down);
		if (!held) continue;
		turnedDeg += rate * (gyro.t[i] - gyro.t[i - 1]);
		if (Math.abs(turnedDeg) >= FULL_DEG) {
			done++;
			turnedDeg = 0;
		}
	}
	const lastT = gyro.t[n - 1];
	const forS = lastT - gyro.t[0];
	const tiltDeg = down ? Math.acos(Math.max(-1, Math.min(1, down[2]))) / DEG : before.tiltDeg;
	const all = done >= plan.turns.length;
	const left = (plan.windowS ?? 0) - forS;
	const base = { done, turnedDeg, forS, tiltDeg, lastT };
	if (plan.windowS !== undefined && left < 0 && !all)
		return {
			...base,
			fault: 'late',
			over: false,
			words: `The time is over with ${done} of ${plan.turns.length} turns. Start over`,
		};
	if (all)
		return left > 0
			? { ...base, fault: null, over: false, words: `Keep holding it, ${Math.ceil(left)} seconds more` }
			: { ...base, fault: null, over: true, words: 'All turns are in. Put it down' };
	const turn = plan.turns[done];
	if (down && Math.abs(rate) > FAST_DEGPS) return { ...base, fault: 'fast', over: false, words: 'Slower' };
	if (down && !held && (Math.abs(turnedDeg) > 20 || done > 0 || forS > 3))
		return {
			...base,
			fault: 'pose',
			over: false,
			words:
				'tiltedDeg' in turn.wanted && tiltDeg !== null && tiltDeg < turn.wanted.tiltedDeg[0]
					? `Tilt it more: ${tiltDeg.toFixed(0)}°, beyond ${turn.wanted.tiltedDeg[0]}° is wanted`
					: turn.say,
		};
	return { ...base, fault: null, over: false, words: turn.say };
}
