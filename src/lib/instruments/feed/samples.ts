import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Curlew: sea-lavender seed', values: {} },
	{
		id: 'bad',
		label: 'The feeder slips and the fan is blocked',
		bad: true,
		values: { turns: 49, grams: 700, fan: 2100 },
	},
];
