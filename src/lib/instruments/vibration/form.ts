import { form } from '../form';

export const fields = form([
	{
		kind: 'number',
		id: 'rotorHz',
		label: 'Rotor rate in the hover',
		unit: 'Hz',
		min: 1,
		max: 2000,
		optional: true,
		start: null,
		note: 'turns a minute ÷ 60, where known',
	},
]);
