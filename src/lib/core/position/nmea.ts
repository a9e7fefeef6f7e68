import { plainDecimal } from '../math/decimal';

const [LF, CR, BANG, DOLLAR, STAR, COMMA, POINT, ZERO] = [10, 13, 33, 36, 42, 44, 46, 48];
const P = 'P'.charCodeAt(0);
const TALKER_LENGTH = 2;
const ADDRESS_LENGTH = 5;

/**
 * One NMEA 0183 sentence whose checksum is right. The reader fills the same one again and again, since a log has hundreds of
 * thousands: what is to outlive the call that was handed it is taken from it as text.
 */
export class Sentence {
	/** 1-based line of the text. */
	line = 0;
	/** Talker, e.g. "GN"; "" for proprietary sentences and AIS. */
	talker = '';
	/** Type, e.g. "GGA"; the whole address where it is not a talker's. */
	type = '';
	private source = '';
	/** Where the comma before each field stands, and after the last the star. */
	private marks: readonly number[] = [];
	private fieldCount = 0;
	/** Talkers and types by their letters: each is one text, however often it comes. */
	private readonly words = new Map<number, string>();

	/** Takes in what stands from a `$` or `!` on, of which so many commas are known and, after them, the `*` before the checksum. */
	fill(source: string, line: number, start: number, marks: readonly number[], commaCount: number): void {
		this.source = source;
		this.line = line;
		this.marks = marks;
		this.fieldCount = commaCount;
		const end = marks[0];
		const talks =
			end - start - 1 === ADDRESS_LENGTH && source.charCodeAt(start) === DOLLAR && source.charCodeAt(start + 1) !== P;
		this.talker = talks ? this.word(start + 1, start + 1 + TALKER_LENGTH) : '';
		this.type = talks ? this.word(start + 1 + TALKER_LENGTH, end) : source.slice(start + 1, end);
	}

	private word(from: number, to: number): string {
		let letters = 0;
		let plain = true;
		for (let i = from; i < to; i++) {
			const code = this.source.charCodeAt(i);
			letters = letters * 256 + code;
			plain &&= code < 256;
		}
		const known = plain ? this.words.get(letters) : undefined;
		if (known !== undefined) return known;
		const word = this.source.slice(from, to);
		if (plain) this.words.set(letters, word);
		return word;
	}

	/** How many fields follow the address. */
	get count(): number {
		return this.fieldCount;
	}

	/** What stands between the address and the checksum, without the comma before it; "" where nothing does. */
	get body(): string {
		return this.fieldCount === 0 ? '' : this.source.slice(this.startOf(0), this.endOf(this.fieldCount - 1));
	}

	private startOf(k: number): number {
		return this.marks[k] + 1;
	}

	private endOf(k: number): number {
		return this.marks[k + 1];
	}

	/** A field as text; "" where there is none. */
	text(k: number): string {
		return k < this.fieldCount ? this.source.slice(this.startOf(k), this.endOf(k)) : '';
	}

	/** Whether a field is just this text. */
	is(k: number, word: string): boolean {
		if (k >= this.fieldCount) return false;
		const from = this.startOf(k);
		return this.endOf(k) - from === word.length && this.source.startsWith(word, from);
	}

	/** The fields from one to before another, with the commas between them, as text. */
	span(first: number, before: number): string {
		const last = Math.min(before, this.fieldCount) - 1;
		return first > last ? '' : this.source.slice(this.startOf(first), this.endOf(last));
	}

	/** Whether the fields from one to before another are just this text. */
	spans(first: number, before: number, words: string): boolean {
		const last = Math.min(before, this.fieldCount) - 1;
		if (first > last) return words === '';
		const from = this.startOf(first);
		return this.endOf(last) - from === words.length && this.source.startsWith(words, from);
	}

	/** A field as a number; null where it is empty or not a plain decimal number. */
	number(k: number): number | null {
		if (k >= this.fieldCount) return null;
		const [from, to] = [this.startOf(k), this.endOf(k)];
		if (from === to) return null;
		const quick = plainDecimal(this.source, from, to);
		return quick === quick ? quick : numberIn(this.text(k));
	}

