import { form, number } from '../form';

export const fields = form([
	number('hoverLoad', 'Load in the hover', 'A, or 0 to 1', 15, { min: 0, max: 1000 }),
	number('fullLoad', 'Full load', 'same unit', 40, { min: 0, max: 1000 }),
]);
