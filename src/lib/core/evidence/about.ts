import type { EntryPayload } from '../../schema/entries';
import type { Sensor } from '../../schema/records';
import { taskOfSensor } from '../due/rules';

/** The sensor whose calibration or test an entry may stand for; null for everything else. An audit of settings is no test of them. */
export function sensorOf(payload: EntryPayload): Sensor | null {
	if (payload.kind === 'calibration') return 'compass';
	if (payload.kind !== 'test' || payload.task === 'settings-audit') return null;
	return payload.sensor ?? null;
}

/** The task that an entry is about, whichever of its doors it came through: a log, the aircraft's own routine, an instrument. */
export function taskOf(payload: EntryPayload): string {
	if (payload.kind === 'decision') return payload.task === 'measurement-aside' ? payload.about : payload.task;
	const sensor = sensorOf(payload);
	return sensor ? taskOfSensor(sensor) : payload.task;
}
