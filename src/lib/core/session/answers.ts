import type { CheckPayload } from '../../schema/entries';
import type { Item } from './items';

/** Whether a measured value lies within its limit; a value that is not a number never does. */
export function withinLimit(item: Item, value: number): boolean {
	const { low = -Infinity, high = Infinity } = item.limit ?? {};
	return Number.isFinite(value) && value >= low && value <= high;
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
