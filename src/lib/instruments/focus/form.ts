import { form, number } from '../form';
import type { ChoiceField } from '../instrument';

/** Where the part that is measured lies: the nearest side, the middle, the other side. */
const place = (id: string, label: string, names: readonly [string, string, string]): ChoiceField => ({
	kind: 'choice',
	id,
	label,
	options: names.map((name, k) => ({ value: String(k / 2), label: name })),
	start: '0.5',
});

export const fields = form([
	number('sharePct', 'Part of the picture', '%', 60, { min: 5, max: 100 }),
	place('across', 'Across', ['left', 'middle', 'right']),
	place('down', 'Up and down', ['top', 'middle', 'bottom']),
]);
