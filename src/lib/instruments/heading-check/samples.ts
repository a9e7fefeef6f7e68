import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'Dunlin: right all round',
		values: {
			north: 'true',
			pairs: [
				{ known: 14, shown: 15 },
				{ known: 131, shown: 129 },
				{ known: 252, shown: 254 },
			],
		},
	},
	{
		id: 'half',
		label: 'Curlew: the arrow points to the tail',
		bad: true,
		values: {
			north: 'true',
			pairs: [
				{ known: 14, shown: 196 },
				{ known: 131, shown: 309 },
				{ known: 252, shown: 73 },
			],
		},
	},
	{
		id: 'bent',
		label: 'Right one way, wrong across',
		bad: true,
		values: {
			north: 'true',
			pairs: [
				{ known: 14, shown: 16 },
				{ known: 104, shown: 121 },
				{ known: 284, shown: 268 },
			],
		},
	},
];
