import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Survey flying', values: { expo: 0.3, rate: 220, low: 90, high: 240 } },
	{ id: 'indoor', label: 'Indoor preset', values: { expo: 0.1, rate: 100, low: 60, high: 160 } },
	{
		id: 'fast',
		label: 'Copied from somebody faster',
		bad: true,
		values: { expo: 0.4, rate: 800, low: 90, high: 240 },
	},
];
