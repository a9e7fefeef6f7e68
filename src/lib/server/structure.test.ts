import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checked } from '../core/finding/checked';
import { bodyLimits } from './limits';
import { ROUTES } from './routes';
import { refuseBulk } from './structure';

const bytes = (text: string) => new TextEncoder().encode(text);

describe('the structure of a body', () => {
	it.each([
		['brackets', '['.repeat(1_000_000), 'nested deeper than 16 levels'],
		['empty objects', `[${'{},'.repeat(300_000)}{}]`, 'more than 250000 lists, objects and texts'],
		['empty texts', `[${'"",'.repeat(300_000)}""]`, 'more than 250000 lists, objects and texts'],
	])('of millions of %s is refused before it is parsed', (_, text, message) => {
		expect(() => refuseBulk(bytes(text))).toThrow(message);
	});
	it('of a long log is taken, whatever its texts hold', () => {
		refuseBulk(bytes(`{"t":[${'0.25,'.repeat(1_000_000)}1],"name":"[[[[[[[[[[[[[[[[[[\\"{{{"}`));
	});
	it('is that of the value, in every JSON there is', () => {
		const count = (value: unknown): number =>
			typeof value === 'string'
				? 1
				: value && typeof value === 'object'
					? 1 + Object.entries(value).reduce((n, [, v]) => n + count(v) + (Array.isArray(value) ? 0 : 1), 0)
					: 0;
		fc.assert(
			fc.property(fc.jsonValue({ maxDepth: 4 }), (value) => {
				const least = count(value);
				const many = `[${Array(Math.ceil((bodyLimits.parts.value + 1) / Math.max(1, least)))
					.fill(JSON.stringify(value))
					.join(',')}]`;
				refuseBulk(bytes(JSON.stringify(value)));
				if (least > 20) expect(() => refuseBulk(bytes(many))).toThrow('more than');
			}),
			{ numRuns: 60 },
		);
	});
});

/** The value with one of its lists filled with copies of one thing. */
function filled(value: unknown, filling: unknown, at: { list: number }): unknown {
	if (Array.isArray(value)) {
		if (at.list-- === 0) return Array(20_000).fill(filling);
		return value.map((each) => filled(each, filling, at));
	}
	if (!value || typeof value !== 'object') return value;
	return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, filled(each, filling, at)]));
}

describe('a body that is wrong a thousand times', () => {
	const bodies = Object.entries(ROUTES).flatMap(([path, { body }]) =>
		body.kind === 'json' ? [[path, body.schema, body.example] as const] : [],
	);
	it.each(bodies)('%s tells its first fault, not all of them', (_, schema, example) => {
		const lists = JSON.stringify(example).split('[').length - 1;
		for (let list = 0; list < lists; list++)
			for (const filling of ['', {}, [], null, 1e300]) {
				const wrong = filled(example, filling, { list });
				const issues = schema.safeParse(wrong).error?.issues ?? [];
				expect(issues.length, `list ${list} of ${JSON.stringify(filling)}`).toBeLessThan(20);
				expect(() => checked(schema, wrong)).toThrow();
			}
	});
});
