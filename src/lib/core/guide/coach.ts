import { DEG } from '../frames/angles';
import { begunSmall } from '../../words/begun';
import { cross, length, normalise, scale, type Vec3 } from '../frames/vec3';
import type { Face } from '../../schema/inertial';
import { leanApart, LIFT_DEG, liftOf } from '../inertial/gestures';
import { inertialLimits } from '../inertial/limits';
import { faceOf, rateOf, stillWindows, type StillWindow } from '../inertial/poses';
import { FACE_WORDS, type Hold, type HoldPlan } from './holds';
import type { Series } from '../../schema/common';

/** What a source has delivered so far: m/s² and, where it has a gyro, rad/s, in the sensor's own axes. */
export interface HoldStream {
	accel: Series;
	gyro?: Series | undefined;
}

/** A hold that was found still for long enough. */
export interface Accepted {
	id: string;
	tStart: number;
	tEnd: number;
	mean: Vec3;
}

export type HoldFault = 'wrong-face' | 'wrong-way-up' | 'between' | 'moved' | 'shaky' | 'not-turned' | 'already' | null;

export interface CoachView {
	accepted: Accepted[];
	/** The hold that is asked for; null when all are in. */
	asked: Hold | null;
	/** Seconds that the asked hold, or another that is still open, has been still. */
	heldS: number;
	/** The hold that is being held now, where it is one of the plan's. */
	holding: string | null;
	fault: HoldFault;
	/** One sentence for the pilot. */
	words: string;
	/** Which way down is now, sensor axes; null before the first sample. */
	down: Vec3 | null;
}

/** A window counts as going on while it ends this near to the newest sample. */
const STILL_NOW_S = 0.35;
/** A hold that broke off is spoken of for this long. */
const BROKEN_FOR_S = 2.5;
/** Unsteady in one place for this long: it is held, not moved. */
const SHAKY_FOR_S = 4;
/** A pilot needs so long to take up the next hold: until then nobody is told that it lies as before. */
const MOVES_ON_S = 4;
const TURN_DEG = { wanted: 180, within: 35, hardly: 15 } as const;
const TAIL_S = 0.5;

const column = (values: ArrayLike<number>) => Float64Array.from(values);

function meanSince({ t, x, y, z }: Series, fromS: number): Vec3 | null {
	let n = 0;
	const sum = [0, 0, 0];
	for (let i = t.length - 1; i >= 0 && t[i] >= fromS; i--, n++) {
		sum[0] += x[i];
		sum[1] += y[i];
		sum[2] += z[i];
	}
	return n > 0 ? [sum[0] / n, sum[1] / n, sum[2] / n] : null;
}

/** Angle turned about an axis between two times, degrees: gyro integrated, its rest bias taken from an earlier hold. */
function turnedAbout(gyro: Series, axis: Vec3, rest: Accepted, fromS: number, toS: number): number {
	const along = (i: number) => gyro.x[i] * axis[0] + gyro.y[i] * axis[1] + gyro.z[i] * axis[2];
	let [bias, n, angle] = [0, 0, 0];
	for (let i = 0; i < gyro.t.length; i++)
		if (gyro.t[i] >= rest.tStart && gyro.t[i] <= rest.tEnd) {
			bias += along(i);
			n++;
		}
	bias = n > 0 ? bias / n : 0;
	for (let i = 1; i < gyro.t.length; i++)
		if (gyro.t[i] > fromS && gyro.t[i] <= toS) angle += (along(i) - bias) * (gyro.t[i] - gyro.t[i - 1]);
	return angle / DEG;
}

type Meets = { meets: true } | { meets: false; fault: HoldFault; words: string };

/** Whether a still window is the hold that is wanted, and if not, what is wrong with it. */
function meets(hold: Hold, window: StillWindow, accepted: readonly Accepted[], { gyro }: HoldStream): Meets {
	const { wanted } = hold;
	const earlier = (id: string) => accepted.find((a) => a.id === id);
	const no = (fault: HoldFault, words: string): Meets => ({ meets: false, fault, words });
	if (wanted.kind === 'still') return { meets: true };
	if (wanted.kind === 'face') {
		const found = faceOf(window.mean);
		if (!found) return no('between', `It lies between two faces. ${hold.name}, squarely.`);
		if (found.face === wanted.face) return { meets: true };
		if (wanted.face === 'belly' && found.face === 'back')
			return no(
				'wrong-way-up',
				'It reads as lying on its back. Turn it over; if its belly is down, the board is mounted upside down.',
			);
		return no('wrong-face', `That is ${begunSmall(FACE_WORDS[found.face])}. Wanted: ${begunSmall(hold.name)}.`);
	}
	const from = earlier(wanted.of);
	if (!from) return no('wrong-face', hold.say);
	const tilted = liftOf(from.mean, window.mean);
	if (wanted.kind === 'turned') {
		if (tilted > inertialLimits.faceDeg.value) return no('wrong-face', 'Set it down on its feet, on the same spot.');
		// Without a gyro the turn itself is not seen, but that it was taken up and set down again is.
		if (!gyro || gyro.t.length === 0) return window.tStart > from.tEnd ? { meets: true } : no(null, hold.say);
		const down = normalise(scale(from.mean, -1));
		const turned = Math.abs(turnedAbout(gyro, down, from, from.tEnd, window.tStart));
		if (Math.abs(turned - TURN_DEG.wanted) <= TURN_DEG.within) return { meets: true };
		return turned < TURN_DEG.hardly
			? no(null, hold.say)
			: no('not-turned', `It was turned by ${turned.toFixed(0)}°. Turn it half round on the same spot.`);
	}
	if (tilted < LIFT_DEG.least || tilted > LIFT_DEG.most)
		return no('wrong-face', `It is tilted by ${tilted.toFixed(0)}°. ${hold.say}: between 30 and 90 degrees.`);
	const other = wanted.apart === undefined ? undefined : earlier(wanted.apart);
	if (!other) return { meets: true };
	return leanApart(from.mean, other.mean, window.mean)
		? { meets: true }
		: no('wrong-face', `That is the same tilt again. ${hold.say}.`);
}

