import { daysBetween } from '$lib/words/calendar';

const LONG = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
const SHORT = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** Date and time as a logbook writes them. */
export const showDate = (iso: string): string => LONG.format(new Date(iso));

export function showDay(iso: string): string {
	const days = daysBetween(iso, new Date().toISOString());
	if (days === 0) return 'today';
	if (days === 1) return 'yesterday';
	return SHORT.format(new Date(iso));
}

export const showTime = (iso: string): string => CLOCK.format(new Date(iso));

const MINUTE_MS = 60_000;

/** Time of day on the writer's own clock, with its zone; where an entry does not say its zone, in UTC. */
export function showZoned(iso: string, zoneMin: number | undefined): string {
	const at = Date.parse(iso);
	if (!Number.isFinite(at)) return iso;
	const ahead = zoneMin ?? 0;
	const text = new Date(at + ahead * MINUTE_MS).toISOString().slice(11, 16);
	if (zoneMin === undefined) return `${text} UTC`;
	const size = Math.abs(ahead);
	const two = (n: number) => String(n).padStart(2, '0');
	return `${text} ${ahead < 0 ? '−' : '+'}${two(Math.floor(size / 60))}:${two(size % 60)}`;
}

/** Seconds as m:ss. */
export const showClock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;
