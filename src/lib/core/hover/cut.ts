import type { HoverRequest } from '../../schema/hover';
import { DEG, wrapPi } from '../frames/angles';
import { interpolate } from '../math/interpolate';
import { median, quantile } from '../math/statistics';
import { cutLimits as limits } from './cutLimits';
import { localTrack, type LocalTrack } from './track';

/** What an aircraft does for a while. */
export type Doing = 'ground' | 'climb' | 'hover' | 'moving' | 'descent';

/** A piece of a flight, in the track's own seconds. */
export interface Piece {
	doing: Doing;
	fromS: number;
	toS: number;
	/** Median height above the lowest place of the track, metres. */
	heightM: number;
	/** From where it began to where it ended, and the way flown, over the ground, metres. */
	netM: number;
	wayM: number;
}

const STEP_S = 0.5;

interface Even {
	t: Float64Array;
	north: Float64Array;
	east: Float64Array;
	up: Float64Array;
}

/** The track at even steps of half a second. */
function evenly({ t, north, east, up }: LocalTrack): Even {
	const n = Math.floor((t[t.length - 1] - t[0]) / STEP_S) + 1;
	const at = Float64Array.from({ length: n }, (_, k) => t[0] + k * STEP_S);
	const of = (values: Float64Array) => interpolate(t, values, at);
	return { t: at, north: of(north), east: of(east), up: of(up) };
}

/** What a window of the track covers: its extent, net way and height range. */
function cover({ north, east, up }: Even, from: number, to: number) {
	let [n0, n1, e0, e1, u0, u1] = [Infinity, -Infinity, Infinity, -Infinity, Infinity, -Infinity];
	for (let i = from; i < to; i++) {
		const [n, e, u] = [north[i], east[i], up[i]];
		[n0, n1, e0, e1] = [Math.min(n0, n), Math.max(n1, n), Math.min(e0, e), Math.max(e1, e)];
		[u0, u1] = [Math.min(u0, u), Math.max(u1, u)];
	}
	return {
		extentM: Math.hypot(n1 - n0, e1 - e0),
		netM: Math.hypot(north[to - 1] - north[from], east[to - 1] - east[from]),
		riseM: u1 - u0,
	};
}

/** How far the direction of movement has turned up to each step, degrees, clockwise positive. */
function turned({ north, east }: Even): Float64Array {
	const out = new Float64Array(north.length);
	let before: number | null = null;
	for (let i = 2; i < out.length; i++) {
		const [dn, de] = [north[i] - north[i - 2], east[i] - east[i - 2]];
		// The wander of a fix that stands still points everywhere.
		const way: number | null = Math.hypot(dn, de) > limits.wandersMps.value * 2 * STEP_S ? Math.atan2(de, dn) : null;
		out[i] = out[i - 1] + (way !== null && before !== null ? wrapPi(way - before) / DEG : 0);
		before = way;
	}
	return out;
}

/** Steps that belong to some window in which the aircraft kept its place, or circled about one. */
function stayed(track: Even): Uint8Array {
	const n = track.t.length;
	const length = Math.round(limits.windowS.value / STEP_S);
	const kept = new Uint8Array(n);
	const turn = turned(track);
	for (let from = 0; from + length <= n; from++) {
		const { extentM, netM, riseM } = cover(track, from, from + length);
		if (riseM > limits.riseM.value) continue;
		const still = extentM <= limits.stillM.value && netM <= limits.creepMps.value * limits.windowS.value;
		const round =
			Math.abs(turn[from + length - 1] - turn[from]) >= limits.turnDeg.value && netM < limits.netShare.value * extentM;
		if (still || (extentM <= limits.circleM.value && round)) kept.fill(1, from, from + length);
	}
	return kept;
}

/** Steps on the ground: as low as the track gets, and not rising or sinking. */
function grounded({ up }: Even, known: boolean): Uint8Array {
	const low = known ? 0 : quantile(up, 0.01);
	const on = new Uint8Array(up.length);
	// A track of one height alone may be a hover that was cut out already: nothing in it says that it is the ground.
	if (!known && quantile(up, 0.99) - low < limits.leastClimbM.value) return on;
	for (let i = 0; i < up.length; i++) on[i] = up[i] - low < limits.groundM.value ? 1 : 0;
	return on;
}

interface Span {
	doing: Doing;
	from: number;
	to: number;
}

/** What it does at a step where it is under way: up, down, or along. */
function flown({ t, north, east, up }: Even, i: number): Doing {
	const half = Math.round(limits.climbOverS.value / 2 / STEP_S);
	const [a, b] = [Math.max(0, i - half), Math.min(t.length - 1, i + half)];
	const span = t[b] - t[a] || STEP_S;
	const rise = (up[b] - up[a]) / span;
	const along = Math.hypot(north[b] - north[a], east[b] - east[a]) / span;
	if (Math.abs(rise) < limits.climbMps.value || Math.abs(rise) < along / 2) return 'moving';
	return rise > 0 ? 'climb' : 'descent';
}

/** The ends of a hover that are none of it. */
const under = (track: Even, from: number, to: number): Span[] =>
	Array.from({ length: to - from }, (_, k) => ({ doing: flown(track, from + k), from: from + k, to: from + k + 1 }));

