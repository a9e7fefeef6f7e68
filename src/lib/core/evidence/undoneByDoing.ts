import type { EntryPayload } from '../../schema/entries';
import type { Sensor } from '../../schema/records';
import { sensorOf } from './about';

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
