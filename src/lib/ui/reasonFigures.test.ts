import { describe, expect, it } from 'vitest';
import { reasonFigures } from './reasonFigures';

const reason = (
	value: number | undefined,
	limit: number | undefined,
	unit: string,
	level: 'pass' | 'fail' = 'pass',
) => ({
	code: 'x',
	text: 'x',
	level,
	unit,
	...(value === undefined ? {} : { value }),
	...(limit === undefined ? {} : { limit }),
});

describe('figures of a reason', () => {
	it('give no digits that its limit does not ask for', () => {
		expect(reasonFigures(reason(0.00057, 0.1, 'm/s'), 'metric')).toBe('0.001 · limit 0.10 m/s');
		expect(reasonFigures(reason(0.85, 0.5, 'm', 'fail'), 'metric')).toBe('0.85 · limit 0.50 m');
		expect(reasonFigures(reason(30.04, 60, '°', 'fail'), 'metric')).toBe('30.0° · min 60°');
		expect(reasonFigures(reason(15, 8, 'satellites'), 'metric')).toBe('15 · min 8 satellites');
	});
	it('stand in the units of the pilot', () => {
		expect(reasonFigures(reason(0.63, 3.2, 'm'), 'imperial')).toBe('2.1 · limit 10.5 ft');
		expect(reasonFigures(reason(5, 6, 'm/s'), 'kmh')).toBe('18 · limit 21.6 km/h');
	});
	it('leave degrees Celsius: a difference is no temperature', () => {
		expect(reasonFigures(reason(12, 10, '°C', 'fail'), 'imperial')).toBe('12 · limit 10 °C');
	});
	it('say shares in per cent and leave out what is not there', () => {
		expect(reasonFigures(reason(0.04, 0.1, 'of the model'), 'metric')).toBe('4.0 % · limit 10 % of the model');
		expect(reasonFigures(reason(undefined, 8, 'satellites'), 'metric')).toBe('limit 8 satellites');
		expect(reasonFigures(reason(undefined, undefined, 'm'), 'metric')).toBe('');
		expect(reasonFigures(reason(5, undefined, ''), 'metric')).toBe('');
	});
});
