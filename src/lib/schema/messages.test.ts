import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import './messages';

const messageOf = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues[0].message;

describe('what is wrong with a field', () => {
	it.each<[string, z.ZodType, unknown, string]>([
		['a number left out', z.number(), undefined, 'is missing'],
		['a word for a number', z.number(), 'x', 'must be a number; it is a text'],
		['nothing for a number', z.number(), null, 'must be a number; it is empty'],
		['a number without end', z.number(), Infinity, 'must be a number; it is no finite number'],
		['a part of a whole', z.int(), 2.5, 'must be a whole number; it is a number'],
		['a list for a group', z.object({ a: z.number() }), [], 'must be a group of named values; it is a list'],
		['a group for a list', z.array(z.number()), {}, 'must be a list; it is a group of named values'],
		['a word for yes', z.boolean(), 'yes', 'must be yes or no; it is a text'],
		['less than the least', z.number().min(3), 2, 'must be at least 3'],
		['just the least', z.number().gt(3), 3, 'must be more than 3'],
		['more than the most', z.number().max(3), 4, 'must be at most 3'],
		['just the most', z.number().lt(3), 3, 'must be less than 3'],
		['no name', z.string().min(1), '', 'must not be empty'],
		['a short name', z.string().min(2), 'a', 'must be at least 2 characters'],
		['a long name', z.string().max(1), 'ab', 'must be at most 1 character'],
		['too long a list', z.array(z.number()).max(2), [1, 2, 3], 'must be at most 2 entries'],
		['none of the choices', z.enum(['a', 'b']), 'c', 'must be one of a, b'],
		['not the only one', z.literal('a'), 'c', 'must be a'],
		['no choice', z.enum(['a', 'b']), undefined, 'is missing'],
		['a day that is none', z.iso.date(), 'soon', 'must be a date, as 2026-05-14'],
		['a moment that is none', z.iso.datetime(), 'soon', 'must be a date and time, as 2026-05-14T09:30:00Z'],
		['one name too many', z.strictObject({}), { b: 1 }, 'has what nobody knows here: b'],
		['no kind of these', z.union([z.number(), z.boolean()]), 'x', 'is of no kind that is known here'],
		['half a step', z.number().multipleOf(5), 7, 'must be a multiple of 5'],
		['the schema’s own words', z.number({ error: 'Height: needs a number.' }), 'x', 'Height: needs a number.'],
	])('%s', (_what, schema, value, message) => {
		expect(messageOf(schema, value)).toBe(message);
	});

	it('of many choices the first are listed', () => {
		const many = Array.from({ length: 30 }, (_, k) => `c${k}`) as [string, ...string[]];
		expect(messageOf(z.enum(many), 'x')).toMatch(/^must be one of c0, .*c11 or another of the kind$/);
	});
});
