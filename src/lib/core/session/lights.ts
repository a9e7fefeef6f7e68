import type { Light } from '../../schema/records';

/** The moment of an aircraft's light table that an item of the checklist is about. */
const MOMENT_OF: Record<string, readonly string[]> = {
	still: ['starting'],
	link: ['ready', 'fix', 'no fix', 'fault'],
	'radio-first': ['starting'],
	'craft-first': ['starting'],
	'flat-zero': ['sensor calibration'],
	'spin-up': ['arming'],
	'battery-levels': ['battery low'],
	'loss-action': ['link lost'],
};

/** Lines of an aircraft's table that fit a moment, in the table's order. */
export const lightsDuring = (table: readonly Light[] | undefined, ...moments: readonly string[]): Light[] =>
	(table ?? []).filter(({ during }) => moments.includes(during.trim().toLowerCase()));

/** Lines that fit an item of the checklist. */
export const lightsAt = (table: readonly Light[] | undefined, item: string): Light[] =>
	lightsDuring(table, ...(MOMENT_OF[item] ?? []));
