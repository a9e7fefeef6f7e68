import type { Aircraft } from '../../schema/records';

/** The aircraft as a session's own entry keeps it: limits and equipment, without its history; of its settings which they were. */
export const snapshotOf = ({ events: _, updatedAt: __, unreadable: ___, snapshots, ...rest }: Aircraft) => {
	const last = snapshots?.at(-1);
	return last ? { ...rest, settings: { id: last.id, at: last.at, note: last.note } } : rest;
};

/** Fields with a name that is short for a word. */
const SHORT: Readonly<Partial<Record<string, string>>> = {
	alt: 'height',
	lat: 'latitude',
	lon: 'longitude',
	lock: 'GPS lock',
	maxHdop: 'max HDOP',
};

/** A field of a row in words, without its unit. */
export const fieldWords = (field: string): string =>
	field
		.split('.')
		.map((part) => part.replace(/(Mps|Deg|Min|Mah|Mw|M|S)$/, ''))
		.map((part) => SHORT[part] ?? part.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase())
		.join(': ');

/** What is of the row's storing, not of the thing. */
const OF_STORAGE = ['updatedAt', 'unreadable'];

/** The fields in which two rows differ, in words; the time of saving is none. */
export const changedFields = (before: object, after: object): string => {
	const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>];
	return [...new Set([...Object.keys(a), ...Object.keys(b)])]
		.filter((key) => !OF_STORAGE.includes(key) && JSON.stringify(a[key]) !== JSON.stringify(b[key]))
		.map(fieldWords)
		.join(', ');
};
