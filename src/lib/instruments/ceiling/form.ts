import { choice, form, number, rows, text } from '../form';

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
	choice(
		'follows',
		'Its downward sensor',
		{ yes: 'follows what lies below', no: 'is off, or keeps to the floor' },
		'yes',
	),
	rows(
		'things',
		'Flown over',
		'a thing',
		[text('name', 'Thing', ''), number('heightM', 'Height', 'm', 0.8, { quantity: 'height', min: 0, max: 100 })],
		[{ name: 'bench', heightM: 0.9 }],
	),
]);
