import { describe, expect, it } from 'vitest';
import { outcomeOf, withinLimit } from './answers';
import type { Item } from './items';

const item = (more: Partial<Item>): Item => ({
	id: 'x',
	station: 'plan',
	type: 'measure',
	text: '',
	why: '',
	weight: 'hold',
	because: '',
	limit: { low: 4.1, high: 4.25, unit: 'V', source: '', possible: { low: 2, high: 5 } },
	...more,
});

describe('a measured value', () => {
	it.each([
		[4.1, true],
		[4.25, true],
		[4.0999, false],
		[4.26, false],
		[NaN, false],
		[Infinity, false],
	])('%s is within 4.1 to 4.25: %s', (value, within) => {
		expect(withinLimit(item({}), value)).toBe(within);
		expect(outcomeOf(item({}), value, null)).toBe(within ? 'done' : 'failed');
	});

	it('that is missing is a failure, not a pass', () => {
		expect(outcomeOf(item({}), null, null)).toBe('failed');
	});
});

describe('a wait', () => {
	const wait = item({ type: 'wait', waitS: 10 });
	it('cut short is a failure', () => {
		expect(outcomeOf(wait, null, 9.9)).toBe('failed');
		expect(outcomeOf(wait, null, null)).toBe('failed');
		expect(outcomeOf(wait, null, 10)).toBe('done');
	});
});
