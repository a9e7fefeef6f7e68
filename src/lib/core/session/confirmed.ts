import type { CheckPayload, Entry } from '../../schema/entries';
import type { StationId } from '../../schema/records';
import type { TaskState } from './task';

/** Identifiers of the entries that the second person has confirmed, each with who confirmed it last. */
export function confirmations(entries: readonly Entry[]): ReadonlyMap<string, string> {
	const by = new Map<string, string>();
	for (const { id, payload } of entries)
		if (payload.kind === 'check' && payload.confirmedBy)
			for (const confirmed of payload.confirms ?? [id]) by.set(confirmed, payload.confirmedBy);
	return by;
}

/** Tasks of a stage that the second person can confirm: answered or measured, without a no-go, and not confirmed as they are now. */
export const toConfirm = (
	tasks: readonly TaskState[],
	confirmed: ReadonlyMap<string, string>,
): { id: string; title: string }[] =>
	tasks.flatMap(({ entry, mark, title }) =>
		entry && (mark === 'clear' || mark === 'caution') && !confirmed.has(entry.id) ? [{ id: entry.id, title }] : [],
	);

/** The entry by which a second person confirms entries of a stage. */
export const confirmation = (
	station: StationId,
	confirms: readonly string[],
	{ by, titles }: { by: string; titles: readonly string[] },
): CheckPayload => ({
	kind: 'check',
	task: `confirmed-${station}`,
	outcome: 'done',
	value: null,
	unit: '',
	waitedS: null,
	reason: titles.join('; ').slice(0, 400),
	confirmedBy: by,
	confirms: [...confirms],
	grade: 'seen',
});
