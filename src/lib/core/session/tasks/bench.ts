import type { SensorDue } from '../../due/due';
import { isDueWords } from '../../due/rules';
import { taskOfSensor } from '../../due/rules';
import { markOf } from '../../evidence/standing';
import { dayOf } from '../../../words/calendar';
import type { SessionEvidence, SessionRecord } from '../sessionRecord';
import { orAside, silence, taskState, type TaskState } from '../task';

const OFFERED = [
	'Factory values, by the manual',
	'Flown since, and nothing was wrong',
	'At home, before the next flight',
];

/** One sensor of the bench: what was done in this session speaks; else whether it is due. */
function sensorState(due: SensorDue, evidence: SessionEvidence, record: SessionRecord): TaskState {
	const shared = { task: taskOfSensor(due.sensor), station: 'bench', page: 'bench-due', offered: OFFERED } as const;
	const entry = record.speaking(shared.task);
	if (entry?.payload.kind === 'test') {
		const mark = markOf(entry.payload);
		return taskState({
			...shared,
			mark,
			title: entry.payload.headline,
			detail: `From ${entry.payload.sourceName}.`,
			reasons: entry.payload.reasons,
			next: mark === 'clear' ? '' : 'Do it again',
			entry,
		});
	}
	if (!due.due) {
		const last = evidence.done.get(due.sensor);
		return taskState({
			...shared,
			mark: 'clear',
			title: `${due.name}: not due`,
			detail: `${last ? `Done ${dayOf(last.at)}` : 'Nothing asks for it'}; school: ${due.chosen.name.toLowerCase()}.`,
			reasons: due.evidence,
		});
	}
	return taskState({
		...shared,
		mark: 'unseen',
		title: isDueWords(due.sensor),
		detail: silence(record, shared.task) || (due.chosen.reasons[0]?.text ?? ''),
		reasons: due.chosen.reasons,
		next: 'Open the bench',
	});
}

/** What can fall due on the bench, a task a sensor; compass and link loss have tasks of their own. */
export const benchStates = (evidence: SessionEvidence, record: SessionRecord): TaskState[] =>
	evidence.due
		.filter(({ sensor }) => taskOfSensor(sensor) === `due-${sensor}`)
		.map((due) => orAside(sensorState(due, evidence, record), record));
