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

/** Which instants carry fewer of a kind of sentence than those beside them: cut by the end of the log, or lost on the way. */
function halfOf(evidence: readonly CountEvidence[], sentences: (e: CountEvidence) => number): Set<CountEvidence> {
	const half = new Set<CountEvidence>();
	const carrying = evidence.filter((e) => sentences(e) > 0);
	const fewer = (e: CountEvidence, beside: CountEvidence | undefined): boolean | null =>
		beside && e.stretch === beside.stretch && Math.abs(beside.tS - e.tS) <= STANDS_S
			? sentences(beside) > sentences(e)
			: null;
	carrying.forEach((e, k) => {
		const before = fewer(e, carrying[k - 1]);
		const after = fewer(e, carrying[k + 1]);
		if (before !== false && after !== false && (before ?? after)) half.add(e);
	});
	return half;
}

/**
 * Satellites used at each instant, in order of the clock. Counted by name over the GSA sentences of a cycle; GGA or GNS where there
 * are none. A cycle that is not whole takes the count of GGA where GGA has agreed so far, else that of the cycle before: it never lowers
 * one. Null where nothing is known.
 */
export function countSatellites(evidence: readonly CountEvidence[]): (number | null)[] {
	const half = halfOf(evidence, ({ active }) => active?.sentences ?? 0);
	const halfTold = halfOf(evidence, ({ tellers }) => tellers);
	const unions = evidence.map(({ active }) => (active ? unionOf(active).size : 0));
	const whole = (e: CountEvidence) => e.active !== null && !half.has(e);
	let compared = 0;
	let agreeing = 0;
	evidence.forEach((e, k) => {
		const { told } = e;
		if (told === null || unions[k] === 0 || !whole(e) || halfTold.has(e)) return;
		compared++;
		if (told === unions[k] || (capped(told) && unions[k] > told)) agreeing++;
	});
	const believed = compared === 0 || agreeing >= AGREEING * compared;
	let last: { tS: number; stretch: number; count: number } | null = null;
	return evidence.map((e, k) => {
		const { tS, stretch, active } = e;
		const told = halfTold.has(e) ? null : e.told;
		const before: number | null =
			last && last.stretch === stretch && Math.abs(tS - last.tS) <= STANDS_S ? last.count : null;
		if (active && whole(e)) {
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
