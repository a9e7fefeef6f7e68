import { form, number, rows, text } from '../form';
import { PARTS } from './parts';

export const fields = form([
	number('mark', 'The mark, behind the datum', 'mm', 20, { min: -1e4, max: 1e4 }),
	number('tolerance', 'Nose-heavy still good by', 'mm', 6, { min: 0, max: 1000 }),
	number('sigma', 'An arm is measured to', '± mm', 1.5, {
		min: 0,
		max: 100,
		usual: true,
		note: 'usual with a ruler',
	}),
	rows(
		'parts',
		'Parts; name the pack "pack"',
		'a part',
		[
			text('name', 'Part', ''),
			number('massG', 'Mass', 'g', 100, { min: 0, max: 1e6 }),
			number('armMm', 'Behind the datum', 'mm', 0, { min: -1e4, max: 1e4 }),
		],
		PARTS,
	),
]);