	/** A field as time of day in seconds, from hhmmss.sss; null where it is not one. */
	time(k: number): number | null {
		if (k >= this.fieldCount) return null;
		const [from, to] = [this.startOf(k), this.endOf(k)];
		if (to - from < 6 || (to - from > 6 && this.source.charCodeAt(from + 6) !== POINT)) return null;
		const [h, m] = [twoDigits(this.source, from), twoDigits(this.source, from + 2)];
		const s = unsigned(this.source, from + 4, to);
		return h >= 0 && m >= 0 && h < 24 && m < 60 && s < 61 ? h * 3600 + m * 60 + s : null;
	}

	/** Degrees from ddmm.mmmm or dddmm.mmmm in a field and a hemisphere in the next; null where they are not an angle within `most`. */
	angle(k: number, most: number): number | null {
		if (k + 1 >= this.fieldCount) return null;
		const [from, to] = [this.startOf(k), this.endOf(k)];
		const value = wholeDigits(this.source, from, to) < 3 ? NaN : unsigned(this.source, from, to);
		if (!(value >= 0)) return null;
		const degrees = Math.floor(value / 100);
		const minutes = value - degrees * 100;
		const signed = degrees + minutes / 60;
		if (minutes >= 60 || signed > most) return null;
		if (this.is(k + 1, 'S') || this.is(k + 1, 'W')) return -signed;
		return this.is(k + 1, 'N') || this.is(k + 1, 'E') ? signed : null;
	}
}

export interface Problem {
	line: number;
	what: string;
	text: string;
}

export interface ReadCounts {
	sentences: number;
	checksumErrors: number;
	withoutChecksum: number;
	problems: Problem[];
}

const PROBLEMS_KEPT = 100;
const TEXT_KEPT = 90;
const PROGRESS_LINES = 5000;

/** Value of a hexadecimal digit by its character code, −1 where it is none. */
function hexDigit(code: number): number {
	if (code >= 48 && code <= 57) return code - 48;
	const letter = code & ~32;
	return letter >= 65 && letter <= 70 ? letter - 55 : -1;
}

function hexAt(text: string, at: number): number {
	const high = hexDigit(text.charCodeAt(at));
	const low = hexDigit(text.charCodeAt(at + 1));
	return high < 0 || low < 0 ? -1 : high * 16 + low;
}

/** The character codes of a text, quicker to look through than the text: its bytes where it is plain ASCII, as logs are. */
function codesOf(text: string): Uint8Array | Uint16Array {
	const bytes = new TextEncoder().encode(text);
	if (bytes.length === text.length) return bytes;
	const codes = new Uint16Array(text.length);
	for (let i = 0; i < codes.length; i++) codes[i] = text.charCodeAt(i);
	return codes;
}

/** True where `text` from `start` ("$" or "!") runs to a `*HH` that is the exclusive or of what stands between. */
function checksumAt(text: string, start: number): { star: number; right: boolean } | null {
	const star = text.indexOf('*', start);
	if (star < 0) return null;
	const reported = hexAt(text, star + 1);
	if (reported < 0) return null;
	let sum = 0;
	for (let i = start + 1; i < star; i++) sum ^= text.charCodeAt(i) & 0xff;
	return { star, right: sum === reported };
}

/**
 * Reads NMEA 0183 text line by line (CR, LF or both), calling `take` for every sentence with a right checksum. Stray
 * bytes before the last `$` of a line are passed over, so a sentence glued to a broken one survives; bytes after `*HH`
 * are ignored; `#` lines are comments; `progress` receives the share read. Broken lines are counted and the first hundred kept with their numbers.
 */
