import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import { checklistFor } from './items';
import { isImpossible, meantBy } from './slips';

const items = checklistFor({ aircraft: newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z') });
const volts = items.find(({ id }) => id === 'pack-voltage');
if (!volts) throw new Error('no pack item');

describe('a value that cannot be', () => {
	it.each([
		[4.18, false],
		[3.2, false],
		[0.42, true],
		[16.7, true],
		[417, true],
		[-4, true],
		[NaN, true],
	])('%s V per cell: impossible %s', (value, impossible) => expect(isImpossible(volts, value)).toBe(impossible));

	it('is asked about by the pack’s cells and by the decimal point', () => {
		expect(meantBy(volts, 16.72, 4)[0]).toEqual({
			value: 4.18,
			words: '16.72 V for the whole pack of 4 cells: 4.18 V per cell',
		});
		expect(meantBy(volts, 417, null).map(({ value }) => value)).toEqual([4.17]);
		expect(meantBy(volts, 0.418, 4).map(({ value }) => value)).toEqual([4.18]);
	});

	it('is never offered as another impossible one', () => {
		const measures = items.filter(({ type }) => type === 'measure');
		fc.assert(
			fc.property(
				fc.constantFrom(...measures),
				fc.double({ noNaN: true }),
				fc.option(fc.integer({ min: 1, max: 14 })),
				(item, value, cells) => meantBy(item, value, cells).every((meant) => !isImpossible(item, meant.value)),
			),
		);
	});

	it('is possible for every item within its limits', () => {
		for (const item of items.filter(({ type }) => type === 'measure'))
			for (const value of [item.limit?.low, item.limit?.high])
				if (value !== undefined) expect(isImpossible(item, value), item.id).toBe(false);
	});
});
