import { form } from '../form';

export const fields = form([
	{ kind: 'number', id: 'hoverLoad', label: 'Load in the hover', unit: 'A, or 0 to 1', min: 0, max: 1000, start: 15 },
	{ kind: 'number', id: 'fullLoad', label: 'Full load', unit: 'same unit', min: 0, max: 1000, start: 40 },
]);
