import { comesHome } from '../../aircraft/capabilities';
import { untried } from '../checklist/conditions';
import { orAside, type Task } from '../task';
import { measuredState } from './measured';

/** The return flown once, low and near, by its switch or with the radio off: where it is untried since what happened to the aircraft. */
export const returnTest: Task = {
	station: 'hover',
	applies: ({ aircraft, session }, record) =>
		comesHome(aircraft) &&
		session.venue !== 'roof' &&
		(untried.holds({ aircraft, session }) ||
			['return-radio-off', 'return-switch'].some((task) => record.speaking(task) !== null)),
	state(_, record) {
		const task = record.speaking('return-radio-off') ? 'return-radio-off' : 'return-switch';
		return orAside(
			measuredState(
				{
					task,
					station: 'hover',
					page: 'return-test',
					title: 'Nobody has seen it come home since',
					next: 'Test the return',
					offered: ['Flown by hand and near today', 'Next time, once the hover is right', 'No clear line here'],
				},
				record,
			),
			record,
		);
	},
};
