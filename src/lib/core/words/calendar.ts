import { format } from 'date-fns/format';

const MONTHS = [
	'January',
	'February',
	'March',
	'April',
	'May',
	'June',
	'July',
	'August',
	'September',
	'October',
	'November',
	'December',
];

/** The UTC day of an ISO time as a pilot writes it: "18 November 2026". */
export const dayOf = (iso: string): string =>
	`${Number(iso.slice(8, 10))} ${MONTHS[Number(iso.slice(5, 7)) - 1]} ${iso.slice(0, 4)}`;

/** The calendar day of an ISO time where the pilot is, by the time zone of the device: "2026-11-18". */
export const localDay = (iso: string): string => format(new Date(iso), 'yyyy-MM-dd');
