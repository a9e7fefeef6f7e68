import { begunLarge } from '$lib/words/begun';
import type { Draft } from '$lib/schema/common';
import type { Pack } from '$lib/schema/records';
import { fieldsOf, type RecordField } from '$lib/ui/fields';
import { optionsOf } from '$lib/ui/options';
import { CHEMISTRY_WORDS } from '$lib/ui/packWords';

const { text, number, few } = fieldsOf<Draft<Pack>>();

/** A battery's own form. */
export const BATTERY_FIELDS: readonly RecordField<Draft<Pack>>[] = [
	text('name', 'Name, as written on it', 60),
	number('cells', 'Cells', '', { min: 1, max: 24, whole: true }),
	number('capacityMah', 'Capacity', 'mAh', { min: 1, max: 200_000 }),
	number('cycles', 'Cycles', '', { min: 0, max: 10_000, whole: true }),
	number('resistanceMohm', 'Resistance of a cell', 'mΩ', {
		min: 0.1,
		max: 1000,
		note: 'as measured; the battery instrument fills it in',
	}),
	text('boughtOn', 'In use since', 10, { type: 'date' }),
	few(
		'chemistry',
		'Charge is read by',
		optionsOf(CHEMISTRY_WORDS).map(({ value, label }) => ({ value, label: begunLarge(label) })),
		{ stacked: true, usual: () => 'lipo' },
	),
	text('notes', 'Notes', 400, { always: true }),
];
