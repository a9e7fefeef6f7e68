import type { TaskPage } from './taskPage';
import { begunSmall } from '../../words/begun';
import { plain } from '../../words/plain';
import type { Entry, Grade } from '../../schema/entries';
import type { Reason } from '../../schema/common';
import type { Mark, StationId } from '../../schema/records';
import { eventWords } from '../due/rules';
import { gradeOf } from '../evidence/grade';
import type { Standing } from '../evidence/standing';
import { isStop } from './stop';
import type { SessionRecord, TaskEvidence } from './sessionRecord';

/** One thing that is or is not in the way, with its reason and the next action. */
export interface TaskState {
	task: string;
	station: StationId;
	mark: Mark;
	/** The sentence a pilot would say about it. */
	title: string;
	/** The finding as a headline, where it holds: an item's title says what it should be. */
	found: string;
	detail: string;
	/** How what speaks was known. */
	grade: Grade | null;
	reasons: readonly Reason[];
	next: string;
	entry: Entry | null;
	/** Where it is done, if not in the station's list. */
	page: TaskPage | null;
	/** Why it cannot be done yet; empty where it can. */
	shut: string;
	/** Reasons for leaving it undone that pilots have; null where it cannot be left undone. */
	offered: readonly string[] | null;
}

/** A kind of task: where it stands, which aircraft and sessions have it, and what the record says of it. */
export interface Task {
	station: StationId;
	applies(evidence: TaskEvidence, record: SessionRecord): boolean;
	state(evidence: TaskEvidence, record: SessionRecord): TaskState;
}

/** What a task asks for next: a sentence is advice and is read; a few words are what stands on the button that leads to it. */
export const askOf = ({ next }: Pick<TaskState, 'next'>): { advice: string; press: string } =>
	next.endsWith('.') ? { advice: next, press: '' } : { advice: '', press: next };

/** Whether it is a calibration that fell due and of which nothing was done yet; its detail tells by what. */
export const fellDue = ({ mark, page, entry }: Pick<TaskState, 'mark' | 'page' | 'entry'>): boolean =>
	mark === 'unseen' && page === 'bench-due' && entry === null;

/** Worst first; what nobody saw stands before what was seen as a caution. */
export const RANK: Record<Mark, number> = { hold: 0, unseen: 1, caution: 2, aside: 3, clear: 4 };

/** The mark that weighs most. */
export const worst = (marks: readonly Mark[]): Mark =>
	marks.reduce<Mark>((a, b) => (RANK[b] < RANK[a] ? b : a), 'clear');

export const USUAL_REASONS: readonly string[] = [
	'Not possible here today',
	'Done before this session',
	'Does not apply to this aircraft',
];

/** A task with its mark, its sentence and what stands behind it. */
export const taskState = (
	fields: Partial<TaskState> & Pick<TaskState, 'task' | 'station' | 'mark' | 'title'>,
): TaskState => ({
	found: fields.title,
	detail: '',
	grade: fields.entry ? gradeOf(fields.entry.payload) : null,
	reasons: [],
	next: '',
	entry: null,
	page: null,
	shut: '',
	offered: USUAL_REASONS,
	...fields,
});

const NOT_COUNTED: Partial<Record<Standing, string>> = {
	rehearsed: 'Simulated data, or a phone in hand, do not count in a real session.',
	told: 'What was told or typed in without a measurement does not count.',
	'kept-beside': 'The values were kept beside, not taken over.',
};

/** What to say of a task that nothing speaks for: what undid it, or what was recorded and does not count. */
export function silence(record: SessionRecord, task: string): string {
	const event = record.undone(task);
	if (event?.payload.kind === 'event') {
		const { what, note } = event.payload;
		return `Asked again: ${begunSmall(eventWords(what, event.payload))}${note ? `, ${note}` : ''}.`;
	}
	if (event?.payload.kind === 'test' && event.payload.troubleshooting)
		return `Asked again after troubleshooting: ${event.payload.troubleshooting.cause || event.payload.headline}.`;
	if (event && !isStop(event))
		return `Asked again: ${task === 'restarted' ? 'calibrated since' : 'the propellers have been off since'}.`;
	if (event) return 'Asked again: the flight was stopped, the battery unplugged and the propellers taken off.';
	const beside = record.beside(task);
	return (beside && NOT_COUNTED[beside.standing]) ?? '';
}

/** A task left undone with its reason, as far as nothing later speaks of it; else the state as it is. */
export function orAside(state: TaskState, record: SessionRecord): TaskState {
	const entry = record.aside(state.task);
	if (!entry || state.mark === 'clear' || state.offered === null) return state;
	const { payload } = entry;
	const reason = 'reason' in payload ? payload.reason : '';
	return {
		...state,
		mark: 'aside',
		title: `${state.title}: set aside`,
		detail: `Reason: ${plain(reason)}. ${entry.by}.`,
		grade: null,
		next: 'Take it up again',
		entry,
		shut: '',
	};
}
