import { sensorDue, sensorsOf, type LastCalibration, type SensorDue, type Today } from '$lib/core/due/due';
import type { Aircraft, DueSchool, Entry, Sensor, Site } from '$lib/schema/records';

/** When and where an entry's calibration was made. */
export function lastOf(entry: Entry | undefined): LastCalibration | null {
	if (!entry) return null;
	const { payload, at } = entry;
	if (payload.kind === 'calibration') return { at, place: payload.place };
	if (payload.kind === 'test') return { at, place: payload.place ?? null, temperatureC: payload.temperatureC ?? null };
	return null;
}

/** Every sensor that an aircraft has, and whether it is due, by its own school and thresholds. */
export function aircraftDue(
	aircraft: Aircraft,
	done: ReadonlyMap<Sensor, Entry>,
	site: Pick<Site, 'latDeg' | 'lonDeg' | 'altM'> | null,
	now: string,
	today: Today = {},
): SensorDue[] {
	return sensorsOf(aircraft).map((sensor) => sensorDue(sensor, aircraft, lastOf(done.get(sensor)), site, now, today));
}

/** The instrument that measures a sensor; null where the aircraft's own routine is all there is. */
export const INSTRUMENT_OF: Record<Sensor, string | null> = {
	compass: 'compass',
	accelerometer: 'six-faces',
	gyro: 'gyro',
	level: 'level',
	mounting: 'mounting',
	radio: 'sticks',
	camera: 'horizon',
	vision: null,
	'speed-controllers': null,
	'link-loss': 'settings-audit',
};

export const SCHOOL_NAMES: Record<DueSchool, string> = {
	'as-told': 'As told',
	'after-events': 'After events',
	'every-day': 'First flight of every day',
};

/** What is due, as a headline. */
export function dueTitle(list: readonly SensorDue[], aircraftName: string): string {
	const names = list.filter(({ due }) => due).map(({ name }) => name.toLowerCase());
	if (names.length === 0) return `Nothing is due on ${aircraftName}`;
	const said = names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ');
	return `Due on ${aircraftName}: ${said}`;
}
