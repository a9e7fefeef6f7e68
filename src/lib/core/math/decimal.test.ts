import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal, decimalEnd, leadingDecimal, plainDecimal } from './decimal';

describe('a cell as a number', () => {
	it('is the very double that the language would read, for any digits, sign and point', () => {
		const digits = fc.stringMatching(/^[0-9]{0,20}$/);
		fc.assert(
			fc.property(
				fc.constantFrom('', '-', '+'),
				digits,
				fc.constantFrom('', '.'),
				digits,
				(sign, whole, point, rest) => {
					const text = `${sign}${whole}${point}${rest}`;
					const expected = text === '' ? NaN : Number(text);
					expect(decimal(text)).toEqual(Number.isFinite(expected) ? expected : null);
				},
			),
			{ numRuns: 2000 },
		);
	});

	it('is read back as it was written, with and without an exponent', () => {
		fc.assert(
			fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
				expect(decimal(String(value))).toBe(Object.is(value, -0) ? 0 : value);
			}),
		);
	});

	it.each([
		['12,5', 12.5],
		['-0,25', -0.25],
		['1,5e3', 1500],
		['7', 7],
		['3.5', 3.5],
	])('with a decimal comma: %s', (text, value) => {
		expect(decimal(text, true)).toBe(value);
	});

	it.each([
		'',
		'-',
		'.',
		'+.',
		'abc',
		'0x1F',
		'-0x10',
		'0b11',
		'0o7',
		'Infinity',
		'NaN',
		'1.2.3',
		'1-2',
		'12,5',
		'--1',
	])('%j is none', (text) => {
		expect(decimal(text)).toBeNull();
	});
});

describe('a number within a text', () => {
	const number = fc.stringMatching(/^[+-]?[0-9]{1,7}(\.[0-9]{0,7})?$/);
	const rest = fc.stringMatching(/^([,;|* ][ -~]{0,5})?$/);

	it('is read from where it begins to what does not belong to it', () => {
		fc.assert(
			fc.property(fc.string({ maxLength: 5 }), number, rest, (before, text, after) => {
				const whole = before + text + after;
				expect(leadingDecimal(whole, before.length, whole.length)).toBe(Number(text));
				expect(decimalEnd()).toBe(before.length + text.length);
				expect(plainDecimal(whole, before.length, before.length + text.length)).toBe(Number(text));
				if (after !== '') expect(plainDecimal(whole, before.length, whole.length)).toBeNaN();
			}),
		);
	});

	it('is not read past its end', () => {
		expect(leadingDecimal('12345', 1, 3)).toBe(23);
		expect(leadingDecimal('12', 2, 2)).toBeNaN();
		expect(leadingDecimal('-', 0, 1)).toBeNaN();
		expect(leadingDecimal('1234567890123456', 0, 16)).toBeNaN();
	});
});
