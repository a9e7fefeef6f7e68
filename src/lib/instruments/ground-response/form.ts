import { choice, form } from '../form';
import { CHECKED, OBSERVED } from './parts';

const OUTCOMES = {
	'as-commanded': 'as commanded',
	opposite: 'the other way',
	'swapped-axis': 'on another axis',
	none: 'nothing',
	squats: 'squats and revs',
	flips: 'flips or hops',
	spins: 'spins',
	'not-tried': 'not tried',
};

export const fields = form([
	choice(
		'layout',
		'Layout',
		{
			'quad-x': 'four, X',
			'quad-plus': 'four, +',
			'hex-x': 'six, X',
			'hex-plus': 'six, +',
			'octo-x': 'eight, X',
			y6: 'six on three arms',
		},
		'quad-x',
	),
	choice('spin', 'The front propellers turn', { 'front-inward': 'inward', 'front-outward': 'outward' }, 'front-inward'),
	...Object.entries(OBSERVED).map(([id, label]) => choice(id, label, OUTCOMES, 'not-tried')),
	...CHECKED.map(([id, label, outcomes]) => choice(id, label, outcomes, 'not-done')),
]);
