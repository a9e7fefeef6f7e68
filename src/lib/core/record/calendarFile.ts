import { createEvents, type EventAttributes } from 'ics';
import { InputError } from '../finding/inputError';
import type { ColdSoak } from '../guide/coldSoak';

export interface DueDate {
	/** Stable: an event exported twice replaces itself. */
	id: string;
	title: string;
	/** Day, YYYY-MM-DD. */
	day: string;
	note: string;
}

/**
 * Days on which something falls due, as an iCalendar file (RFC 5545) of whole-day events. `madeAt` is an ISO time.
 * @throws InputError naming the event that the format cannot carry.
 */
export function dueCalendar(dates: readonly DueDate[], madeAt: string): string {
	// The package takes the time of making too, though its types do not say so; without it the clock would be read.
	const events = dates.map(({ id, title, day, note }): EventAttributes & { timestamp: number } => {
		const [year, month, date] = day.split('-').map(Number);
		return {
			uid: `${id}@winglogos`,
			title,
			start: [year, month, date],
			duration: { days: 1 },
			description: note,
			timestamp: Date.parse(madeAt),
			productId: 'winglogos',
			calName: 'Winglogos: due',
		};
	});
	return written(events);
}

/**
 * A cold soak as an iCalendar file: when to put the aircraft out, and when its routine begins, each with a reminder.
 * Times of the plan are ISO and written as UTC.
 */
export function soakCalendar(
	aircraftName: string,
	{ outAt, runAt }: Pick<ColdSoak, 'outAt' | 'runAt'>,
	madeAt: string,
): string {
	const event = (at: string, id: string, title: string): EventAttributes & { timestamp: number } => {
		const when = new Date(at);
		return {
			uid: `${id}-${Date.parse(runAt)}@winglogos`,
			title,
			start: [
				when.getUTCFullYear(),
				when.getUTCMonth() + 1,
				when.getUTCDate(),
				when.getUTCHours(),
				when.getUTCMinutes(),
			],
			startInputType: 'utc',
			duration: { minutes: 15 },
			alarms: [{ action: 'display', description: title, trigger: { minutes: 10, before: true } }],
			timestamp: Date.parse(madeAt),
			productId: 'winglogos',
			calName: 'Winglogos: cold start',
		};
	};
	return written([
		event(outAt, 'out', `Put ${aircraftName} out into the cold, dry`),
		event(runAt, 'run', `${aircraftName}: power on and calibrate at once`),
	]);
}

function written(events: EventAttributes[]): string {
	const { error, value } = createEvents(events);
	if (error || !value)
		throw new InputError('calendar', 'dates', `The calendar cannot be written: ${error?.message ?? 'unknown'}`);
	return value;
}
