import type { Sample } from '../instrument';
import { cells, history } from './parts';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'D-3: young and full', values: { lightA: 2, lightV: 16.7, heavyA: 22, heavyV: 16.15 } },
	{
		id: 'old',
		label: 'D-1: 112 charges, one cell lags',
		bad: true,
		values: {
			cycles: 112,
			cells: cells(4.17, 4.05, 4.16, 4.17),
			history: history([20, 5100], [60, 4700], [90, 4380], [110, 4100]),
			lightA: 2,
			lightV: 16.4,
			heavyA: 22,
			heavyV: 14.9,
		},
	},
	{ id: 'cold', label: 'D-3 on a frosty morning', bad: true, values: { temperature: -4 } },
];
