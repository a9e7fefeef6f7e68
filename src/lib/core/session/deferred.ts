import { plain } from '../../words/plain';
import type { Entry } from '../../schema/entries';
import type { StationId } from '../../schema/records';
import { taskOf } from '../evidence/about';
import { isAside, standingOf } from '../evidence/standing';
import { dayOf } from '../../words/calendar';

/** Something left undone in an earlier session that comes back. */
export interface Deferred {
	task: string;
	/** The station at which it is due. */
	dueAt: StationId;
	/** What it is, as it was said then. */
	about: string;
	reason: string;
	at: string;
}

/** Reasons that settle a thing: it does not come back. */
const SETTLES: readonly string[] = [
	'Does not apply to this aircraft',
	'Done before this session',
	'Factory values, by the manual',
	'Flown since, and nothing was wrong',
	'Tested since the last change',
	'Nothing was calibrated or changed',
	'Known, and everything was seen again',
	'It asked for nothing and flew well',
	'The spreader is fitted today',
	'The tank is fitted today',
	'Measured since the last change of nozzles',
	'Measured since the last change of seed',
	'Flying under a roof today',
	'Under a roof today',
];

/** Whether something set aside for a reason comes back of itself. */
export const comesBack = (reason: string): boolean => !SETTLES.includes(reason);

const OWN = 'left-';
/** Whether a task is one that a pilot left for next time in words of their own. */
export const isOwnTask = (task: string): boolean => task.startsWith(OWN);

/** The task of something left in a pilot's own words: the same words, the same task. */
export function ownTask(words: string): string {
	const slug = words
		.toLowerCase()
		.replace(/[^\p{L}\p{N}]+/gu, '-')
		.replace(/^-|-$/g, '');
	return `${OWN}${slug}`.slice(0, 80);
}

/**
 * What was left undone and comes back, by when it was left. `entries` of an aircraft's sessions that count, in any order: something
 * seen since, or set aside for good since, does not come back. `asOf` as ISO time.
 */
export function deferredIn(entries: readonly Entry[], asOf: string): Deferred[] {
	const left = new Map<string, Deferred>();
	const inTime = entries.toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.seq - b.seq));
	for (const entry of inTime) {
		const { payload, at } = entry;
		if (at > asOf) break;
		const task = taskOf(payload);
		if (isAside(payload)) {
			left.delete(task);
			if (payload.kind === 'aside' && payload.dueAt)
				left.set(task, { task, dueAt: payload.dueAt, about: payload.about ?? '', reason: payload.reason, at });
		} else if (standingOf(entry, { of: 'aircraft' }, asOf) === 'in-force') left.delete(task);
	}
	return [...left.values()];
}

/** What is said of a thing that comes back. */
export const leftWords = ({ at, reason }: Deferred): string => `Left on ${dayOf(at)}: ${plain(reason)}.`;
