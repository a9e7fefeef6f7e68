import { form } from '../form';

export const fields = form([
	{
		kind: 'choice',
		id: 'throttle',
		label: 'Which channel stays where it is put',
		options: [{ value: '', label: 'none' }, ...[1, 2, 3, 4].map((n) => ({ value: `c${n}`, label: `channel ${n}` }))],
		start: 'c3',
	},
]);
