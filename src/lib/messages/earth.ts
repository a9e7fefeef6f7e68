import { area } from './message';

/** Earth: findings by code. */
export const earth = area('earth', {
	'field-usable': { text: 'The horizontal field is strong enough for a compass here.' },
	'horizontal-field-too-weak': {
		text: 'The horizontal field is too weak here: a compass gives no heading. Fly by a heading from movement or by hand.',
	},
});
