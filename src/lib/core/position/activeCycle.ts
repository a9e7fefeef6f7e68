import type { ActiveSatellites } from './satellites';

/** A GSA sentence has twelve places; a full one may go on in the next of the same source. */
const GSA_HOLDS = 12;
/** Two reports of one constellation within a cycle share most of their satellites; two constellations numbered alike share few. */
const SAME_REPORT_SHARE = 0.6;
/** No receiver sends so many in one cycle: what follows without a time of its own is not taken in. */
const MOST_SENTENCES = 64;

interface Group {
	readonly key: string;
	readonly used: ReadonlySet<string>;
	readonly lastWasFull: boolean;
}

/** The satellites that the GSA sentences of one cycle name so far. It never changes: cycles that say the same are one and the same. */
export class ActiveCycle {
	/** The cycles that came of this one, by the sentence that followed. */
	private then: Map<ActiveSatellites, ActiveCycle> | null = null;
	private all: ReadonlySet<string> | null = null;
	private alike: number | null = null;

	/** A cycle of which nothing has come in yet. */
	constructor(
		/** How many sentences came, empty ones too: fewer than in the cycles beside it, and this one is not whole. */
		readonly sentences = 0,
		readonly mode = 0,
		private readonly groups: readonly Group[] = [],
	) {}

	/** This cycle and one more sentence. A sky changes seldom, so that nearly every cycle of a log has been there before. */
	with(active: ActiveSatellites): ActiveCycle {
		if (this.sentences === MOST_SENTENCES) return this;
		this.then ??= new Map();
		const known = this.then.get(active);
		if (known) return known;
		const mode = Math.max(this.mode, active.mode ?? 0);
		const groups = active.filled === 0 ? this.groups : joined(this.groups, active);
		const next = new ActiveCycle(this.sentences + 1, mode, groups);
		this.then.set(active, next);
		return next;
	}

	/** All satellites, each once, whichever talkers name it. */
	get union(): ReadonlySet<string> {
		this.all ??= this.groups.length === 1 ? this.groups[0].used : new Set(this.groups.flatMap(({ used }) => [...used]));
		return this.all;
	}

	/** How many more there would be if sentences of one source that number alike were of different constellations. */
	get numberedAlike(): number {
		this.alike ??= numberedAlike(this.groups);
		return this.alike;
	}
}

/**
 * Sentences of one source and constellation go on where the one before was full, replace it where they report mostly the same
 * satellites again, and stand beside it where they share few: then another constellation is numbered alike.
 */
function joined(groups: readonly Group[], { key, filled, all }: ActiveSatellites): readonly Group[] {
	const lastWasFull = filled >= GSA_HOLDS;
	const beside = { key, used: all, lastWasFull };
	const at = groups.findLastIndex((group) => group.key === key);
	if (at < 0) return [...groups, beside];
	const group = groups[at];
	let shared = 0;
	for (const id of all) if (group.used.has(id)) shared++;
	if (shared >= SAME_REPORT_SHARE * Math.min(all.size, group.used.size)) return groups.with(at, beside);
	if (shared === 0 || group.lastWasFull)
		return groups.with(at, { key, used: new Set([...group.used, ...all]), lastWasFull });
	return [...groups.with(at, { ...group, lastWasFull }), beside];
}

function numberedAlike(groups: readonly Group[]): number {
	let twice = 0;
	groups.forEach(({ key, used }, k) => {
		const before = groups.slice(0, k).filter((group) => group.key === key);
		if (before.length > 0) for (const id of used) if (before.some((group) => group.used.has(id))) twice++;
	});
	return twice;
}
