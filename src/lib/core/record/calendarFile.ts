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
		const next = new Date(Date.UTC(year, month - 1, date + 1));
		return {
			uid: `${id}@winglogos`,
			title,
			start: [year, month, date],
			// An end, not a duration: the package writes a day as P1DT, which the format does not have.
			end: [next.getUTCFullYear(), next.getUTCMonth() + 1, next.getUTCDate()],
			description: note,
			timestamp: Date.parse(madeAt),
			productId: 'winglogos',
			calName: 'Winglogos: due',
		};
	});
	return written(events);
}

interface Timed {
	id: string;
	title: string;
	/** ISO time; written as UTC. */
	at: string;
	minutes: number;
	note?: string;
}

/** A time of day with a reminder ten minutes before. */
function timedEvent(
	{ id, title, at, minutes, note }: Timed,
	calName: string,
	madeAt: string,
): EventAttributes & { timestamp: number } {
	const when = new Date(at);
	return {
		uid: `${id}@winglogos`,
		title,
		start: [when.getUTCFullYear(), when.getUTCMonth() + 1, when.getUTCDate(), when.getUTCHours(), when.getUTCMinutes()],
		startInputType: 'utc',
		duration: { minutes },
		...(note ? { description: note } : {}),
		alarms: [{ action: 'display', description: title, trigger: { minutes: 10, before: true } }],
		timestamp: Date.parse(madeAt),
		productId: 'winglogos',
		calName,
	};
}

/** A cold soak as an iCalendar file: when to put the aircraft out, and when its routine begins, each with a reminder. */
export function soakCalendar(
	aircraftName: string,
	{ outAt, runAt }: Pick<ColdSoak, 'outAt' | 'runAt'>,
	madeAt: string,
): string {
	const event = (at: string, id: string, title: string) =>
		timedEvent({ id: `${id}-${Date.parse(runAt)}`, title, at, minutes: 15 }, 'Winglogos: cold start', madeAt);
	return written([
		event(outAt, 'out', `Put ${aircraftName} out into the cold, dry`),
		event(runAt, 'run', `${aircraftName}: power on and calibrate at once`),
	]);
}

/** The steps of a day as an iCalendar file, each with a reminder. */
export const stepsCalendar = (steps: readonly Omit<Timed, 'id'>[], madeAt: string): string =>
	written(
		steps.map((step, k) =>
			timedEvent({ ...step, id: `step-${k}-${Date.parse(step.at)}` }, 'Winglogos: tomorrow', madeAt),
		),
	);

function written(events: EventAttributes[]): string {
	const { error, value } = createEvents(events);
	if (error || !value)
		throw new InputError('calendar', 'dates', `The calendar cannot be written: ${error?.message ?? 'unknown'}`);
	return value;
}
