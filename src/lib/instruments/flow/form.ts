import { form, number, rows, text } from '../form';
import { nozzles } from './parts';

export const fields = form([
	number('seconds', 'Caught for', 's', 60, { min: 1, max: 36_000 }),
	number('set', 'Flow set', 'L/min', 2, { min: 0.01, max: 1000 }),
	number('shown', 'Flow the aircraft shows', 'L/min', 2.02, { min: 0, max: 1000, optional: true }),
	number('speed', 'Flying at', 'km/h', 18, { min: 0.1, max: 200 }),
	number('swath', 'Swath', 'm', 4, { min: 0.1, max: 200 }),
	rows(
		'nozzles',
		'What each nozzle gave',
		'a nozzle',
		[text('name', 'Nozzle', ''), number('litres', 'Caught', 'L', 0.5, { min: 0, max: 1000 })],
		nozzles(0.5, 0.49, 0.51, 0.5),
	),
]);
