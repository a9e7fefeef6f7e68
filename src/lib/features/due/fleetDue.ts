import { aircraftDue } from '$lib/core/due/aircraftDue';
import type { SensorDue } from '$lib/core/due/due';
import type { DueSchool, Sensor } from '$lib/schema/records';
import type { Home } from '$lib/store/home';

/** The instrument that measures a sensor; null where the aircraft's own routine, or a test with the radio off, is all there is. */
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
	'link-loss': null,
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

/** What is due on each aircraft of this device, as of an ISO time, wherever it may be flown next. */
export const dueOfAll = ({ aircraft, done }: Pick<Home, 'aircraft' | 'done'>, now: string) =>
	aircraft.map((craft) => ({
		aircraft: craft,
		due: aircraftDue(craft, done.get(craft.id) ?? new Map(), null, now).filter(({ due }) => due),
	}));
