import type { Aircraft } from '../../schema/records';

/** The aircraft as a session's own entry keeps it: limits and equipment, without its history; of its settings which they were. */
export const snapshotOf = ({ events: _, updatedAt: __, snapshots, ...rest }: Aircraft) => {
	const last = snapshots?.at(-1);
	return last ? { ...rest, settings: { id: last.id, at: last.at, note: last.note } } : rest;
};

const words = (field: string): string =>
	field
		.replace(/(Mps|Deg|Min|Mah|Mw|M|S)$/, '')
		.replace(/([a-z])([A-Z])/g, '$1 $2')
		.toLowerCase();

/** The fields in which two rows differ, in words; the time of saving is none. */
export const changedFields = (before: object, after: object): string => {
	const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>];
	return [...new Set([...Object.keys(a), ...Object.keys(b)])]
		.filter((key) => key !== 'updatedAt' && JSON.stringify(a[key]) !== JSON.stringify(b[key]))
		.map(words)
		.join(', ');
};
