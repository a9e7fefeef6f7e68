import { BEFORE } from './checklist/before';
import type { Setting } from './checklist/conditions';
import { FLIGHT } from './checklist/flight';
import type { Item, Template } from './checklist/item';
import { POWER } from './checklist/power';

export type { Setting } from './checklist/conditions';
export type { Item } from './checklist/item';

const TEMPLATES: readonly Template[] = [...BEFORE, ...POWER, ...FLIGHT];

const itemOf = ({ when = [], limit, ...rest }: Template, setting: Setting): Item => ({
	...rest,
	...(limit ? { limit: typeof limit === 'function' ? limit(setting) : limit } : {}),
	because: [...new Set(when.map(({ because }) => because).filter(Boolean))].join(', '),
});

/**
 * The checklist for an aircraft, a place, a pack and a day, in the order of the stations: each item with why it is on the list,
 * and its limit as it is here.
 */
export const checklistFor = (setting: Setting): Item[] =>
	TEMPLATES.filter(({ when = [] }) => when.every(({ holds }) => holds(setting))).map((item) => itemOf(item, setting));

/** Every item there is, once each: what an entry of any session may be about. As it would be asked in a setting, where it is. */
export function everyItem(setting: Setting): Map<string, Item> {
	const all = TEMPLATES.map((template) => itemOf(template, setting));
	return new Map([...all, ...checklistFor(setting)].map((item) => [item.id, item]));
}
