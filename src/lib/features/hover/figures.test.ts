import { expect, it } from 'vitest';
import { possibleCauses } from './figures';

it('causes of a hover: those worth a look in words, most likely first; a good hover is none', () => {
	const cause = (code: string, probability: number) => ({ code, probability, why: '', next: '' });
	expect(
		possibleCauses([
			cause('compass-error', 0.97),
			cause('holding-well', 0.7),
			cause('wind-drift', 0.4),
			cause('fix-jump', 0.02),
		]),
	).toEqual([
		{ code: 'compass-error', word: 'likely' },
		{ code: 'wind-drift', word: 'possible' },
	]);
	expect(possibleCauses([])).toEqual([]);
});
