import type { Sample } from '../instrument';
import { list } from './parts';

export const samples: readonly Sample[] = [
	{
		id: 'real',
		label: 'A foam cover that helped',
		values: { before: list(2.9, 3.2, 3.0), after: list(2.1, 1.9, 2.2) },
	},
	{
		id: 'noise',
		label: 'A chilled calibration that made no difference',
		values: { before: list(2.9, 2.2, 3.0), after: list(2.5, 2.8, 2.3) },
	},
	{ id: 'once', label: 'Once before, once after', bad: true, values: { before: list(2.9), after: list(2.1) } },
];
