import { describe, expect, it } from 'vitest';
import { DEG } from '../frames/angles';
import { apply, transpose, type Mat3 } from '../frames/mat3';
import { seededRng } from '../math/random';
import { fromYawPitchRoll } from '../frames/rotation';
import type { Face } from '../../schema/inertial';
import { coachHolds, type Accepted, type CoachView, type HoldStream } from './coach';
import { FACE_POSE, GESTURES, HALF_TURN, REST, SIX_FACES, type Held, type HoldPlan } from './holds';

const RATE = 50;
const G = 9.80665;

interface Part {
	pose: Held;
	forS: number;
	shake?: number;
}
const MOVE_S = 1;
const hold = (pose: Held, forS = 3): Part => ({ pose, forS });
const face = (name: Face, forS = 3) => hold(FACE_POSE[name], forS);

/** A stream of parts, with movement of a second between them; the gyro sees the change of yaw only. */
function stream(parts: readonly Part[], mounting: Mat3 | null = null, gyroToo = true): Required<HoldStream> {
	const rng = seededRng(5);
	const accel = { t: [] as number[], x: [] as number[], y: [] as number[], z: [] as number[] };
	const gyro = { t: [] as number[], x: [] as number[], y: [] as number[], z: [] as number[] };
	let k = 0;
	const push = (attitude: Mat3, shake: number, yawRate: number) => {
		const body = apply(transpose(attitude), [0, 0, -G]);
		const f = mounting ? apply(transpose(mounting), body) : body;
		const t = k++ / RATE;
		accel.t.push(t);
		[accel.x, accel.y, accel.z].forEach((axis, i) => axis.push(f[i] + (0.03 + shake) * rng.normal()));
		if (!gyroToo) return;
		gyro.t.push(t);
		const w = [0, 0, yawRate + 0.01];
		[gyro.x, gyro.y, gyro.z].forEach((axis, i) => axis.push(w[i] + 0.002 * rng.normal()));
	};
	let yaw = 0;
	for (const { pose, forS, shake = 0 } of parts) {
		const attitude = fromYawPitchRoll((pose.yawDeg ?? 0) * DEG, pose.pitchDeg * DEG, pose.rollDeg * DEG);
		const turn = ((pose.yawDeg ?? 0) - yaw) * DEG;
		yaw = pose.yawDeg ?? 0;
		for (let i = 0; i < MOVE_S * RATE; i++) push(attitude, 3, turn / MOVE_S);
		for (let i = 0; i < forS * RATE; i++) push(attitude, shake, 0);
	}
	return { accel, gyro };
}

/** Follows a stream as it arrives, a tenth of a second at a time; every view is given. */
function follow(plan: HoldPlan, all: HoldStream): CoachView[] {
	const views: CoachView[] = [];
	let accepted: Accepted[] = [];
	const cut = (axes: HoldStream['accel'], toS: number) => {
		const n = Array.from(axes.t).filter((t) => t <= toS).length;
		const part = (values: ArrayLike<number>) => Array.from(values).slice(0, n);
		return { t: part(axes.t), x: part(axes.x), y: part(axes.y), z: part(axes.z) };
	};
	const end = all.accel.t[all.accel.t.length - 1];
	for (let t = 0.1; t <= end; t += 0.1) {
		const view = coachHolds(
			plan,
			{ accel: cut(all.accel, t), ...(all.gyro ? { gyro: cut(all.gyro, t) } : {}) },
			accepted,
		);
		accepted = view.accepted;
		views.push(view);
	}
	return views;
}
const ids = (views: readonly CoachView[]) => views.at(-1)?.accepted.map(({ id }) => id);
const faults = (views: readonly CoachView[]) => new Set(views.map(({ fault }) => fault).filter(Boolean));

