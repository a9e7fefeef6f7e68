import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { format } from 'date-fns/format';

// One instant has one day everywhere: that of the calendar where the pilot is, by the time zone of the device.

/** The day of an ISO time as a pilot writes it: "18 November 2026". */
export const dayOf = (iso: string): string => format(new Date(iso), 'd MMMM yyyy');

/** The day of an ISO time as files and fields write it: "2026-11-18". */
export const localDay = (iso: string | number): string => format(new Date(iso), 'yyyy-MM-dd');

/** Calendar days from one ISO time to another; negative where the second is earlier. */
export const daysBetween = (from: string, to: string): number => differenceInCalendarDays(new Date(to), new Date(from));

/** The day so many calendar days after an ISO time: "2026-11-18". A day may have 23 or 25 hours. */
export const dayAfter = (iso: string | number, days: number): string =>
	format(addDays(new Date(iso), days), 'yyyy-MM-dd');
