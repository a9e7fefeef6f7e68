import type { OwnItem } from '$lib/schema/records';
import { fieldsOf, type RecordField } from '$lib/ui/fields';

const { text, number, few } = fieldsOf<OwnItem>();
const measured = { when: ({ type }: OwnItem) => type === 'measure' };

/** The pilot's own checklist item. */
export const OWN_ITEM_FIELDS: readonly RecordField<OwnItem>[] = [
	text('text', 'What is checked', 200, { always: true }),
	text('why', 'Why, for whoever answers it', 400, { always: true }),
	few('type', 'Answered by', [
		{ value: 'tick', label: 'Looking' },
		{ value: 'confirm', label: 'Doing it' },
		{ value: 'measure', label: 'A value' },
		{ value: 'wait', label: 'Waiting' },
	]),
	number('low', 'At least', '', measured),
	number('high', 'At most', '', measured),
	text('unit', 'Unit', 20, measured),
	text('source', 'Source of the limit', 200, measured),
	number('waitS', 'Wait', 's', { min: 1, max: 3600, when: ({ type }) => type === 'wait' }),
	few('weight', 'If it is not right, it counts as', [
		{ value: 'caution', label: 'Caution' },
		{ value: 'hold', label: 'No-go' },
	]),
];
