import type { Entry } from '../../schema/entries';
import type { SensorDue } from '../due/due';
import { taskOf } from '../evidence/about';
import { isAside, isInsufficient, standingOf, type Standing } from '../evidence/standing';
import { undoneBy } from './checklist/undoes';
import { undoneByDoing } from '../evidence/undoneByDoing';
import type { ChainFinding } from '../record/chain';
import type { Aircraft, Pack, Sensor, Session, Site } from '../../schema/records';
import type { UnitSystem } from '../../words/units';
import type { Facts } from '../facts/facts';
import { curesStop, ENTERED_BY_MISTAKE, isStop, RELEASES, STOPPED_TASKS } from './stop';
import type { Deferred } from './deferred';

/** All that a session is judged by. */
export interface SessionEvidence {
	aircraft: Aircraft;
	session: Pick<Session, 'kind' | 'occasion' | 'venue' | 'crew'>;
	site?: Site | null | undefined;
	pack?: Pack | null | undefined;
	/** What was left undone in earlier sessions and comes back. */
	deferred?: readonly Deferred[] | undefined;
	/** Entries of this session, in any order. */
	entries: readonly Entry[];
	/** Everything that can fall due on the aircraft, as of the session. */
	due: readonly SensorDue[];
	/** What was last done for each sensor in earlier records. */
	done: ReadonlyMap<Sensor, Entry>;
	/** What was calibrated in earlier records and has not flown a test hover since. */
	unverified: readonly Sensor[];
	/** Whether the session's own chain verifies. */
	chain: ChainFinding;
	units: UnitSystem;
}

/** The same with the facts in force, as every task reads them. */
export interface TaskEvidence extends SessionEvidence {
	facts: Facts;
}

/** What the entries of a session amount to, task by task. */
export interface SessionRecord {
	entries: readonly Entry[];
	/** The latest entry that speaks about a task and was not undone since. */
	speaking(task: string): Entry | null;
	/** The entry that leaves a task undone, where nothing later speaks. */
	aside(task: string): Entry | null;
	/** The event that undid what was seen of a task, where nothing speaks since. */
	undone(task: string): Entry | null;
	/** The latest entry about a task that does not count, and why; where nothing later speaks. */
	beside(task: string): { entry: Entry; standing: Standing } | null;
	/** The no-go of an armed aircraft after which nothing was changed yet; null where nothing is stopped. */
	stop: Entry | null;
	/** A decision that no event has undone since. */
	decision(gate: 'arm' | 'flight'): Entry | null;
}

/** Reads a session's entries in order of their numbers: what speaks, what was set aside, what an event undid. */
export function readSession({
	entries,
	session,
	aircraft: { propellersStayOn = false } = {},
}: Pick<SessionEvidence, 'entries' | 'session'> & {
	aircraft?: Pick<Aircraft, 'propellersStayOn'>;
}): SessionRecord {
	const scope = { of: 'session', rehearsal: session.kind === 'rehearsal' } as const;
	const speaking = new Map<string, Entry>();
	const asides = new Map<string, Entry>();
	const undone = new Map<string, Entry>();
	const beside = new Map<string, { entry: Entry; standing: Standing }>();
	const decisions = new Map<string, Entry>();
	let stop: Entry | null = null;
	const undo = (tasks: Iterable<string>, by: Entry) => {
		for (const task of tasks) {
			const was = speaking.delete(task);
			if (asides.delete(task) || was) undone.set(task, by);
		}
		decisions.clear();
	};
	const inOrder = entries.toSorted((a, b) => a.seq - b.seq);
	for (const entry of inOrder) {
		const { payload } = entry;
		if (payload.kind === 'event') {
			undo(undoneBy(payload.what, payload), entry);
			if (RELEASES.includes(payload.what)) stop = null;
			continue;
		}
		const task = taskOf(payload);
		if (payload.kind === 'decision' && payload.task !== 'measurement-aside') {
			decisions.set(task, entry);
			continue;
		}
		if (isAside(payload)) {
			asides.set(task, entry);
			continue;
		}
		const standing = standingOf(entry, scope, entry.at);
		if (standing === 'no-evidence') continue;
		if (standing !== 'in-force') {
			beside.set(task, { entry, standing });
			continue;
		}
		if (stop && taskOf(stop.payload) === task && payload.kind === 'check' && payload.remedy === ENTERED_BY_MISTAKE) {
			// The slip is taken back; the check itself is still to do.
			stop = null;
			speaking.delete(task);
			continue;
		}
		// What one way found wrong is not made better by another way that finds it doubtful.
		const was = speaking.get(task)?.payload;
		if (
			was?.kind === 'test' &&
			payload.kind === 'test' &&
			was.task !== payload.task &&
			was.verdict === 'fail' &&
			!isInsufficient(was.reasons) &&
			payload.verdict !== 'pass'
		)
			continue;
		for (const done of undoneByDoing(payload)) {
			if (propellersStayOn && done !== 'restarted') continue;
			if (speaking.delete(done)) undone.set(done, entry);
		}
		if (payload.kind === 'test' && payload.troubleshooting) undo(payload.troubleshooting.reopens, entry);
		if (stop && curesStop(stop, payload)) stop = null;
		if (isStop(entry)) {
			undo([...STOPPED_TASKS, ...undoneBy('unplugged')], entry);
			stop = entry;
		}
		speaking.set(task, entry);
		for (const map of [asides, undone, beside]) map.delete(task);
	}
	return {
		entries: inOrder,
		speaking: (task) => speaking.get(task) ?? null,
		aside: (task) => asides.get(task) ?? null,
		undone: (task) => undone.get(task) ?? null,
		beside: (task) => beside.get(task) ?? null,
		stop,
		decision: (gate) => decisions.get(gate) ?? null,
	};
}
