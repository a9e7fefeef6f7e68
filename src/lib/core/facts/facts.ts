import { factKeySchema, type FactKey, type FactSource, type UsedFact } from '../../schema/facts';
import { FACT_RULES, sameValue, type FactValues } from './keys';
import { statementsOf, type FactEvidence, type Statement } from './statements';

/** Strongest first; a typed value and one judged by eye weigh the same. */
const RANK: Record<FactSource, number> = {
	measured: 0,
	display: 1,
	byEye: 2,
	reported: 2,
	simulated: 2,
	profile: 3,
	derived: 4,
	default: 5,
};

/** Two valid statements about one key that disagree. */
export interface Conflict {
	key: FactKey;
	/** The stronger of the two, and the other. */
	first: Statement;
	second: Statement;
	/** The one that is used until the pilot settles it. */
	used: Statement;
}

/** The value in force of every key that somebody stated. */
export interface Facts {
	of(key: FactKey): Statement | null;
	/** Disagreements, in the order of the key table. */
	conflicts: readonly Conflict[];
}

const stronger = (a: Statement, b: Statement): number => RANK[a.source] - RANK[b.source] || b.seq - a.seq;

/** The latest statement of each rank; a weaker one that a stronger one came after no longer counts. */
function latestByRank(statements: readonly Statement[]): Statement[] {
	const ranked: Statement[] = [];
	for (const one of statements.toSorted(stronger)) {
		const superseded = ranked.some(
			(other) => RANK[other.source] === RANK[one.source] || (one.seq >= 0 && other.seq > one.seq),
		);
		if (!superseded) ranked.push(one);
	}
	return ranked;
}

function conflictOf(key: FactKey, [first, ...others]: readonly Statement[]): Conflict | null {
	const second = others.find(
		({ source, value }) => RANK[source] <= RANK.profile && first !== undefined && !sameValue(key, value, first.value),
	);
	if (!first || !second || RANK[first.source] > RANK.profile) return null;
	const { cautious } = FACT_RULES[key];
	const ahead = cautious === 'higher' ? second.value > first.value : cautious === 'lower' && second.value < first.value;
	return { key, first, second, used: ahead ? second : first };
}

/** Gathers what is known in a session: one value for each key, and the disagreements about it. */
export function gatherFacts(evidence: FactEvidence): Facts {
	const byKey = new Map<FactKey, Statement[]>();
	for (const one of statementsOf(evidence)) byKey.set(one.key, [...(byKey.get(one.key) ?? []), one]);
	const inForce = new Map<FactKey, Statement>();
	const conflicts: Conflict[] = [];
	for (const key of factKeySchema.options) {
		const ranked = latestByRank(byKey.get(key) ?? []);
		const [first] = ranked;
		if (!first) continue;
		// What is simulated says nothing about the profile of the real aircraft.
		const conflict = evidence.session.kind === 'rehearsal' ? null : conflictOf(key, ranked);
		if (conflict) conflicts.push(conflict);
		inForce.set(key, conflict?.used ?? first);
	}
	return { of: (key) => inForce.get(key) ?? null, conflicts };
}

/** The value in force of a key, SI units; null where nobody stated it. The only door to it. */
export function valueOf<K extends FactKey>(facts: Facts, key: K): FactValues[K] | null {
	const found = facts.of(key);
	// The schema of entries and profiles admits values of the key's own type only.
	return found ? (found.value as FactValues[K]) : null;
}

/** Whether nobody stated a key and its value is the default of the kind of aircraft. */
export const isDefault = (facts: Facts, key: FactKey): boolean => facts.of(key)?.source === 'default';

/** The facts that a computation used, to be kept with its finding. Keys that nobody stated are left out. */
export const usedFacts = (facts: Facts, keys: readonly FactKey[]): UsedFact[] =>
	keys.flatMap((key) => {
		const found = facts.of(key);
		if (!found) return [];
		const { value, source, entry } = found;
		return [{ key, value, source, ...(entry === null ? {} : { entry }) }];
	});

/** A used value that is another one by now; `now` is null where nothing states it any more. */
export interface Moved {
	key: FactKey;
	was: number | string;
	now: Statement | null;
}

/** Below this mean wind its direction says nothing, m/s. */
const CALM_MPS = 1;

/** Which of the facts that a finding used have moved beyond their tolerance since. */
export function movedSince(uses: readonly UsedFact[], facts: Facts): Moved[] {
	const calm = (valueOf(facts, 'windMps') ?? 0) < CALM_MPS;
	return uses.flatMap(({ key, value }): Moved[] => {
		const now = facts.of(key);
		if (now && sameValue(key, value, now.value)) return [];
		if (key === 'windFromDeg' && calm) return [];
		return [{ key, was: value, now }];
	});
}

/** Facts with some values tried instead: what they give is a trial and is not recorded. */
export function withTrial(facts: Facts, values: Partial<FactValues>): Facts {
	const trial = new Map(
		Object.entries(values).flatMap(([key, value]): [FactKey, Statement][] => {
			const parsed = factKeySchema.safeParse(key);
			if (!parsed.success || value === undefined) return [];
			const origin = { of: 'session', name: '' } as const;
			return [[parsed.data, { key: parsed.data, value, source: 'derived', at: null, entry: null, seq: -1, origin }]];
		}),
	);
	return { of: (key) => trial.get(key) ?? facts.of(key), conflicts: facts.conflicts };
}
