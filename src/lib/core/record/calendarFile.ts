import { createEvents, type EventAttributes } from 'ics';
import { InputError } from '../frames/inputError';

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
	const { error, value } = createEvents(events);
	if (error || !value)
		throw new InputError('calendar', 'dates', `The calendar cannot be written: ${error?.message ?? 'unknown'}`);
	return value;
}
