import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Dunlin at the saltings, all tested', values: { radioOffInAir: 'yes', gust: 5 } },
	{
		id: 'factory',
		label: 'As it came out of the box',
		bad: true,
		values: {
			linkLoss: 'cut-motors',
			armsWithoutFix: 'unknown',
			plausibility: 'unknown',
			sinceChange: 'no',
			benchArmed: 'no',
			minSatellites: 6,
		},
	},
	{
		id: 'indoors',
		label: 'Taken indoors with the outdoor settings',
		bad: true,
		values: { venue: 'indoors', ceiling: 4, returnHeightM: 40, act: 'return', testDistance: null, wind: 0, gust: 0 },
	},
];
