import type { Sample } from '../instrument';
import { RANGES, SWITCHES } from './parts';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Dunlin, in order', values: { switches: SWITCHES, ranges: RANGES, linkLoss: [] } },
	{
		id: 'traps',
		label: 'Armed by link loss, and two ways of flying at once',
		bad: true,
		values: {
			switches: SWITCHES,
			ranges: [...RANGES, { does: 'height hold', role: 'flight', channel: 5, low: -0.2, high: 0.2 }],
			linkLoss: [{ channel: 6, value: 1 }],
		},
	},
];
