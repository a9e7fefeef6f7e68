import { area } from './message';

/** Earth: findings by code. */
export const earth = area('earth', {
	'field-usable': { text: 'Horizontal field is strong enough for a compass here.' },
	'horizontal-field-too-weak': {
		text: 'Horizontal field is too weak here for a compass heading. Fly with a heading from movement, or by hand.',
	},
});
