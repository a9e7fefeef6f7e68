import { MARK_OF_VERDICT } from '../../evidence/standing';
import { comesHome } from '../../aircraft/capabilities';
import { statementWords } from '../../facts/words';
import { valueOf } from '../../facts/facts';
import { actionAt } from '../homePlan';
import { plain } from '../../../words/plain';
import { orAside, taskState, type Task } from '../task';
import { measuredState } from './measured';

/** What happens if the link fails out there: planned from the aircraft, the place, the wind and the pack of this session. */
export const wayHome: Task = {
	station: 'return',
	applies: ({ aircraft, session }) => comesHome(aircraft) && session.venue !== 'roof',
	state: (_, record) =>
		orAside(
			measuredState(
				{
					task: 'way-home',
					station: 'return',
					page: 'way-home',
					title: 'The way home has not been planned for this pack, this wind and this place',
					next: 'Plan the way home',
					offered: ['It stays within twenty metres', 'Planned before, in the same wind on the same pack'],
				},
				record,
			),
			record,
		),
};

/** What the setting for a lost link means where this session flies; asked only where it does not fit. */
export const actionHere: Task = {
	station: 'return',
	applies: ({ facts, session }) => {
		const action = valueOf(facts, 'failsafeAction');
		return action !== null && actionAt(session.venue, action) !== null;
	},
	state({ facts, session }, record) {
		const statement = facts.of('failsafeAction');
		const found = actionAt(session.venue, valueOf(facts, 'failsafeAction'));
		if (!found || !statement) throw new Error('asked where it fits');
		return orAside(
			taskState({
				task: 'action-here',
				station: 'return',
				mark: MARK_OF_VERDICT[found.level ?? 'fail'],
				title: plain(found.text),
				detail: `Failsafe action ${statementWords(statement, 'metric')}.`,
				reasons: [found],
				next: found.next ?? '',
				offered: ['Set otherwise today, read off the aircraft', 'Nobody is under it, and it stays so'],
			}),
			record,
		);
	},
};
