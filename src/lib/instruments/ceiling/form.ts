import { form, number } from '../form';

export const fields = form([
	number('ceiling', 'Ceiling', 'm', 4, { quantity: 'height', min: 0.5, max: 200 }),
	number('hold', 'It holds', 'm', 1.2, { quantity: 'height', min: 0.1, max: 100 }),
	number('margin', 'Margin', 'm', 0.5, {
		quantity: 'height',
		min: 0,
		max: 20,
		usual: true,
		note: 'Winglogos default: a gust in a room',
	}),
	{
		kind: 'choice',
		id: 'follows',
		label: 'Its downward sensor',
		options: [
			{ value: 'yes', label: 'follows what lies below' },
			{ value: 'no', label: 'is off, or keeps to the floor' },
		],
		start: 'yes',
	},
	{
		kind: 'rows',
		id: 'things',
		label: 'Flown over',
		one: 'a thing',
		of: [
			{ kind: 'text', id: 'name', label: 'Thing', start: '' },
			number('heightM', 'Height', 'm', 0.8, { quantity: 'height', min: 0, max: 100 }),
		],
		start: [{ name: 'bench', heightM: 0.9 }],
	},
]);
