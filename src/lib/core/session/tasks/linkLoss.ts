import { dayOf } from '../../../words/calendar';
import { markOf } from '../../evidence/standing';
import { LOSS_WORDS } from '../../radio/linkLossTest';
import { orAside, silence, taskState, type Task } from '../task';

const OFFERED = ['Tested since the last change', 'No place to test it today', 'At home, before the next flight'];

/** Radio off on the bench, for the action that is really set: one test, wherever it is asked for. */
export const linkLoss: Task = {
	station: 'bench',
	applies: ({ due }) => due.some(({ sensor }) => sensor === 'link-loss'),
	state(evidence, record) {
		const { aircraft, due } = evidence;
		const shared = { task: 'link-loss', station: 'bench', page: 'link-loss', offered: OFFERED } as const;
		const entry = record.speaking('link-loss');
		if (entry?.payload.kind === 'test') {
			const { headline, reasons } = entry.payload;
			const mark = markOf(entry.payload);
			return orAside(
				taskState({ ...shared, mark, title: headline, reasons, entry, next: mark === 'clear' ? '' : 'Test it again' }),
				record,
			);
		}
		const found = due.find(({ sensor }) => sensor === 'link-loss');
		const last = evidence.done.get('link-loss');
		if (found?.due === false && last)
			return taskState({
				...shared,
				mark: 'clear',
				title: 'The link-loss test is not due',
				detail: `Tested ${dayOf(last.at)}; nothing that undoes it since.`,
				reasons: found.evidence,
			});
		return orAside(
			taskState({
				...shared,
				mark: 'unseen',
				title: aircraft.lossAction
					? `Nobody has seen that it does on link loss what is set: ${LOSS_WORDS[aircraft.lossAction]}`
					: 'Nobody has said or seen what it does when the link is lost',
				detail: silence(record, 'link-loss') || (found?.chosen.reasons[0]?.text ?? ''),
				reasons: found?.chosen.reasons ?? [],
				next: 'Test it',
			}),
			record,
		);
	},
};
