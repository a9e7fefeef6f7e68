import { form } from '../form';
import { REST, SETTLE } from '$lib/core/guide/holds';

export const fields = form([
	{
		kind: 'choice',
		id: 'how',
		label: 'How long',
		options: [
			{ value: REST.id, label: 'A minute at rest' },
			{ value: SETTLE.id, label: 'The settle after power-on' },
		],
		start: REST.id,
		usual: true,
	},
]);
