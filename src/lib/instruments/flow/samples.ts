import type { Sample } from '../instrument';
import { nozzles } from './parts';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Four nozzles, even', values: { nozzles: nozzles(0.5, 0.49, 0.51, 0.5) } },
	{
		id: 'blocked',
		label: 'The third is half blocked',
		bad: true,
		values: { nozzles: nozzles(0.52, 0.5, 0.27, 0.51) },
	},
];
