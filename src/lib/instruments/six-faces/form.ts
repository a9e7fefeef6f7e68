import { form } from '../form';
import { FIVE_FACES, ONE_HOLD, SIX_FACES } from '$lib/core/guide/holds';

export const fields = form([
	{
		kind: 'choice',
		id: 'recipe',
		label: 'Recipe of the aircraft',
		options: [SIX_FACES, FIVE_FACES, ONE_HOLD].map(({ id, name }) => ({ value: id, label: name })),
		start: SIX_FACES.id,
		usual: true,
	},
]);
