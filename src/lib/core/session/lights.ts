import type { Light } from '../../schema/records';
import type { Item } from './checklist/item';

/** Lines of an aircraft's table that fit a moment, in the table's order. */
export const lightsDuring = (table: readonly Light[] | undefined, ...moments: readonly string[]): Light[] =>
	(table ?? []).filter(({ during }) => moments.includes(during.trim().toLowerCase()));

/** Lines that fit an item of the checklist. */
export const lightsAt = (table: readonly Light[] | undefined, { lights = [] }: Pick<Item, 'lights'>): Light[] =>
	lightsDuring(table, ...lights);
