import { begunSmall } from '../../words/begun';
import type { Aircraft, AircraftEvent, Occasion, Venue } from '../../schema/records';
import { COMPONENTS } from '../due/components';
import { eventWords } from '../due/rules';
import { dayOf, daysBetween } from '../../words/calendar';
import { sessionLimits as limits } from './limits';

export const OCCASION_WORDS: Record<Occasion, { label: string; note: string }> = {
	routine: { label: 'Nothing new', note: 'flown before as it is' },
	first: { label: 'First flight ever', note: 'new, or new to you' },
	repair: { label: 'After a repair', note: 'a part was moved or replaced' },
	update: { label: 'After an update', note: 'software or settings' },
	crash: { label: 'After a crash', note: 'or a hard knock' },
	storage: { label: 'After storage', note: 'weeks without flight' },
};

export const VENUE_WORDS: Record<Venue, { label: string; note: string }> = {
	open: { label: 'Open ground', note: '' },
	people: { label: 'People near', note: '' },
	water: { label: 'Over water', note: '' },
	roof: { label: 'Under a roof', note: '' },
};

/** What an event makes of the next flight, worst first. */
const AFTER: readonly [AircraftEvent['kind'], Occasion][] = [
	['knock', 'crash'],
	['part', 'repair'],
	['firmware', 'update'],
	['settings', 'update'],
];
/** Whether an event is one after which the aircraft is looked through as after a repair: not a propeller or a nozzle that was replaced. */
const opensIt = ({ component }: AircraftEvent) => !component || COMPONENTS[component].tasks.includes('wires');

/**
 * What a session is most likely for, and why: the events noted since the aircraft last flew, else how long ago that was. `flownAt`
 * and `now` are ISO times; null where no flight of it is on record.
 */
export function suggestOccasion(
	{ events }: Pick<Aircraft, 'events'>,
	flownAt: string | null,
	now: string,
): { occasion: Occasion; because: string } {
	const since = events.filter(({ at }) => at <= now && (!flownAt || at > flownAt));
	for (const [kind, occasion] of AFTER) {
		const event = since.find((e) => e.kind === kind && opensIt(e));
		if (event) return { occasion, because: `${begunSmall(eventWords(kind, event))} on ${dayOf(event.at)}` };
	}
	if (!flownAt)
		return {
			occasion: 'first',
			because: since.some(({ kind }) => kind === 'new')
				? 'logged as new, and no flight is on record'
				: 'no flight of it is on record: choose another if it has flown before',
		};
	const days = daysBetween(flownAt, now);
	return days > limits.storedDays.value
		? { occasion: 'storage', because: `last flown ${days} days ago` }
		: { occasion: 'routine', because: `last flown on ${dayOf(flownAt)}, nothing noted since` };
}
