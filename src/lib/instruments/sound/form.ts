import { form, number } from '../form';

export const fields = form([
	number('blades', 'Blades of a propeller', '', 2, { min: 1, max: 8, usual: true }),
	number('usualHz', 'Its usual hum', 'Hz', null, {
		min: 50,
		max: 2500,
		optional: true,
		note: 'of the first good hover since a part was changed',
	}),
	number('usualPct', 'Its usual rise and fall, ±', '%', null, {
		min: 0,
		max: 50,
		optional: true,
		note: 'of the same hover',
	}),
]);
