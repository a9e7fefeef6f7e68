import { choice, form, number, rows } from '../form';
import { cells, history } from './parts';

export const fields = form([
	choice(
		'chemistry',
		'Chemistry',
		{
			lipo: 'lithium polymer, 4.20 V',
			lihv: 'lithium polymer, 4.35 V',
			liion: 'lithium-ion, 4.20 V',
			lifepo4: 'iron phosphate, 3.45 V',
		},
		'lipo',
	),
	number('ratedMah', 'Printed on it', 'mAh', 5200, { min: 1, max: 200_000 }),
	number('cycles', 'Charged so far', 'times', 41, { min: 0, max: 10_000 }),
	number('temperature', 'Temperature of the pack', '°C', 18, { quantity: 'temperature', min: -40, max: 80 }),
	number('hoverW', 'Power in the hover', 'W', 210, { min: 1, max: 1e5 }),
	number('reserve', 'Reserve', '%', 25, { min: 0, max: 95 }),
	number('warn', 'It warns at', '% left', 30, { min: 0, max: 100 }),
	number('act', 'It acts at', '% left', 15, { min: 0, max: 100 }),
	number('lightA', 'Light load', 'A', null, { min: 0, max: 1000, optional: true }),
	number('lightV', 'Voltage at light load', 'V', null, { min: 0, max: 150, optional: true }),
	number('heavyA', 'Heavy load', 'A', null, { min: 0, max: 1000, optional: true }),
	number('heavyV', 'Voltage at heavy load', 'V', null, { min: 0, max: 150, optional: true }),
	rows(
		'cells',
		'Cells at rest',
		'a cell',
		[number('v', 'Cell', 'V', 4.19, { min: 0, max: 6 })],
		cells(4.19, 4.19, 4.18, 4.19),
	),
	rows(
		'history',
		'Capacities measured before',
		'a measurement',
		[
			number('cycles', 'After charges', '', 10, { min: 0, max: 10_000 }),
			number('mah', 'Capacity', 'mAh', 5150, { min: 1, max: 200_000 }),
		],
		history([10, 5150], [25, 5110], [40, 5060]),
	),
]);