export function readNmea(
	text: string,
	take: (sentence: Sentence) => void,
	progress?: (share: number) => void,
): ReadCounts {
	const counts: ReadCounts = { sentences: 0, checksumErrors: 0, withoutChecksum: 0, problems: [] };
	const problem = (line: number, what: string, row: string) => {
		if (counts.problems.length < PROBLEMS_KEPT) counts.problems.push({ line, what, text: row.slice(0, TEXT_KEPT) });
	};
	const sentence = new Sentence();
	const marks: number[] = [];

	/** Any line, in words of its own: what is glued to it, broken or without a checksum. */
	const readRow = (row: string, line: number): void => {
		const dollar = row.lastIndexOf('$');
		const bang = row.lastIndexOf('!');
		if (dollar < 0 && bang < 0) return;
		if (dollar !== 0 && row.trimStart().startsWith('#')) return;
		// A sentence begins at the last `$`; at the last `!` where that gives a right checksum and the `$` does not.
		const first = dollar > bang ? dollar : bang;
		let start = first;
		let sum = checksumAt(row, first);
		if (!sum?.right && dollar >= 0 && bang >= 0) {
			const other = checksumAt(row, dollar > bang ? bang : dollar);
			if (other?.right) [start, sum] = [dollar > bang ? bang : dollar, other];
			sum ??= other;
		}
		if (sum?.right) {
			counts.sentences++;
			let found = 0;
			for (let i = start + 1; i < sum.star; i++) if (row.charCodeAt(i) === COMMA) marks[found++] = i;
			marks[found] = sum.star;
			sentence.fill(row, line, start, marks, found);
			take(sentence);
		} else if (sum) {
			counts.checksumErrors++;
			problem(line, 'the checksum is wrong', row);
		} else {
			counts.withoutChecksum++;
			problem(line, 'the sentence has no checksum', row);
		}
	};

	let line = 0;
	let from = 0;
	const { length } = text;
	const codes = codesOf(text);
	while (from < length) {
		line++;
		if (line % PROGRESS_LINES === 0) progress?.(from / length);
		// Nearly all lines are one whole sentence: read in one go, without being cut out.
		const first = codes[from];
		let at = from;
		if (first === DOLLAR || first === BANG) {
			let sum = 0;
			let found = 0;
			let code = first;
			for (at++; at < length; at++) {
				code = codes[at];
				// Digits, letters, points and signs: nearly all there is.
				if (code <= COMMA) {
					if (code === COMMA) marks[found++] = at;
					else if (code === STAR || code === DOLLAR || code === BANG || code === LF || code === CR) break;
				}
				sum ^= code;
			}
			if (code === STAR && (sum & 0xff) === hexAt(text, at + 1)) {
				const next = at + 3 < length ? codes[at + 3] : LF;
				if (next === CR || next === LF) {
					counts.sentences++;
					marks[found] = at;
					sentence.fill(text, line, from, marks, found);
					take(sentence);
					from = at + (next === CR && at + 4 < length && codes[at + 4] === LF ? 5 : 4);
					continue;
				}
			}
		}
		while (at < length && codes[at] !== LF && codes[at] !== CR) at++;
		if (at > from) readRow(text.slice(from, at), line);
		from = at + (text.startsWith('\r\n', at) ? 2 : 1);
	}
	return counts;
}

const isDigit = (code: number) => code >= ZERO && code <= ZERO + 9;

/** The number of two digits at a place; −1 where there are none. */
function twoDigits(text: string, at: number): number {
	const [tens, ones] = [text.charCodeAt(at), text.charCodeAt(at + 1)];
	return isDigit(tens) && isDigit(ones) ? 10 * (tens - ZERO) + ones - ZERO : -1;
}

/** How many digits stand before anything else. */
function wholeDigits(text: string, from: number, to: number): number {
	let i = from;
	while (i < to && isDigit(text.charCodeAt(i))) i++;
	return i - from;
}

/** A decimal number that begins with a digit; NaN for anything else. */
function unsigned(text: string, from: number, to: number): number {
	if (!isDigit(text.charCodeAt(from))) return NaN;
	const quick = plainDecimal(text, from, to);
	if (quick === quick) return quick;
	const field = text.slice(from, to);
	return PLAIN.test(field) ? Number(field) : NaN;
}

const PLAIN = /^[+-]?(\d+\.?\d*|\.\d+)$/;

/** A number field; null where it is empty or not a plain decimal number. */
export function numberIn(field: string | undefined): number | null {
	const plain = field?.trim();
	return plain && PLAIN.test(plain) ? Number(plain) : null;
}
