import type { Rng } from '../core/math/random';

/** What is true of one simulated stick; values −1 to 1. */
export interface StickTruth {
	name: string;
	centre: number;
	low: number;
	high: number;
	/** Distance between where it rests after coming from above and from below. */
	hysteresis: number;
	noise: number;
	/** How far the middle of a sweep bows from a straight line, share of the travel, up to 0.25. */
	bend: number;
	selfCentring: boolean;
}

export const RADIO_RATE_HZ = 50;
const REST_FOR_S = 1.2;
const GO_S = 0.35;
const SWEEP_FOR_S = 2.6;

/**
 * A recording of sticks worked one after the other: to the upper end and back, to the lower and back, then a slow sweep from
 * end to end. Columns at 50 Hz.
 */
export function recordSticks(
	truths: readonly StickTruth[],
	rng: Rng,
): { t: number[]; axes: { name: string; values: number[]; selfCentring: boolean }[] } {
	const forS = 4 * GO_S + 4 * REST_FOR_S + SWEEP_FOR_S + 1.2 + GO_S;
	const total = Math.round(truths.length * forS * RADIO_RATE_HZ);
	const t = Array.from({ length: total }, (_, k) => k / RADIO_RATE_HZ);
	const axes = truths.map((truth, index) => ({
		name: truth.name,
		selfCentring: truth.selfCentring,
		values: t.map((s) => place(truth, s - index * forS) + truth.noise * rng.normal()),
	}));
	return { t, axes };
}

/** Where a stick is, `s` seconds into being worked. */
function place({ centre, low, high, hysteresis, bend, selfCentring }: StickTruth, s: number): number {
	const above = centre + hysteresis / 2;
	const below = centre - hysteresis / 2;
	const idle = selfCentring ? below : low;
	const glide = (from: number, to: number, u: number) => from + (to - from) * Math.max(0, Math.min(1, u));
	const legs: [number, (u: number) => number][] = [
		[REST_FOR_S, () => idle],
		[GO_S, (u) => glide(idle, high, u)],
		[REST_FOR_S / 2, () => high],
		[GO_S, (u) => glide(high, above, u)],
		[REST_FOR_S, () => above],
		[GO_S, (u) => glide(above, low, u)],
		[REST_FOR_S / 2, () => low],
		[SWEEP_FOR_S, (u) => glide(low, high, u + 4 * bend * u * (1 - u))],
		[REST_FOR_S / 2, () => high],
		[GO_S, (u) => glide(high, low, u)],
		[REST_FOR_S / 2, () => low],
		[GO_S, (u) => glide(low, idle, u)],
	];
	let left = s;
	if (left < 0) return idle;
	for (const [forS, at] of legs) {
		if (left < forS) return at(left / forS);
		left -= forS;
	}
	return idle;
}

/** Four gestures, one after the other, each on the channel given: what a receiver would record. Columns at 50 Hz. */
export function recordGestureSticks(
	order: readonly number[],
	signs: readonly number[],
	rng: Rng,
): { t: number[]; channels: number[][] } {
	const EACH_S = 2.6;
	const t = Array.from(
		{ length: Math.round((1 + EACH_S * order.length) * RADIO_RATE_HZ) },
		(_, k) => k / RADIO_RATE_HZ,
	);
	const channels = [0, 1, 2, 3].map((channel) =>
		t.map((s) => {
			const gesture = Math.floor((s - 1) / EACH_S);
			const inside = s - 1 - gesture * EACH_S;
			const push = gesture >= 0 && order[gesture] === channel && inside < 1.2 ? Math.sin((Math.PI * inside) / 1.2) : 0;
			return (gesture >= 0 ? (signs[gesture] ?? 1) : 1) * push + 0.003 * rng.normal();
		}),
	);
	return { t, channels };
}

/** Which channel carries which of four gestures, which way round, and what the hands get wrong once. */
export interface RadioTruth {
	order: readonly number[];
	signs: readonly number[];
	/** The second gesture moves a neighbour too, the first time. */
	clumsy: boolean;
}

const PUSH_S = 1.2;

/** Sticks of the practice radio: `channels` is asked for fifty times a second, and each gesture asked for is made once. */
export function obedientSticks({ order, signs, clumsy }: RadioTruth, rng: Rng) {
	let asked = -1;
	let again = 0;
	let sinceS = 0;
	let clumsyYet = false;
	return {
		/** `nth` of the four gestures, for the how-many-th time. */
		ask(nth: number, times: number) {
			if (nth === asked && times === again) return;
			clumsyYet = clumsy && nth === 1 && times === 0;
			[asked, again, sinceS] = [nth, times, 0];
		},
		channels(): number[] {
			sinceS += 1 / RADIO_RATE_HZ;
			const s = sinceS - 0.3;
			// The throttle is the last of the four, and stays where it is put.
			const push =
				s <= 0 ? 0 : asked === 3 ? Math.min(1, s / PUSH_S) : s < PUSH_S ? Math.sin((Math.PI * s) / PUSH_S) : 0;
			return [0, 1, 2, 3].map((channel) => {
				const own = asked >= 0 && order[asked] === channel ? (signs[asked] ?? 1) : 0;
				const beside = clumsyYet && order[0] === channel ? 0.8 : 0;
				return (own + beside) * push + 0.003 * rng.normal();
			});
		},
	};
}
