import type { Entry } from '../../../schema/entries';
import { plain } from '../../../words/plain';
import type { SessionRecord } from '../sessionRecord';
import { markOf } from '../../evidence/standing';
import { silence, taskState, type TaskState } from '../task';

type Unseen = Pick<TaskState, 'task' | 'station' | 'title' | 'next' | 'page' | 'offered'>;

/** A task that is measured, not ticked: what its latest finding says, or what to say while nobody has seen it. */
export function measuredState(unseen: Unseen, record: SessionRecord): TaskState {
	const entry = record.speaking(unseen.task);
	if (entry?.payload.kind !== 'test')
		return taskState({ ...unseen, mark: 'unseen', detail: silence(record, unseen.task) });
	return foundState(entry, unseen);
}

/** A task that an instrument's finding speaks for. @throws Error where the entry is no finding. */
export function foundState(entry: Entry, task: Omit<Unseen, 'title' | 'next'>): TaskState {
	if (entry.payload.kind !== 'test') throw new Error(`entry ${entry.id} is no finding`);
	const { verdict, headline, reasons, sourceName } = entry.payload;
	return taskState({
		...task,
		mark: markOf(entry.payload),
		title: plain(headline),
		detail: `From ${sourceName}.`,
		reasons,
		next: verdict === 'pass' ? '' : (reasons[0]?.next ?? 'Measure again'),
		entry,
	});
}
