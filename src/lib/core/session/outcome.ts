import type { DecisionPayload, Entry } from '../../schema/entries';
import type { Mark } from '../../schema/records';
import { plain } from '../../words/plain';
import { assessSession, type SessionState } from './assess';
import type { SessionEvidence } from './sessionRecord';
import type { TaskState } from './task';

/** What a session came to, in one line: for the logbook, the report and the page for others alike. */
export interface Outcome {
	mark: Mark;
	words: string;
}

/** The last decision at a gate, whether it left the ground after it, and whether it is ended. */
export interface Ending {
	decision: DecisionPayload | null;
	flew: boolean;
	ended: boolean;
}

/** The outcome of a session: what was decided, whether it flew, and on what exceptions it was decided. */
export function outcomeOfSession({ decision, flew, ended }: Ending): Outcome {
	if (!decision) return { mark: 'unseen', words: ended ? 'Ended without a decision' : 'Open' };
	const reason = decision.reason ? `: ${plain(decision.reason)}` : '';
	if (decision.decision !== 'fly') return { mark: 'hold', words: `Held${reason || ', no reason given'}` };
	if (decision.task === 'arm')
		return { mark: 'unseen', words: ended ? 'Arm check decided; no takeoff decided' : 'Open; Arm check decided' };
	const many = (mark: Mark, words: string) => {
		const n = decision.marks.filter((one) => one.mark === mark).length;
		return n === 0 ? [] : [`${n} ${words}`];
	};
	const exceptions = [...many('aside', 'skipped'), ...many('caution', 'with caution')];
	const words = [
		flew ? 'Flown' : 'Takeoff decided, not flown',
		...(exceptions.length > 0 ? [exceptions.join(', ')] : []),
	];
	const mark =
		exceptions.length === 0 ? 'clear' : decision.marks.some((one) => one.mark === 'aside') ? 'aside' : 'caution';
	return { mark, words: `${words.join('; ')}${reason}` };
}

/** A session as it stood when it was last decided on, and what was found after that. */
export interface Decided {
	/** The entry of the decision; null where nothing was decided. */
	decision: Entry | null;
	/** The state that was decided on; the present one where nothing was. */
	state: SessionState;
	/** What is not OK and was found after the decision: it never changes what was decided on. */
	after: readonly TaskState[];
	outcome: Outcome;
}

const isDecision = ({ payload }: Entry): boolean => payload.kind === 'decision' && payload.task !== 'measurement-aside';

/** Splits a session at its last decision: what it was decided on, and what came after. */
export function decidedOn(evidence: SessionEvidence, ended: boolean): Decided {
	const inOrder = evidence.entries.toSorted((a, b) => a.seq - b.seq);
	const flights = inOrder.filter(({ payload }) => payload.kind === 'decision' && payload.task === 'flight');
	const decision = flights.at(-1) ?? inOrder.findLast(isDecision) ?? null;
	const now = assessSession(evidence);
	const took = (entry: Entry) => entry.payload.kind === 'flight' && entry.payload.what === 'took-off';
	const outcome = outcomeOfSession({
		decision: decision?.payload.kind === 'decision' ? decision.payload : null,
		flew: inOrder.some(took),
		ended,
	});
	if (!decision) return { decision, state: now, after: [], outcome };
	const before = inOrder.filter(({ seq }) => seq < decision.seq);
	return {
		decision,
		state: assessSession({ ...evidence, entries: before }),
		after: now.stations
			.flatMap(({ tasks }) => tasks)
			.filter(({ mark, entry }) => mark !== 'clear' && entry !== null && entry.seq > decision.seq),
		outcome,
	};
}