/**
 * Follows a procedure of holds in a stream: which are in, what is asked next, for how long it has been still, and what is
 * wrong where something is. Pure: called again as samples arrive, with what was accepted until then. What came before `fromS`
 * is not taken for a hold again.
 */
export function coachHolds(
	plan: HoldPlan,
	stream: HoldStream,
	before: readonly Accepted[],
	fromS = -Infinity,
): CoachView {
	const { t } = stream.accel;
	const accepted = [...before];
	const open = () => plan.holds.filter(({ id }) => !accepted.some((a) => a.id === id));
	const view = (more: Partial<CoachView>): CoachView => {
		const [asked] = open();
		return {
			accepted,
			asked: asked ?? null,
			heldS: 0,
			holding: null,
			fault: null,
			words: asked ? asked.say : 'All of it is in',
			down: null,
			...more,
		};
	};
	if (t.length === 0) return view({});
	const now = t[t.length - 1];
	const tail = meanSince(stream.accel, now - TAIL_S);
	const down = tail && length(tail) > 1 ? normalise(scale(tail, -1)) : null;
	const last = accepted.reduce((most, { tEnd }) => Math.max(most, tEnd), fromS);
	const windows = stillWindows({
		t,
		x: column(stream.accel.x),
		y: column(stream.accel.y),
		z: column(stream.accel.z),
		rate: rateOf(stream.accel, stream.gyro),
	}).filter(({ tEnd }) => tEnd > last + STILL_NOW_S);
	const tailWindow = windows.at(-1);
	const still = tailWindow && now - tailWindow.tEnd <= STILL_NOW_S ? tailWindow : null;
	const candidates = plan.anyOrder && accepted.length > 0 ? open() : open().slice(0, 1);
	const [asked] = candidates;
	if (!asked) return view({ down });

	if (still) {
		const heldS = still.tEnd - Math.max(still.tStart, last);
		for (const hold of candidates) {
			if (!meets(hold, still, accepted, stream).meets) continue;
			if (heldS < hold.holdS) return view({ down, heldS, holding: hold.id, words: `${hold.name}: hold it still` });
			accepted.push({ id: hold.id, tStart: Math.max(still.tStart, last), tEnd: still.tEnd, mean: still.mean });
			return view({ down, heldS, holding: hold.id });
		}
		const face = faceOf(still.mean)?.face;
		const already = plan.anyOrder && plan.holds.find((h) => h.wanted.kind === 'face' && h.wanted.face === face);
		if (already && accepted.some(({ id }) => id === already.id))
			return view({
				down,
				fault: now - last > MOVES_ON_S ? 'already' : null,
				words: `${already.name} is in. ${asked.say}`,
			});
		const wrong = meets(asked, still, accepted, stream);
		if (!wrong.meets) return view({ down, fault: wrong.fault, words: wrong.words });
	}
	const broken = windows.findLast(({ tEnd }) => now - tEnd <= BROKEN_FOR_S && now - tEnd > STILL_NOW_S);
	const brokenHold = broken && candidates.find((hold) => meets(hold, broken, accepted, stream).meets);
	if (brokenHold) return view({ down, fault: 'moved', words: `It moved. ${brokenHold.name} again, and keep it still` });
	if (now - Math.max(last, t[0]) > SHAKY_FOR_S && tail && faceSince(stream.accel, now - SHAKY_FOR_S, tail))
		return view({ down, fault: 'shaky', words: 'It is not still. Rest it against something firm' });
	return view({ down });
}

/** Whether the stream has kept to one face, unsteadily, since a time. */
function faceSince(accel: Series, fromS: number, tail: Vec3): Face | null {
	const face = faceOf(tail)?.face ?? null;
	const half = meanSince(accel, fromS);
	return face && half && faceOf(half)?.face === face && steadyShare(accel, fromS, tail) > 0.8 ? face : null;
}

/** Share of samples since a time that point to the same side as a direction. */
function steadyShare({ t, x, y, z }: Series, fromS: number, to: Vec3): number {
	let [n, near] = [0, 0];
	for (let i = t.length - 1; i >= 0 && t[i] >= fromS; i--, n++) {
		const f: Vec3 = [x[i], y[i], z[i]];
		if (length(f) > 1 && length(cross(normalise(f), normalise(to))) < 0.7) near++;
	}
	return n > 0 ? near / n : 0;
}
