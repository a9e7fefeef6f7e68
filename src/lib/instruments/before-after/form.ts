import { form, number } from '../form';
import { list } from './parts';

export const fields = form([
	{ kind: 'text', id: 'what', label: 'What was measured', start: 'Wander in the hover' },
	{ kind: 'text', id: 'unit', label: 'Unit', start: 'm' },
	{
		kind: 'choice',
		id: 'better',
		label: 'Better is',
		options: [
			{ value: 'lower', label: 'lower' },
			{ value: 'higher', label: 'higher' },
		],
		start: 'lower',
	},
	{
		kind: 'rows',
		id: 'before',
		label: 'Before',
		one: 'a value',
		of: [number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
		start: list(2.9, 3.2, 3.0),
	},
	{
		kind: 'rows',
		id: 'after',
		label: 'After',
		one: 'a value',
		of: [number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
		start: list(2.1, 1.9, 2.2),
	},
]);
