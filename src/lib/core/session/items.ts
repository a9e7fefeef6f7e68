import type { Setting } from './checklist/conditions';
import { isOwnTask, leftWords, type Deferred } from './deferred';
import { withOwnList } from './checklist/own';
import type { Item, Template } from './checklist/item';
import { factsOf, TEMPLATES } from './checklist/templates';
import { walkFor, walkOf } from './walks';

export type { Setting } from './checklist/conditions';
export type { Item, Rung } from './checklist/item';

/** The walk that answers an item on this aircraft, where there is one. */
function walked(item: string, { aircraft }: Setting): Pick<Item, 'page' | 'found'> {
	const of = walkFor(item, aircraft);
	return of ? { page: { of, words: walkOf(of, aircraft).title }, found: of } : {};
}

const itemOf = ({ when = [], limit, text, rung, choices, ...rest }: Template, setting: Setting): Item => {
	const offered = choices?.(setting);
	return {
		...factsOf(rest.id),
		...rest,
		...(offered ? { choices: offered } : {}),
		...walked(rest.id, setting),
		text: typeof text === 'function' ? text(setting) : text,
		...(rung ? { rung: typeof rung === 'function' ? rung(setting) : rung } : {}),
		...(limit ? { limit: typeof limit === 'function' ? limit(setting) : limit } : {}),
		because: [...new Set(when.map(({ because }) => because).filter(Boolean))].join(', '),
	};
};

/**
 * The checklist for an aircraft, a place, a pack and a day, in the order of the stations: each item with why it is on the list,
 * and its limit as it is here.
 */
export function checklistFor(setting: Setting): Item[] {
	const asked = TEMPLATES.filter(({ when = [] }) => when.every(({ holds }) => holds(setting)));
	const ids = new Set(asked.map(({ id }) => id));
	const left = (setting.deferred ?? []).filter(({ task }) => !ids.has(task));
	const all = [...asked.map((item) => itemOf(item, setting)), ...left.flatMap((one) => leftItem(one, setting) ?? [])];
	return withOwnList(all, setting.aircraft.ownList);
}

/** Something left undone in an earlier session as an item of this one; null where it is no item, or does not fit here any more. */
function leftItem(left: Deferred, setting: Setting): Item | null {
	const because = leftWords(left);
	if (isOwnTask(left.task))
		return {
			id: left.task,
			station: left.dueAt,
			type: 'tick',
			text: left.about,
			weight: 'caution',
			because,
			why: 'Left for this session in your own words.',
		};
	const template = TEMPLATES.find(
		({ id, when = [] }) => id === left.task && when.every(({ holds, passes }) => passes || holds(setting)),
	);
	return template ? { ...itemOf(template, setting), station: left.dueAt, because } : null;
}

/** Every item there is, once each: what an entry of any session may be about. As it would be asked in a setting, where it is. */
export function everyItem(setting: Setting): Map<string, Item> {
	const own = withOwnList([], setting.aircraft.ownList);
	const all = [...TEMPLATES.map((template) => itemOf(template, setting)), ...own];
	return new Map([...all, ...checklistFor(setting)].map((item) => [item.id, item]));
}
