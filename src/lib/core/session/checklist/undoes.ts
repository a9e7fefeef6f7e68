import type { EventKind } from '../../../schema/entries';
import type { EventExtent, Sensor } from '../../../schema/records';
import { COMPONENTS } from '../../due/components';
import { affectsSensor, SENSOR_RULES, taskOfSensor } from '../../due/rules';
import { BUILDING, HANDLING, KNOCKS, SETTING, STARTING } from './item';
import { TEMPLATES } from './templates';

/** Tasks of a session that are no item of the checklist, and the events after which they are done again. */
const OF_TASKS: Readonly<Record<string, readonly EventKind[]>> = {
	'motor-walk': KNOCKS,
	propellers: KNOCKS,
	straps: KNOCKS,
	'spray-lines': BUILDING,
	'spreader-steps': BUILDING,
	flow: BUILDING,
	feed: BUILDING,
	position: STARTING,
	'link-loss': [...SETTING, 'part'],
	'way-home': SETTING,
	'surface-grid': HANDLING,
	trim: HANDLING,
	hover: HANDLING,
	'return-switch': HANDLING,
	'return-radio-off': HANDLING,
};

/** What must be seen again after an event, beside the sensors it makes due: what it may have changed, and nothing else. */
const tasksUndoneBy = (kind: EventKind): string[] => [
	...TEMPLATES.filter(({ undoneBy = [] }) => undoneBy.includes(kind)).map(({ id }) => id),
	...Object.keys(OF_TASKS).filter((task) => OF_TASKS[task].includes(kind)),
];

/** Tasks of a session that an event undoes: of its kind, or of the component that it names, less those that its pilot excludes. */
export function undoneBy(what: EventKind, extent: EventExtent = {}): ReadonlySet<string> {
	const { component, unaffected = [] } = extent;
	const sensors = (Object.keys(SENSOR_RULES) as Sensor[]).filter((sensor) => affectsSensor(what, extent, sensor));
	const tasks =
		component && what === 'part'
			? COMPONENTS[component].tasks
			: component && what === 'cleaned'
				? COMPONENTS[component].cleaned
				: tasksUndoneBy(what);
	const undone = new Set([...tasks, ...sensors.map(taskOfSensor)]);
	for (const { task } of unaffected) undone.delete(task);
	return undone;
}
