import type { ActiveCycle } from './activeCycle';
import type { EpochTable } from './epochTable';

/** GGA counts no further in many receivers. */
const GGA_STOPS_AT = 12;
/** A count of shortly before stands in for a cycle that is not whole. */
const STANDS_S = 5;
/** GGA is believed where it agrees with this share of the whole cycles. */
const AGREEING = 0.8;

const capped = (reported: number) => reported >= GGA_STOPS_AT;

/** The count of a whole cycle: satellites by name, each once; more where one source numbers constellations alike and GGA counts them. */
function wholeCount({ union: { size }, numberedAlike }: ActiveCycle, reported: number): number {
	if (size === 0) return reported;
	if (numberedAlike === 0) return size;
	if (Number.isNaN(reported) || capped(reported)) return size + numberedAlike;
	return Math.max(size, Math.min(reported, size + numberedAlike));
}

/**
 * Which instants carry fewer of a kind of sentence than those beside them, as ones: cut by the end of the log, or lost on the way.
 * `sentences` holds how many each carries.
 */
function halfOf({ tS, stretch }: EpochTable['columns'], sentences: ArrayLike<number>): Uint8Array {
	const half = new Uint8Array(sentences.length);
	const beside = (k: number, other: number) =>
		other >= 0 && stretch[k] === stretch[other] && Math.abs(tS[other] - tS[k]) <= STANDS_S;
	let [before, now] = [-1, -1];
	const weigh = (after: number) => {
		if (now >= 0) {
			const [first, last] = [!beside(now, before), !beside(now, after)];
			const less = first || sentences[before] > sentences[now];
			const more = last || sentences[after] > sentences[now];
			if (less && more && !(first && last)) half[now] = 1;
		}
		[before, now] = [now, after];
	};
	for (let k = 0; k < sentences.length; k++) if (sentences[k] > 0) weigh(k);
	weigh(-1);
	return half;
}

/**
 * Satellites used at each instant, in order of the clock. Counted by name over the GSA sentences of a cycle; GGA or GNS where there
 * are none. A cycle that is not whole takes the count of GGA where GGA has agreed so far, else that of the cycle before: it never lowers
 * one. NaN where nothing is known.
 */
export function countSatellites({ length, columns, active }: EpochTable): Float64Array {
	const { tS, stretch, reported, tellers } = columns;
	const half = halfOf(
		columns,
		active.map((cycle) => cycle?.sentences ?? 0),
	);
	const halfReported = halfOf(columns, tellers.subarray(0, length));
	let compared = 0;
	let agreeing = 0;
	active.forEach((cycle, k) => {
		const size = cycle?.union.size ?? 0;
		if (Number.isNaN(reported[k]) || size === 0 || half[k] === 1 || halfReported[k] === 1) return;
		compared++;
		if (reported[k] === size || (capped(reported[k]) && size > reported[k])) agreeing++;
	});
	const believed = compared === 0 || agreeing >= AGREEING * compared;
	const out = new Float64Array(length);
	let last = -1;
	active.forEach((cycle, k) => {
		const tells = halfReported[k] === 1 ? NaN : reported[k];
		if (cycle && half[k] === 0) {
			out[k] = wholeCount(cycle, tells);
			if (!Number.isNaN(out[k])) last = k;
			return;
		}
		const stands = last >= 0 && stretch[last] === stretch[k] && Math.abs(tS[k] - tS[last]) <= STANDS_S;
		const before = stands ? out[last] : NaN;
		if (!Number.isNaN(tells) && believed && !(capped(tells) && before > tells)) out[k] = tells;
		else if (!cycle) out[k] = Number.isNaN(reported[k]) || !stands ? tells : before;
		else if (Number.isNaN(tells) && !stands) out[k] = NaN;
		else out[k] = Math.max(cycle.union.size, Number.isNaN(tells) ? 0 : tells, stands ? before : 0);
	});
	return out;
}
