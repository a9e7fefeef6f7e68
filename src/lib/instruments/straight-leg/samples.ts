import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'It flies where its nose points',
		values: { legHeading1: 20, course1: 24, legHeading2: 200, course2: 197 },
	},
	{
		id: 'off',
		label: 'The compass reads 30° too far',
		bad: true,
		values: { legHeading1: 50, course1: 22, legHeading2: 230, course2: 198 },
	},
	{
		id: 'one',
		label: 'One leg only, in wind',
		bad: true,
		values: { back: 'no', legHeading1: 20, course1: 28, wind: 4 },
	},
];
