import type { ActiveSatellites } from './satellites';

/** A GSA sentence has twelve places; a full one may go on in the next of the same source. */
const GSA_HOLDS = 12;
/** Two reports of one constellation within a cycle share most of their satellites; two constellations numbered alike share few. */
const SAME_REPORT_SHARE = 0.6;

interface Group {
	key: string;
	used: ReadonlySet<string>;
	lastWasFull: boolean;
}

/** The satellites that the GSA sentences of one cycle name. */
export interface ActiveCycle {
	/** How many sentences came, empty ones too: fewer than in the cycles beside it, and this one is not whole. */
	sentences: number;
	mode: number;
	groups: readonly Group[];
}

const NONE: readonly Group[] = [];

/** A cycle of which nothing has come in yet. */
export const emptyCycle = (): ActiveCycle => ({ sentences: 0, mode: 0, groups: NONE });

/**
 * Takes one GSA sentence into its cycle. Sentences of one source and constellation go on where the one before was full,
 * replace it where they report mostly the same satellites again, and stand beside it where they share few: then another
 * constellation is numbered alike.
 */
export function addActive(cycle: ActiveCycle, { key, mode, filled, all }: ActiveSatellites): void {
	cycle.sentences++;
	cycle.mode = Math.max(cycle.mode, mode ?? 0);
	if (filled === 0) return;
	const full = filled >= GSA_HOLDS;
	if (cycle.groups.length === 0) {
		cycle.groups = [{ key, used: all, lastWasFull: full }];
		return;
	}
	const group = cycle.groups.findLast((g) => g.key === key);
	if (!group) {
		cycle.groups = [...cycle.groups, { key, used: all, lastWasFull: full }];
		return;
	}
	let shared = 0;
	for (const id of all) if (group.used.has(id)) shared++;
	const again = shared >= SAME_REPORT_SHARE * Math.min(all.size, group.used.size);
	if (again) group.used = all;
	else if (shared === 0 || group.lastWasFull) group.used = new Set([...group.used, ...all]);
	else cycle.groups = [...cycle.groups, { key, used: all, lastWasFull: full }];
	group.lastWasFull = full;
}

/** All satellites of a cycle, each once, whichever talkers name it. */
export function unionOf({ groups }: ActiveCycle): ReadonlySet<string> {
	if (groups.length === 1) return groups[0].used;
	const union = new Set<string>();
	for (const { used } of groups) for (const id of used) union.add(id);
	return union;
}

/** How many more there would be if sentences of one source that number alike were of different constellations. */
export function numberedAlike({ groups }: ActiveCycle): number {
	let twice = 0;
	groups.forEach(({ key, used }, k) => {
		const before = groups.slice(0, k).filter((group) => group.key === key);
		if (before.length > 0) for (const id of used) if (before.some((group) => group.used.has(id))) twice++;
	});
	return twice;
}
