import { describe, expect, it } from 'vitest';
import { sentenceIn } from './sentence';

describe('a sentence in the pilot’s units', () => {
	it.each([
		['It wandered 1.5 m within a minute.', 'It wandered 4.9 ft within a minute.'],
		['Gusts of 12 m/s exceed what it flies.', 'Gusts of 27 mph exceed what it flies.'],
		['Stay 30 to 50 m away.', 'Stay 98 to 160 ft away.'],
		['Tree 1, 31 m high', 'Tree 1, 100 ft high'],
		['Within 5 m.', 'Within 16 ft.'],
		['To 1200 m, no further.', 'To 3937 ft, no further.'],
	])('%s', (metric, imperial) => {
		expect(sentenceIn(metric, 'imperial')).toBe(imperial);
		expect(sentenceIn(metric, 'metric')).toBe(metric);
		// Twice is once.
		expect(sentenceIn(imperial, 'imperial')).toBe(imperial);
	});

	it('leaves what is no length and no speed', () => {
		for (const text of ['12 min', '30 mm beside', '5 m²', '3 m/s² of noise', '60 mAh', '4 km/h', 'G3 model', '2.5.1 m'])
			expect(sentenceIn(text, 'imperial'), text).toBe(text);
	});

	it('changes speeds alone where only they differ', () => {
		expect(sentenceIn('10 m at 5 m/s', 'kmh')).toBe('10 m at 18 km/h');
		expect(sentenceIn('10 m at 5 m/s', 'nautical')).toBe('33 ft at 9.7 kn');
	});
});
