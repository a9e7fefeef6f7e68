import { numberedAlike, unionOf, type ActiveCycle } from './activeCycle';

/** What one instant says about how many satellites are used. */
export interface CountEvidence {
	tS: number;
	stretch: number;
	/** GSA sentences of this instant; null where there was none. */
	active: ActiveCycle | null;
	/** The count of GGA, else GNS, all talkers together; null where none carried one. */
	told: number | null;
	/** From how many sentences that count was added up: some receivers send one a constellation. */
	tellers: number;
}

/** GGA counts no further in many receivers. */
const GGA_STOPS_AT = 12;
/** A count of shortly before stands in for a cycle that is not whole. */
const STANDS_S = 5;
/** GGA is believed where it agrees with this share of the whole cycles. */
const AGREEING = 0.8;

const capped = (told: number) => told >= GGA_STOPS_AT;

/** The count of a whole cycle: satellites by name, each once; more where one source numbers constellations alike and GGA counts them. */
function wholeCount(active: ActiveCycle, union: number, told: number | null): number | null {
	if (union === 0) return told;
	const alike = numberedAlike(active);
	if (alike === 0) return union;
	if (told === null || capped(told)) return union + alike;
	return Math.max(union, Math.min(told, union + alike));
}

/** Which instants carry fewer of a kind of sentence than those beside them, as ones: cut by the end of the log, or lost on the way. */
function halfOf(evidence: readonly CountEvidence[], sentences: readonly number[]): Uint8Array {
	const half = new Uint8Array(evidence.length);
	const fewer = (k: number, beside: number): boolean | null => {
		if (beside < 0) return null;
		const [e, other] = [evidence[k], evidence[beside]];
		if (e.stretch !== other.stretch || Math.abs(other.tS - e.tS) > STANDS_S) return null;
		return sentences[beside] > sentences[k];
	};
	let [before, now] = [-1, -1];
	const weigh = (after: number) => {
		if (now >= 0) {
			const less = fewer(now, before);
			const more = fewer(now, after);
			if (less !== false && more !== false && (less ?? more)) half[now] = 1;
		}
		[before, now] = [now, after];
	};
	for (let k = 0; k < evidence.length; k++) if (sentences[k] > 0) weigh(k);
	weigh(-1);
	return half;
}

/**
 * Satellites used at each instant, in order of the clock. Counted by name over the GSA sentences of a cycle; GGA or GNS where there
 * are none. A cycle that is not whole takes the count of GGA where GGA has agreed so far, else that of the cycle before: it never lowers
 * one. Null where nothing is known.
 */
export function countSatellites(evidence: readonly CountEvidence[]): (number | null)[] {
	const half = halfOf(
		evidence,
		evidence.map(({ active }) => active?.sentences ?? 0),
	);
	const halfTold = halfOf(
		evidence,
		evidence.map(({ tellers }) => tellers),
	);
	const unions = evidence.map(({ active }) => (active ? unionOf(active).size : 0));
	let compared = 0;
	let agreeing = 0;
	evidence.forEach((e, k) => {
		const { told } = e;
		if (told === null || unions[k] === 0 || e.active === null || half[k] === 1 || halfTold[k] === 1) return;
		compared++;
		if (told === unions[k] || (capped(told) && unions[k] > told)) agreeing++;
	});
	const believed = compared === 0 || agreeing >= AGREEING * compared;
	let last: { tS: number; stretch: number; count: number } | null = null;
	return evidence.map((e, k) => {
		const { tS, stretch, active } = e;
		const told = halfTold[k] === 1 ? null : e.told;
		const before: number | null =
			last && last.stretch === stretch && Math.abs(tS - last.tS) <= STANDS_S ? last.count : null;
		if (active && half[k] === 0) {
			const count = wholeCount(active, unions[k], told);
			if (count !== null) last = { tS, stretch, count };
			return count;
		}
		if (told !== null && believed && !(capped(told) && before !== null && before > told)) return told;
		if (!active) return e.told === null ? null : (before ?? told);
		const seen = Math.max(unions[k], told ?? 0, before ?? 0);
		return told === null && before === null ? null : seen;
	});
}
