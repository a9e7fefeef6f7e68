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
function wholeCount(active: ActiveCycle, told: number | null): number | null {
	const union = unionOf(active).size;
	if (union === 0) return told;
	const alike = numberedAlike(active);
	if (alike === 0) return union;
	if (told === null || capped(told)) return union + alike;
	return Math.max(union, Math.min(told, union + alike));
}

/** Which instants carry fewer of a kind of sentence than those beside them: cut by the end of the log, or lost on the way. */
function halfOf(evidence: readonly CountEvidence[], sentences: (e: CountEvidence) => number): Set<CountEvidence> {
	const carrying = evidence.filter((e) => sentences(e) > 0);
	const near = (a: CountEvidence, b: CountEvidence | undefined) =>
		b !== undefined && a.stretch === b.stretch && Math.abs(b.tS - a.tS) <= STANDS_S;
	return new Set(
		carrying.filter((e, k) => {
			const beside = [carrying[k - 1], carrying[k + 1]].filter((other) => near(e, other));
			return beside.length > 0 && beside.every((other) => sentences(other) > sentences(e));
		}),
	);
}

/**
 * Satellites used at each instant, in order of the clock. Counted by name over the GSA sentences of a cycle; GGA or GNS where there
 * are none. A cycle that is not whole takes the count of GGA where GGA has agreed so far, else that of the cycle before: it never lowers
 * one. Null where nothing is known.
 */
export function countSatellites(evidence: readonly CountEvidence[]): (number | null)[] {
	const half = halfOf(evidence, ({ active }) => active?.sentences ?? 0);
	const halfTold = halfOf(evidence, ({ tellers }) => tellers);
	const whole = (e: CountEvidence) => e.active !== null && !half.has(e);
	const compared = evidence.filter(
		(e) => whole(e) && e.active && unionOf(e.active).size > 0 && e.told !== null && !halfTold.has(e),
	);
	const agreeing = compared.filter(({ active, told }) => {
		const union = active ? unionOf(active).size : 0;
		return told === union || (told !== null && capped(told) && union > told);
	});
	const believed = compared.length === 0 || agreeing.length >= AGREEING * compared.length;
	let last: { tS: number; stretch: number; count: number } | null = null;
	return evidence.map((e) => {
		const { tS, stretch, active } = e;
		const told = halfTold.has(e) ? null : e.told;
		const before: number | null =
			last && last.stretch === stretch && Math.abs(tS - last.tS) <= STANDS_S ? last.count : null;
		if (active && whole(e)) {
			const count = wholeCount(active, told);
			if (count !== null) last = { tS, stretch, count };
			return count;
		}
		if (told !== null && believed && !(capped(told) && before !== null && before > told)) return told;
		if (!active) return e.told === null ? null : (before ?? told);
		const seen = Math.max(unionOf(active).size, told ?? 0, before ?? 0);
		return told === null && before === null ? null : seen;
	});
}
