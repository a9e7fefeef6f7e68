import type { ActiveSatellites } from './satellites';

/** A GSA sentence has twelve places; a full one may go on in the next of the same source. */
const GSA_HOLDS = 12;
/** Two reports of one constellation within a cycle share most of their satellites; two constellations numbered alike share few. */
const SAME_REPORT_SHARE = 0.6;

interface Group {
	key: string;
	used: Set<string>;
	lastWasFull: boolean;
}

/** The satellites that the GSA sentences of one cycle name. */
export interface ActiveCycle {
	/** How many sentences came, empty ones too: fewer than in the cycles beside it, and this one is not whole. */
	sentences: number;
	mode: number;
	groups: Group[];
}

/** A cycle of which nothing has come in yet. */
export const emptyCycle = (): ActiveCycle => ({ sentences: 0, mode: 0, groups: [] });

const systemOf = (key: string) => key.slice(0, key.lastIndexOf(' '));

/** The constellation that most of a sentence's satellites belong to: what tells two sentences of one combined talker apart. */
function mainSystem(used: readonly string[]): string {
	const counts = new Map<string, number>();
	for (const key of used) counts.set(systemOf(key), (counts.get(systemOf(key)) ?? 0) + 1);
	return [...counts].reduce<[string, number]>((best, entry) => (entry[1] > best[1] ? entry : best), ['', 0])[0];
}

/**
 * Takes one GSA sentence into its cycle. Sentences of one source and constellation go on where the one before was full,
 * replace it where they report mostly the same satellites again, and stand beside it where they share few: then another
 * constellation is numbered alike.
 */
export function addActive(cycle: ActiveCycle, { source, mode, used }: ActiveSatellites): void {
	cycle.sentences++;
	cycle.mode = Math.max(cycle.mode, mode ?? 0);
	if (used.length === 0) return;
	const key = `${source} ${mainSystem(used)}`;
	const full = used.length >= GSA_HOLDS;
	const group = cycle.groups.findLast((g) => g.key === key);
	if (!group) {
		cycle.groups.push({ key, used: new Set(used), lastWasFull: full });
		return;
	}
	const shared = used.filter((id) => group.used.has(id)).length;
	const again = shared >= SAME_REPORT_SHARE * Math.min(used.length, group.used.size);
	if (again) group.used = new Set(used);
	else if (shared === 0 || group.lastWasFull) for (const id of used) group.used.add(id);
	else cycle.groups.push({ key, used: new Set(used), lastWasFull: full });
	group.lastWasFull = full;
}

/** All satellites of a cycle, each once, whichever talkers name it. */
export const unionOf = ({ groups }: ActiveCycle): Set<string> => new Set(groups.flatMap(({ used }) => [...used]));

/** How many more there would be if sentences of one source that number alike were of different constellations. */
export function numberedAlike({ groups }: ActiveCycle): number {
	const seen = new Map<string, Set<string>>();
	let twice = 0;
	for (const { key, used } of groups) {
		const before = seen.get(key) ?? new Set();
		for (const id of used) {
			if (before.has(id)) twice++;
			before.add(id);
		}
		seen.set(key, before);
	}
	return twice;
}
