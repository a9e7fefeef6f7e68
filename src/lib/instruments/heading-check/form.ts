import { choice, form, rows } from '../form';
import { angle } from '../shared/heading';

export const fields = form([
	choice(
		'north',
		'Your bearings are from',
		{ true: 'True north (a map)', magnetic: 'Magnetic north (a hand compass)' },
		'true',
		{ usual: true },
	),
	rows(
		'pairs',
		'Directions',
		'a direction',
		[angle('known', 'Bearing known'), angle('shown', 'Heading shown')],
		[
			{ known: 0, shown: 0 },
			{ known: 120, shown: 120 },
			{ known: 240, shown: 240 },
		],
	),
]);
