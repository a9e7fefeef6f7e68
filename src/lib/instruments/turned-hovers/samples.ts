import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{
		id: 'wind',
		label: 'Only the wind',
		values: { heading1: 60, speed1: 0.8, toward1: 70, heading2: 240, speed2: 0.82, toward2: 68, sigma: 0.08 },
	},
	{
		id: 'trim',
		label: 'It leans to its right',
		bad: true,
		values: { heading1: 0, speed1: 0.9, toward1: 90, heading2: 180, speed2: 0.7, toward2: 270, sigma: 0.08 },
	},
	{
		id: 'small',
		label: 'Hardly turned',
		bad: true,
		values: { heading1: 0, speed1: 0.9, toward1: 90, heading2: 30, speed2: 0.9, toward2: 95, sigma: 0.08 },
	},
];