/** Spans that follow one another and are alike as one; what lasts a moment between two is part of the one before. */
function joined(spans: readonly Span[]): Span[] {
	const out: Span[] = [];
	const least = limits.leastS.value / STEP_S;
	const add = (span: Span) => {
		const last = out.at(-1);
		if (last?.doing === span.doing && span.doing !== 'hover') last.to = span.to;
		else out.push({ ...span });
	};
	spans.forEach(add);
	const rough = out.splice(0);
	for (const span of rough) {
		const last = out.at(-1);
		const short = span.to - span.from < least && span.doing !== 'hover' && span.doing !== 'ground';
		if (short && last && last.doing !== 'hover' && last.doing !== 'ground') last.to = span.to;
		else add(span);
	}
	return out;
}

function runs(keys: readonly Doing[]): { key: Doing; from: number; to: number }[] {
	const out: { key: Doing; from: number; to: number }[] = [];
	keys.forEach((key, i) => {
		const last = out.at(-1);
		if (last?.key === key) last.to = i + 1;
		else out.push({ key, from: i, to: i + 1 });
	});
	return out;
}

/** A hover without its ends, where it was still braking, climbing or leaving: at most a quarter of it at each. */
function settled(track: Even, from: number, to: number): [number, number] {
	const quarter = Math.floor((to - from) / 4);
	const middle = { from: from + quarter, to: to - quarter };
	const [n0, e0, u0] = [track.north, track.east, track.up].map((v) => median(v.subarray(middle.from, middle.to)));
	const aside = (i: number) => Math.hypot(track.north[i] - n0, track.east[i] - e0);
	const above = (i: number) => Math.abs(track.up[i] - u0);
	const reach = (far: (i: number) => number) =>
		1.25 *
			quantile(
				Float64Array.from({ length: middle.to - middle.from }, (_, k) => far(middle.from + k)),
				0.98,
			) +
		0.5;
	const [mostAside, mostAbove] = [reach(aside), reach(above)];
	const off = (i: number) => aside(i) > mostAside || above(i) > mostAbove;
	let [a, b] = [from, to];
	while (a < middle.from && off(a)) a++;
	while (b > middle.to && off(b - 1)) b--;
	return [a, b];
}

/**
 * A flight cut into what it was: on the ground, climbing, holding a place or circling about one, moving, coming down. A leg is never
 * part of a hover: where a place is held, the aircraft stays within some metres for a quarter of a minute, or goes round.
 * Empty for a track of less than two points.
 */
export function cutFlight(track: LocalTrack): Piece[] {
	if (track.t.length < 2) return [];
	const even = evenly(track);
	const n = even.t.length;
	const on = grounded(even, track.aboveGround !== null);
	const kept = stayed(even);
	const keys = Array.from({ length: n }, (_, i): Doing => (on[i] ? 'ground' : kept[i] ? 'hover' : flown(even, i)));
	const low = quantile(even.up, 0.01);
	const pieceOf = (doing: Doing, from: number, to: number): Piece => {
		let wayM = 0;
		for (let i = from + 2; i < to; i += 2)
			wayM += Math.hypot(even.north[i] - even.north[i - 2], even.east[i] - even.east[i - 2]);
		return {
			doing,
			fromS: even.t[from],
			toS: even.t[Math.min(n - 1, to)],
			wayM,
			heightM: median(even.up.subarray(from, to)) - low,
			netM: Math.hypot(even.north[to - 1] - even.north[from], even.east[to - 1] - even.east[from]),
		};
	};
	const spans = runs(keys).flatMap(({ key, from, to }): Span[] => {
		if (key !== 'hover') return [{ doing: key, from, to }];
		const [a, b] = settled(even, from, to);
		return [...under(even, from, a), { doing: 'hover', from: a, to: b }, ...under(even, b, to)];
	});
	return joined(spans).map(({ doing, from, to }) => pieceOf(doing, from, to));
}

/** The pieces of a request's whole track. */
export const cutRequest = (request: HoverRequest): Piece[] => cutFlight(localTrack(request));

/** The longest hover of a flight; null where it holds none. */
export const longestHover = (pieces: readonly Piece[]): Piece | null =>
	pieces
		.filter(({ doing }) => doing === 'hover')
		.reduce<Piece | null>((most, one) => (most && most.toS - most.fromS >= one.toS - one.fromS ? most : one), null);

/** Whether a track is a hover and nothing else: then nothing needs to be cut. */
export function isHoverAlone(pieces: readonly Piece[]): boolean {
	const all = (pieces.at(-1)?.toS ?? 0) - (pieces[0]?.fromS ?? 0);
	const hover = longestHover(pieces);
	return hover !== null && hover.toS - hover.fromS >= limits.alone.value * all;
}

/** A request's columns between two times, both ends included. */
export function between(request: HoverRequest, fromS: number, toS: number): HoverRequest {
	const part = <T extends { t: ArrayLike<number> }>(columns: T): T => {
		const t = Array.from(columns.t);
		const from = t.findIndex((at) => at >= fromS);
		const past = t.findIndex((at) => at > toS);
		const to = past < 0 ? t.length : past;
		const entries = Object.entries(columns as Record<string, ArrayLike<number>>);
		return Object.fromEntries(
			entries.map(([key, values]) => [key, from < 0 ? [] : Array.from(values).slice(from, to)]),
		) as unknown as T;
	};
	const { track, heading, attitude, quality, sticks, ...rest } = request;
	return {
		...rest,
		track: part(track),
		...(heading ? { heading: part(heading) } : {}),
		...(attitude ? { attitude: part(attitude) } : {}),
		...(quality ? { quality: part(quality as { t: ArrayLike<number> }) as NonNullable<HoverRequest['quality']> } : {}),
		...(sticks ? { sticks: part(sticks as { t: ArrayLike<number> }) as NonNullable<HoverRequest['sticks']> } : {}),
	};
}
