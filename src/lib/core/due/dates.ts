import type { Entry } from '../../schema/entries';
import type { Aircraft, Sensor } from '../../schema/records';
import { dayAfter, localDay } from '../../words/calendar';
import { isDueWords } from './rules';

/** A day on which something falls due, with what and why. */
export interface DueDay {
	/** Stable: an event exported twice replaces itself. */
	id: string;
	title: string;
	/** YYYY-MM-DD. */
	day: string;
	note: string;
}

/** The days on which something falls due on an aircraft by age alone, soonest first; none where its pilot set no age. */
export function dueDates(aircraft: Aircraft, done: ReadonlyMap<Sensor, Pick<Entry, 'at'>>): DueDay[] {
	const ageDays = aircraft.dueThresholds?.ageDays;
	if (!ageDays) return [];
	return [...done]
		.map(([sensor, { at }]) => ({
			id: `${aircraft.id}-${sensor}`,
			title: `${aircraft.name}: ${isDueWords(sensor)}`,
			day: dayAfter(at, ageDays),
			note: `Last done ${localDay(at)}; your own limit of ${ageDays} days.`,
		}))
		.sort((a, b) => (a.day < b.day ? -1 : 1));
}
