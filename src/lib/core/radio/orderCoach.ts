import { mean } from '../math/statistics';
import type { Gesture } from './order';

/** The gestures in the order in which they are asked for, and how. */
export const ASKED_GESTURES: readonly { asked: Gesture['asked']; name: string; say: string }[] = [
	{ asked: 'roll-right', name: 'Roll right', say: 'Roll: stick to the right, and let go' },
	{ asked: 'pitch-forward', name: 'Pitch forward', say: 'Pitch: stick forward, nose down, and let go' },
	{ asked: 'yaw-right', name: 'Yaw right', say: 'Yaw: stick to the right, and let go' },
	{ asked: 'throttle-up', name: 'Throttle up', say: 'Throttle: up to its end' },
];

export interface StickStream {
	t: readonly number[];
	/** One column per channel, −1 to 1. */
	channels: readonly (readonly number[])[];
}

export interface OrderCoach {
	phase: 'rest' | 'wait' | 'moving' | 'done';
	/** Samples of each gesture that was accepted, rest before it included: from, to. */
	windows: readonly (readonly [from: number, to: number])[];
	fault: 'two' | 'small' | null;
	/** How often the gesture asked for was made wrongly. */
	wrong: number;
	words: string;
	/** First sample of the rest, or of the stillness after a movement; the sample to go on with. */
	since: number;
	next: number;
	rest: readonly number[];
	from: number;
	most: readonly number[];
}

export const ORDER_BEGIN: OrderCoach = {
	phase: 'rest',
	windows: [],
	fault: null,
	wrong: 0,
	words: 'Leave all sticks alone',
	since: 0,
	next: 0,
	rest: [],
	from: 0,
	most: [],
};

const REST_S = 0.8;
const STILL = 0.08;
const MOVES = 0.25;
/** A gesture goes at least halfway, and its channel carries three fifths of all that moved. */
const LEAST = 0.5;
const SHARE = 0.6;

/**
 * Follows four asked gestures in a radio's channels as they come: rest, one gesture, rest again. A gesture that moved two
 * channels, or hardly one, is asked for again. Call with what it gave before.
 */
export function coachOrder({ t, channels }: StickStream, before: OrderCoach): OrderCoach {
	let { phase, windows, fault, wrong, since, rest, from, most } = before;
	const at = (i: number) => channels.map((column) => column[i]);
	const apart = (i: number, k: number) => channels.some((column) => Math.abs(column[i] - column[k]) > STILL);
	let i = before.next;
	for (; i < t.length && phase !== 'done'; i++) {
		if (phase === 'rest') {
			if (apart(i, since)) since = i;
			else if (t[i] - t[since] >= REST_S) {
				rest = channels.map((column) => mean(column.slice(since, i + 1)));
				// The stillness after the gesture before belongs to that one.
				from = Math.max(since, (windows.at(-1)?.[1] ?? -1) + 1);
				phase = 'wait';
			}
		} else if (phase === 'wait') {
			if (at(i).some((v, k) => Math.abs(v - rest[k]) > MOVES)) {
				phase = 'moving';
				most = rest.map(() => 0);
				since = i;
				fault = null;
			}
		} else {
			most = at(i).map((v, k) => Math.max(most[k], Math.abs(v - rest[k])));
			if (apart(i, since)) since = i;
			else if (t[i] - t[since] >= REST_S) {
				const best = Math.max(...most);
				const total = most.reduce((sum, v) => sum + (v > STILL ? v : 0), 0);
				fault = best < LEAST ? 'small' : best / total < SHARE ? 'two' : null;
				wrong = fault ? wrong + 1 : 0;
				if (!fault) windows = [...windows, [from, i]];
				phase = windows.length === ASKED_GESTURES.length ? 'done' : 'rest';
			}
		}
	}
	const asked = ASKED_GESTURES.at(windows.length);
	const words =
		phase === 'done' || !asked
			? 'All four are in'
			: fault === 'two'
				? `More than one channel moved. ${asked.say}, alone`
				: fault === 'small'
					? `It hardly moved. ${asked.say}`
					: phase === 'rest'
						? 'Leave all sticks alone'
						: asked.say;
	return { phase, windows, fault, wrong, words, since, next: i, rest, from, most };
}
