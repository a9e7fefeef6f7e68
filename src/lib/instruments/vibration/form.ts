import { form, number } from '../form';

export const fields = form([
	number('rotorHz', 'Rotor rate in the hover', 'Hz', null, {
		min: 1,
		max: 2000,
		optional: true,
		note: 'turns a minute ÷ 60, where known',
	}),
]);
