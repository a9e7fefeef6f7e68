import { describe, expect, expectTypeOf, it } from 'vitest';
import { InputError } from '$lib/core/finding/inputError';
import { choice, form, missingIn, number, working, type FormOf } from './form';
import { blankValues, exampleValues, type Finding, type Input, type Values } from './instrument';

const fields = form([
	number('litres', 'Caught', 'L', 0.5),
	number('shown', 'Shown', 'L/min', 2, { optional: true }),
	choice('north', 'From', { true: 'True north', magnetic: 'Magnetic north' }, 'true'),
	{
		kind: 'rows',
		id: 'nozzles',
		label: 'Nozzles',
		one: 'a nozzle',
		of: [{ kind: 'text', id: 'name', label: 'Name', start: '' }, number('volume', 'Volume', 'L', 1)],
		start: [{ name: 'left', volume: 1 }],
	},
]);
const good: Values = { ...exampleValues(fields), shown: null };

describe('a form', () => {
	it('types what it holds by its own fields', () => {
		expectTypeOf<FormOf<typeof fields>>().toEqualTypeOf<{
			litres: number;
			shown: number | null;
			north: 'true' | 'magnetic';
			nozzles: readonly { name: string; volume: number }[];
		}>();
	});

	it('as it opens lacks its first required field; filled in it lacks nothing', () => {
		expect(missingIn(fields, blankValues(fields))).toEqual({ id: 'litres', message: 'Caught: needs a number.' });
		expect(missingIn(fields, good)).toBeNull();
	});

	it.each([
		['a number that is none', { litres: 'much' }, 'litres', 'Caught: needs a number.'],
		['a choice that is not offered', { north: 'grid' }, 'north', 'From: choose one.'],
		[
			'a cell of a row, by its number as counted by people',
			{ nozzles: [...(good.nozzles as []), { name: 'right', volume: null }] },
			'nozzles.1.volume',
			'Nozzles, 2: Volume: needs a number.',
		],
	])('names %s', (_, change, id, message) => {
		expect(missingIn(fields, { ...good, ...change } as Values)).toEqual({ id, message });
	});

	it('is checked before anything is computed with it', async () => {
		const seen: unknown[] = [];
		const compute = working(fields, (input) => {
			seen.push(input.form);
			return {} as Finding;
		});
		await expect(compute({ values: { ...good, litres: null } } as Partial<Input> as Input)).rejects.toThrow(InputError);
		expect(seen).toEqual([]);
		await compute({ values: good } as Partial<Input> as Input);
		expect(seen).toEqual([good]);
	});
});
