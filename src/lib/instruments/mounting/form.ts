import { form } from '../form';
import type { NumberField } from '../instrument';

export const fields = form([
	{
		kind: 'choice',
		id: 'axes',
		label: 'The axes of the log are',
		options: [
			{ value: 'raw', label: 'The sensor’s own' },
			{ value: 'shown', label: 'As the aircraft shows them' },
		],
		start: 'raw',
		usual: true,
	},
	...(['Yaw', 'Pitch', 'Roll'] as const).map((name): NumberField => ({
		kind: 'number',
		id: `now${name}`,
		label: `Setting now: ${name.toLowerCase()}`,
		unit: '°',
		min: -360,
		max: 360,
		start: 0,
		usual: true,
		note: 'nought unless it was set',
	})),
]);
