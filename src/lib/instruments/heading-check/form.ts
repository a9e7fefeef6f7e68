import { form } from '../form';
import { angle } from '../shared/heading';

export const fields = form([
	{
		kind: 'choice',
		id: 'north',
		label: 'Your bearings are from',
		options: [
			{ value: 'true', label: 'True north (a map)' },
			{ value: 'magnetic', label: 'Magnetic north (a hand compass)' },
		],
		start: 'true',
		usual: true,
	},
	{
		kind: 'rows',
		id: 'pairs',
		label: 'Directions',
		one: 'a direction',
		of: [angle('known', 'Bearing known'), angle('shown', 'Heading shown')],
		start: [
			{ known: 0, shown: 0 },
			{ known: 120, shown: 120 },
			{ known: 240, shown: 240 },
		],
	},
]);
