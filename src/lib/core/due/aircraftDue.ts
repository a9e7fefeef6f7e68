import type { Entry } from '../../schema/entries';
import type { Aircraft, Sensor } from '../../schema/records';
import { sensorDue, type Here, type LastCalibration, type SensorDue, type Today } from './due';
import { sensorsOf } from './rules';

/** When, where and how warm an entry's calibration was made. */
function lastOf(entry: Entry | undefined): LastCalibration | null {
	if (entry?.payload.kind !== 'calibration' && entry?.payload.kind !== 'test') return null;
	const { payload, at } = entry;
	return {
		at,
		place: payload.place ?? null,
		temperatureC: payload.kind === 'test' ? (payload.temperatureC ?? null) : null,
	};
}

/**
 * Every sensor that an aircraft has, and whether it is due, by its own school and thresholds. `done` is what was last done for each,
 * `here` what this place changes (`placedAt`), null where none was entered, `ahead` what is dated after `now` and so does not count.
 */
export function aircraftDue(
	aircraft: Aircraft,
	done: ReadonlyMap<Sensor, Entry>,
	here: Here | null,
	now: string,
	today: Omit<Today, 'ahead'> = {},
	ahead: ReadonlyMap<Sensor, string> = new Map(),
): SensorDue[] {
	return sensorsOf(aircraft).map((sensor) =>
		sensorDue(sensor, aircraft, lastOf(done.get(sensor)), here, now, { ...today, ahead: ahead.get(sensor) }),
	);
}