describe('holds followed live', () => {
	it('six faces come in whatever their order after the belly, and the next missing one is asked for', () => {
		const views = follow(
			SIX_FACES,
			stream([face('belly'), face('tail'), face('left'), face('back'), face('right'), face('nose')]),
		);
		expect(ids(views)).toEqual(['belly', 'tail', 'left', 'back', 'right', 'nose']);
		expect(views.at(-1)?.asked).toBeNull();
		const afterTail = views.find(({ accepted }) => accepted.length === 2);
		expect(afterTail?.asked?.id).toBe('left');
		expect(faults(views).has('wrong-face')).toBe(false);
	});

	it('hold for the time that was asked, counted while it is still', () => {
		const views = follow(SIX_FACES, stream([face('belly', 1.5)]));
		expect(ids(views)).toEqual([]);
		expect(Math.max(...views.map(({ heldS }) => heldS))).toBeGreaterThan(1);
		expect(ids(follow(SIX_FACES, stream([face('belly', 2.6)])))).toEqual(['belly']);
	});

	it('one that is in already is said so, and the next is asked', () => {
		const views = follow(SIX_FACES, stream([face('belly'), face('left'), face('left')]));
		const said = views.findLast(({ fault }) => fault === 'already');
		expect(said?.words).toBe('Left side down is in. Right side down');
		expect(ids(views)).toEqual(['belly', 'left']);
	});

	it('a hold that moved is named and asked for again', () => {
		const views = follow(SIX_FACES, stream([face('belly'), face('left', 1.7), face('left', 3)]));
		expect(views.some(({ fault, words }) => fault === 'moved' && words.startsWith('It moved. Left side down'))).toBe(
			true,
		);
		expect(ids(views)).toEqual(['belly', 'left']);
	});

	it('an unsteady hand is told to rest it', () => {
		const views = follow(SIX_FACES, stream([face('belly'), { pose: FACE_POSE.left, forS: 7, shake: 1.2 }]));
		expect(faults(views)).toContain('shaky');
		expect(ids(views)).toEqual(['belly']);
	});

	it('a board mounted upside down is recognised before any face is counted', () => {
		const upsideDown = fromYawPitchRoll(0, 0, Math.PI);
		const views = follow(SIX_FACES, stream([face('belly', 4)], upsideDown));
		expect(views.at(-1)?.fault).toBe('wrong-way-up');
		expect(ids(views)).toEqual([]);
	});

	it('between two faces it is none', () => {
		const views = follow(SIX_FACES, stream([hold({ pitchDeg: 0, rollDeg: 45 }, 4)]));
		expect(views.at(-1)?.fault).toBe('between');
	});
});

describe('the half turn', () => {
	const turned = (yawDeg: number) => stream([hold(FACE_POSE.belly, 4), hold({ ...FACE_POSE.belly, yawDeg }, 4)]);

	it('is believed where the gyro saw it', () => {
		expect(ids(follow(HALF_TURN, turned(180)))).toEqual(['first', 'turned']);
		expect(ids(follow(HALF_TURN, turned(-170)))).toEqual(['first', 'turned']);
	});

	it('is believed where nothing but the gyro shows it: turning about the vertical moves no gravity', () => {
		const { accel, gyro } = turned(180);
		// The movement between the holds is smooth: only gravity is felt, all the while.
		const still = (value: (k: number) => number) => Array.from(accel.t, (_, k) => value(k));
		const level = { t: accel.t, x: still(() => 0.02), y: still(() => 0), z: still((k) => -9.8 + 0.01 * (k % 3)) };
		expect(ids(follow(HALF_TURN, { accel: level, gyro }))).toEqual(['first', 'turned']);
	});

	it('without a gyro at least wants to see it taken up and set down again', () => {
		const without = (parts: readonly Part[]) => ids(follow(HALF_TURN, stream(parts, null, false)));
		expect(without([hold(FACE_POSE.belly, 12)])).toEqual(['first']);
		expect(without([hold(FACE_POSE.belly, 4), hold(FACE_POSE.belly, 4)])).toEqual(['first', 'turned']);
	});

	it('a quarter is not a half, and standing on is none', () => {
		const views = follow(HALF_TURN, turned(90));
		expect(views.at(-1)?.fault).toBe('not-turned');
		expect(views.at(-1)?.words).toContain('90°');
		expect(ids(follow(HALF_TURN, turned(0)))).toEqual(['first']);
	});
});

describe('gestures of a sensor with unknown axes', () => {
	const mounting = fromYawPitchRoll(Math.PI / 2, 0, Math.PI);
	const made = (second: Held, third: Held) =>
		follow(GESTURES, stream([hold(FACE_POSE.belly), hold(second), hold(third)], mounting));

	it('are told apart by how they tilt, not by which axis', () => {
		const views = made({ pitchDeg: 50, rollDeg: 0 }, { pitchDeg: 0, rollDeg: 60 });
		expect(ids(views)).toEqual(['level', 'noseUp', 'rightDown']);
	});

	it('the same tilt twice, or hardly any, is not taken', () => {
		expect(ids(made({ pitchDeg: 50, rollDeg: 0 }, { pitchDeg: 55, rollDeg: 0 }))).toEqual(['level', 'noseUp']);
		const hardly = made({ pitchDeg: 10, rollDeg: 0 }, { pitchDeg: 0, rollDeg: 10 });
		expect(hardly.at(-1)?.words).toContain('10°');
	});
});

it('rest is any still place, for as long as was asked', () => {
	const short = follow(REST, stream([face('belly', 20)]));
	expect(short.at(-1)?.holding).toBe('rest');
	expect(ids(short)).toEqual([]);
	const silent = coachHolds(REST, { accel: { t: [], x: [], y: [], z: [] } }, []);
	expect(silent.words).toContain('leave it alone');
});
