const [ZERO, PLUS, MINUS, POINT, COMMA, SPACE] = [48, 43, 45, 46, 44, 32];
const [X, B, O] = [120, 98, 111];
/** Fifteen digits are below 2⁵³. */
const MOST_DIGITS = 15;
/** Powers of ten, each exact as a double. */
const TENS = Array.from({ length: MOST_DIGITS + 1 }, (_, k) => 10 ** k);

/** Where the number that was read last ended: one is read at a time, and a result of two parts would be made millions of times. */
let ended = 0;

/** Where `leadingDecimal` stopped. */
export const decimalEnd = (): number => ended;

/**
 * The plain decimal number that a text begins with at `from`, with or without a sign, up to the first character that belongs to
 * none or to `to`; NaN where there is none, also for more than fifteen digits. Digits and power of ten are exact doubles, so that
 * their quotient is the nearest double there is (Clinger, "How to read floating point numbers accurately", 1990). Four times as
 * quick as the language's own conversion, of which a long log needs millions.
 */
export function leadingDecimal(text: string, from: number, to: number, mark = POINT): number {
	const sign = from < to ? text.charCodeAt(from) : 0;
	const first = sign === MINUS || sign === PLUS ? from + 1 : from;
	let digits = 0;
	let point = -1;
	let i = first;
	for (; i < to; i++) {
		const code = text.charCodeAt(i);
		const digit = code - ZERO;
		if (digit >= 0 && digit <= 9) digits = digits * 10 + digit;
		else if (code === mark && point < 0) point = i;
		else break;
	}
	ended = i;
	// A mark alone is no number.
	if (i === first || i - first > MOST_DIGITS || (point >= 0 && i - first === 1)) return NaN;
	const value = point < 0 ? digits : digits / TENS[i - 1 - point];
	return sign === MINUS ? -value : value;
}

/** The plain decimal number that stands from `from` to `to`, whole; NaN for anything else. */
export function plainDecimal(text: string, from: number, to: number, mark = POINT): number {
	const value = leadingDecimal(text, from, to, mark);
	return ended === to ? value : NaN;
}

/**
 * A cell as a number: decimal, with an exponent where it has one, decimal comma where asked for. Null for anything else,
 * also for what the language would take for a number: hexadecimal, Infinity, nothing at all.
 */
export function decimal(text: string, decimalComma = false): number | null {
	const quick = plainDecimal(text, 0, text.length, decimalComma ? COMMA : POINT);
	if (quick === quick) return quick;
	const value = text === '' ? NaN : Number(decimalComma ? text.replace(',', '.') : text);
	if (!Number.isFinite(value)) return null;
	// Letters other than the exponent's: 0x, 0b, 0o stand at the second or third place.
	const mark = text.charCodeAt(1) | SPACE;
	const later = text.charCodeAt(2) | SPACE;
	return mark === X || mark === B || mark === O || later === X || later === B || later === O ? null : value;
}
