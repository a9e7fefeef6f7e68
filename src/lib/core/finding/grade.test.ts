import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { area } from '$lib/messages/message';
import { atLeast, atMost, wanted } from './grade';
import { judge, reason } from './reasons';

const limit = (value: number) => ({ value, unit: '°', source: 'a test' });
const say = area('test', {
	bad: { text: 'Bad.', next: 'Mend it.' },
	'so-so': { text: 'So so.', next: 'Look again.' },
	good: { text: 'Good.' },
});
const grades = (loose: number, strict: number) => ({
	fail: { limit: limit(loose), says: say('bad') },
	caution: { limit: limit(strict), says: say('so-so') },
	pass: say('good'),
});

describe('a value that is to be small', () => {
	it.each([
		[2, 'pass', 3],
		[3, 'pass', 3],
		[4, 'caution', 3],
		[5, 'caution', 3],
		[6, 'fail', 5],
		[NaN, 'fail', 5],
	] as const)('%s by 3 and 5 is a %s, told with %s', (value, level, told) => {
		expect(atMost(value, grades(5, 3))).toMatchObject({ level, limit: told, unit: '°', source: 'a test' });
		expect(atMost(value, grades(5, 3)).value).toBe(Number.isFinite(value) ? value : undefined);
	});

	it('mirrors one that is to be large', () => {
		fc.assert(
			fc.property(fc.double({ noNaN: true, min: -10, max: 10 }), (value) => {
				expect(atLeast(-value, grades(-5, -3)).level).toBe(atMost(value, grades(5, 3)).level);
			}),
		);
	});

	it('with one limit has no grade between', () => {
		const { fail, pass } = grades(5, 3);
		expect([4, 6].map((value) => atMost(value, { fail, pass }).level)).toEqual(['pass', 'fail']);
	});
});

it('a reason tells which way its limit is meant', () => {
	expect([2, 4, 6].map((value) => wanted(atMost(value, grades(5, 3))))).toEqual(['at most', 'at most', 'at most']);
	expect([2, 4, 6].map((value) => wanted(atLeast(value, grades(3, 5))))).toEqual(['at least', 'at least', 'at least']);
	expect(wanted(atMost(3, grades(5, 3)))).toBeNull();
	expect(wanted(reason('pass', say('good')))).toBeNull();
});

it('the worst reason speaks first, and none is a fail', () => {
	const [good, bad] = [atMost(1, grades(5, 3)), atMost(9, grades(5, 3))];
	expect(judge([good, bad])).toEqual({ verdict: 'fail', reasons: [bad, good] });
	expect(judge([]).verdict).toBe('fail');
});
