import { choice, form, number } from '../form';
import type { NumberField } from '../instrument';

export const fields = form([
	choice('axes', 'The axes of the log are', { raw: 'The sensor’s own', shown: 'As the aircraft shows them' }, 'raw', {
		usual: true,
	}),
	...(['Yaw', 'Pitch', 'Roll'] as const).map((name): NumberField =>
		number(`now${name}`, `Setting now: ${name.toLowerCase()}`, '°', 0, {
			min: -360,
			max: 360,
			usual: true,
			note: 'zero unless it was set',
		}),
	),
]);
