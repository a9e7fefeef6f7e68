import type { CheckPayload, Entry, Mark } from '../../schema/records';
import type { Item } from './items';

/** What has been recorded for an item. */
export interface ItemState {
	item: Item;
	mark: Mark;
	/** The latest entry about it, corrections included. */
	entry: Entry | null;
	check: CheckPayload | null;
}

/** Whether a measured value lies within its limit; a value that is not a number never does. */
export function withinLimit(item: Item, value: number): boolean {
	const { low = -Infinity, high = Infinity } = item.limit ?? {};
	return Number.isFinite(value) && value >= low && value <= high;
}

/** A value that cannot be meant: more than ten times outside its limits is taken for a slip of unit or comma. */
export function looksLikeSlip(item: Item, value: number): boolean {
	const { low, high } = item.limit ?? {};
	return (high !== undefined && value > 10 * high) || (low !== undefined && value > 0 && value < low / 10) || value < 0;
}

/**
 * The outcome that an answer amounts to: a measure outside its limit and a wait cut short are failures, whatever was
 * pressed. `waitedS` and `value` as measured; both null for ticks.
 */
export function outcomeOf(item: Item, value: number | null, waitedS: number | null): CheckPayload['outcome'] {
	if (item.type === 'measure') return value !== null && withinLimit(item, value) ? 'done' : 'failed';
	if (item.type === 'wait') return waitedS !== null && waitedS >= (item.waitS ?? 0) ? 'done' : 'failed';
	return 'done';
}

/** Entries that still count: the latest about each task, those corrected by a later one left out. */
export function latestByTask(entries: readonly Entry[]): Map<string, Entry> {
	const out = new Map<string, Entry>();
	for (const entry of entries.toSorted((a, b) => a.seq - b.seq)) {
		const { payload } = entry;
		out.set(payload.kind === 'decision' ? `${payload.task}:${payload.about}` : payload.task, entry);
	}
	return out;
}

function markOf(item: Item, check: CheckPayload | null): Mark {
	if (!check) return 'unseen';
	if (check.outcome === 'aside') return 'aside';
	if (check.outcome === 'failed') return item.weight;
	return 'clear';
}

/** State of every item, in checklist order. An item nobody answered is unseen. */
export function runChecklist(items: readonly Item[], entries: readonly Entry[]): ItemState[] {
	const latest = latestByTask(entries);
	return items.map((item) => {
		const entry = latest.get(item.id) ?? null;
		const check = entry?.payload.kind === 'check' ? entry.payload : null;
		return { item, mark: markOf(item, check), entry, check };
	});
}
