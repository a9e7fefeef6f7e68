import { choice, form, number, rows, text } from '../form';
import { list } from './parts';

export const fields = form([
	text('what', 'What was measured', 'Wander in the hover'),
	text('unit', 'Unit', 'm'),
	choice('better', 'Better is', { lower: 'lower', higher: 'higher' }, 'lower'),
	rows(
		'before',
		'Before',
		'a value',
		[number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
		list(2.9, 3.2, 3.0),
	),
	rows(
		'after',
		'After',
		'a value',
		[number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
		list(2.1, 1.9, 2.2),
	),
]);
