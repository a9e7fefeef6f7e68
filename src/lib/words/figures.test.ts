import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { columnDecimals, decimalsOf, figureWords, showFigure } from './figures';

describe('a figure', () => {
	it.each([
		[1.4637, 0.0874, '1.46', '0.09'],
		[0.21794, 0.0098935, '0.218', '0.010'],
		[0.21794, 0.0148935, '0.218', '0.015'],
		[-12.34, 3.2, '−12', '3'],
		[2312.7, 150, '2313', '150'],
		[-0.0001, 0.02, '0.00', '0.02'],
	])('%s with an uncertainty of %s is written %s ± %s', (value, sigma, shown, plusMinus) => {
		expect(showFigure(value, sigma)).toEqual({ value: shown, sigma: plusMinus });
	});

	it('without one has the decimals that are asked for', () => {
		expect(showFigure(3.14159, null, 3)).toEqual({ value: '3.142', sigma: '' });
		expect(showFigure(-3.14159, undefined)).toEqual({ value: '−3.14', sigma: '' });
		expect(showFigure(null, 0.1)).toEqual({ value: '–', sigma: '0.10' });
	});

	it('is rounded by less than half its uncertainty, and its uncertainty by less than a quarter', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -1e4, max: 1e4, noNaN: true }),
				fc.double({ min: 1e-6, max: 100, noNaN: true }),
				(value, sigma) => {
					const shown = showFigure(value, sigma);
					expect(Math.abs(Number(shown.value.replace('−', '-')) - value)).toBeLessThanOrEqual(0.5 * sigma);
					expect(Math.abs(Number(shown.sigma) - sigma)).toBeLessThanOrEqual(0.26 * sigma);
					expect(decimalsOf(sigma / 10)).toBeGreaterThanOrEqual(decimalsOf(sigma));
				},
			),
		);
	});
});

describe('a figure in a line of several', () => {
	it.each([
		[{ label: 'Offset x', value: 8.41234, unit: 'µT', sigma: 0.0312 }, 'Offset x 8.41 ± 0.03 µT'],
		[{ label: 'Gain x', value: 1.08764, unit: '' }, 'Gain x 1.09'],
		[{ label: 'Heading known to', value: 0.09441, unit: '°', sigma: null }, 'Heading known to 0.094°'],
		[{ label: 'Offset y', value: -18.21, unit: 'µT', sigma: null }, 'Offset y −18.2 µT'],
		[{ label: 'Drift', value: null, unit: '°/h' }, 'Drift – °/h'],
	])('%o reads %s', (figure, words) => {
		expect(figureWords(figure)).toBe(words);
	});
});

describe('a column of figures without uncertainties', () => {
	it.each([
		[[92, 184, 0], 0],
		[[92, 183.99], 0],
		[[12.003, 0.789], 1],
		[[5.2422, 0.40278, NaN], 2],
		[[-0.0123, 0.004], 4],
		[[], 0],
	])('%j has %d decimals', (values, decimals) => {
		expect(columnDecimals(values)).toBe(decimals);
	});
});
