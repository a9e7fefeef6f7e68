import type { Sample } from '../instrument';
import { PARTS } from './parts';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Avocet with its camera', values: { parts: PARTS } },
	{
		id: 'tail',
		label: 'Avocet, the heavy pack slid back',
		bad: true,
		values: { parts: [...PARTS.slice(0, 2), { name: 'pack', massG: 520, armMm: 40 }] },
	},
];
