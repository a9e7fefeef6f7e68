import { comesHome } from '../../aircraft/capabilities';
import { untried } from '../checklist/conditions';
import { orAside, type Task } from '../task';
import { measuredState } from './measured';

/** Signs of a hover after which no return is tried. */
const CIRCLING: readonly string[] = ['circling-seen', 'circling-mark', 'compass-error', 'turns-one-way', 'circling'];

/** The return flown once, low and near, by its switch or with the radio off: where it is untried since what happened to the aircraft. */
export const returnTest: Task = {
	station: 'hover',
	applies: ({ aircraft, session }, record) =>
		comesHome(aircraft) &&
		session.venue !== 'roof' &&
		(untried.holds({ aircraft, session }) ||
			['return-radio-off', 'return-switch'].some((task) => record.speaking(task) !== null)),
	state(_, record) {
		const hovered = record.speaking('hover')?.payload;
		const circles =
			hovered?.kind === 'test' &&
			hovered.reasons.some(({ level, code }) => level !== 'pass' && CIRCLING.includes(code));
		const task = record.speaking('return-radio-off') ? 'return-radio-off' : 'return-switch';
		const found = orAside(
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
		return circles && found.mark === 'unseen'
			? { ...found, shut: 'First: a hover without circling. A return flies by the same compass.' }
			: found;
	},
};
