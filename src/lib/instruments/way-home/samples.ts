import type { Sample, Values } from '../instrument';

const homeStart: Values = {
	action: 'return',
	usableWh: 62,
	usedWh: 18,
	reservePct: 25,
	bearingDeg: 62,
	distanceM: 480,
	heightM: 25,
	windFrom: 250,
	wind: 4,
	gust: 6,
	returnHeightM: 40,
	minDistanceM: 15,
};

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Dunlin over the near marsh, light wind', values: homeStart },
	{
		id: 'far',
		label: 'Dunlin at the far corner, downwind, in gusts',
		bad: true,
		values: { ...homeStart, distanceM: 1600, wind: 8, gust: 12, usedWh: 30 },
	},
	{
		id: 'trees',
		label: 'A tree line taller than the return height',
		bad: true,
		values: {
			...homeStart,
			returnHeightM: 12,
			heightM: 12,
			obstacles: [{ bearingDeg: 62, distanceM: 200, heightM: 14, widthM: 60 }],
		},
	},
];
