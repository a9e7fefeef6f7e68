import type { EntryPayload, EventKind } from '../../schema/entries';
import type { EventExtent, Sensor } from '../../schema/records';
import { COMPONENTS } from '../due/components';
import { affectsSensor, SENSOR_RULES, taskOfSensor } from '../due/rules';
import { sensorOf } from './about';

const NUDGES = [
	'spin-up',
	'nudge-roll',
	'nudge-pitch',
	'nudge-yaw',
	'surfaces',
	'surfaces-level',
	'surface-grid',
	'righting-tried',
	'self-righting',
] as const;
const FLOWN = [
	'first-rung',
	'height-rung',
	'laps-rung',
	'circle-rung',
	'by-hand',
	'follows',
	'anomaly-gone',
	'sounds-even',
	'take-off',
	'trim',
	'launch',
	'hover',
	'return-cancel',
	'return-switch',
	'return-radio-off',
] as const;
const STARTED = [
	'radio-first',
	'craft-first',
	'flat-zero',
	'still',
	'link',
	'picture',
	'overlay',
	'restarted',
	'position',
] as const;
const SET = [
	'loss-action',
	'distance-limit',
	'sticks-taught',
	'rates',
	'return-height',
	'battery-levels',
	'link-loss',
	'switches',
	'pre-arm',
	'way-home',
] as const;
const KNOCKED = [
	'frame',
	'antennas',
	'props-whole',
	'leads',
	'wires',
	'motors-bare',
	'motor-walk',
	'bench-arm',
	'crash-look',
	'pressure-foam',
	'orientation',
	'balance',
	'props-on',
	'propellers',
	'straps',
] as const;
const BUILT = [
	...KNOCKED,
	'first-power',
	'tank-power',
	'lines-vented',
	'spray-lines',
	'spreader-ready',
	'spreader-steps',
] as const;
const SIDES = ['obstacle-sides'] as const;
const GIVEN = ['flow', 'feed'] as const;

/** What must be seen again after an event, beside the sensors it makes due: what it may have changed, and nothing else. */
const TASKS: Record<EventKind, readonly string[]> = {
	new: [...BUILT, ...SIDES, ...GIVEN, ...STARTED, ...SET, ...NUDGES, ...FLOWN],
	firmware: [
		...SIDES,
		'orientation',
		'settings-back',
		'bench-arm',
		'receiver-link',
		...STARTED,
		...SET,
		...NUDGES,
		...FLOWN,
	],
	settings: [...SET, ...NUDGES, ...FLOWN],
	knock: [...KNOCKED, ...SIDES, ...NUDGES, ...FLOWN],
	part: [...BUILT, ...SIDES, ...GIVEN, 'link-loss', ...NUDGES, ...FLOWN],
	cleaned: [],
	prompt: [],
	'odd-flight': ['frame', ...NUDGES, ...FLOWN],
	journey: ['frame'],
	unplugged: [...STARTED],
};

/** Calibrations that an aircraft takes over only after a restart. */
const TAKEN_OVER: readonly Sensor[] = ['compass', 'accelerometer', 'gyro', 'level', 'mounting', 'radio', 'vision'];
/** Checks that are done with the propellers off. */
const PROPELLERS_OFF: readonly string[] = [
	'first-power',
	'motors-bare',
	'motor-walk',
	'bench-arm',
	'pre-arm',
	'board-compass',
	'interference',
	'link-loss',
];

/** Tasks that an entry itself asks again: a calibration the restart, a check with propellers off that they are fitted well. */
export function undoneByDoing(payload: EntryPayload): string[] {
	if (payload.kind !== 'check' && payload.kind !== 'test' && payload.kind !== 'calibration') return [];
	const sensor = sensorOf(payload);
	return [
		...(sensor && TAKEN_OVER.includes(sensor) ? ['restarted'] : []),
		...(PROPELLERS_OFF.includes(payload.task) ? ['props-on', 'propellers'] : []),
	];
}

/** Tasks of a session that an event undoes: of its kind, or of the component that it names, less those that its pilot excludes. */
export function undoneBy(what: EventKind, extent: EventExtent = {}): ReadonlySet<string> {
	const { component, unaffected = [] } = extent;
	const sensors = (Object.keys(SENSOR_RULES) as Sensor[]).filter((sensor) => affectsSensor(what, extent, sensor));
	const tasks =
		component && what === 'part'
			? COMPONENTS[component].tasks
			: component && what === 'cleaned'
				? COMPONENTS[component].cleaned
				: TASKS[what];
	const undone = new Set([...tasks, ...sensors.map(taskOfSensor)]);
	for (const { task } of unaffected) undone.delete(task);
	return undone;
}
