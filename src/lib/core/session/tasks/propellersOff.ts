import type { TaskState } from '../task';
import { taskState } from '../task';
import type { Aircraft } from '../../../schema/records';

const PROPELLERS_OFF: readonly string[] = ['bench', 'compass'];

/** What still needs the propellers off: seen by nobody and not set aside, on the bench or at the compass. */
export const needsPropellersOff = (tasks: readonly TaskState[]): TaskState[] =>
	tasks.filter(({ station, mark }) => PROPELLERS_OFF.includes(station) && mark === 'unseen');

/** Holds Power-up back while something that needs the propellers off is due; null where nothing is. */
export function propellersOffState(
	tasks: readonly TaskState[],
	aircraft: Pick<Aircraft, 'propellersStayOn'>,
): TaskState | null {
	const left = needsPropellersOff(tasks);
	if (left.length === 0 || aircraft.propellersStayOn) return null;
	return taskState({
		task: 'propellers-off',
		station: 'power-up',
		mark: 'hold',
		title: `The propellers stay off: ${left.length} ${left.length === 1 ? 'thing' : 'things'} before them not seen`,
		detail: `${left
			.slice(0, 3)
			.map(({ title }) => title)
			.join('; ')}${left.length > 3 ? `; and ${left.length - 3} more` : ''}.`,
		next: 'Do it, or set it aside',
		offered: null,
	});
}
