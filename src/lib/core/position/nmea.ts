/** One NMEA 0183 sentence whose checksum is right. */
export class Sentence {
	/** Fields as they were taken apart; most sentences of a log need only one or two. */
	private apart: string[] | null = null;

	constructor(
		/** 1-based line of the text. */
		readonly line: number,
		/** Talker, e.g. "GN"; "" for proprietary sentences and AIS. */
		readonly talker: string,
		/** Type, e.g. "GGA"; the whole address where it is not a talker's. */
		readonly type: string,
		/** What stands between the address and the checksum, without the comma before it; null where nothing does. */
		readonly body: string | null,
	) {}

	/** Fields after the address. */
	get fields(): string[] {
		this.apart ??= this.body === null ? [] : this.body.split(',');
		return this.apart;
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

/** True where `text` from `start` ("$" or "!") runs to a `*HH` that is the exclusive or of what stands between. */
function checksumAt(text: string, start: number): { star: number; right: boolean } | null {
	const star = text.indexOf('*', start);
	if (star < 0) return null;
	const told = hexAt(text, star + 1);
	if (told < 0) return null;
	let sum = 0;
	for (let i = start + 1; i < star; i++) sum ^= text.charCodeAt(i) & 0xff;
	return { star, right: sum === told };
}

/**
 * Reads NMEA 0183 text line by line (CR, LF or both), calling `take` for every sentence with a right checksum. Stray
 * bytes before the last `$` of a line are passed over, so a sentence glued to a broken one survives; bytes after `*HH`
 * are ignored; `#` lines are comments; `progress` is told the share read. Broken lines are counted and the first hundred kept with their numbers.
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
	let line = 0;
	let from = 0;
	// Lines end in LF, CR LF, or CR alone; searching for one byte is quicker than looking at each.
	const end = text.includes('\n') ? '\n' : '\r';
	// A bare CR within a line: old and new ends mixed in one log.
	const mixed = end === '\n' && /\r[^\n]/.test(text);
	let pending: string[] = [];
	while (from < text.length || pending.length > 0) {
		if (pending.length === 0) {
			const at = text.indexOf(end, from);
			const to = at < 0 ? text.length : at;
			const whole = text.slice(from, text.charCodeAt(to - 1) === 13 && to > from ? to - 1 : to);
			from = to + 1;
			if (mixed && whole.includes('\r')) pending = whole.split('\r').reverse();
			else pending.push(whole);
		}
		line++;
		if (line % PROGRESS_LINES === 0) progress?.(from / text.length);
		const row = pending.pop() ?? '';
		if (row.length === 0) continue;
		const dollar = row.lastIndexOf('$');
		const bang = row.lastIndexOf('!');
		if (dollar < 0 && bang < 0) continue;
		if (dollar !== 0 && row.trimStart().startsWith('#')) continue;

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
			const comma = row.indexOf(',', start);
			const bare = comma < 0 || comma > sum.star;
			const address = row.slice(start + 1, bare ? sum.star : comma);
			const talks = row[start] === '$' && address.length === 5 && address[0] !== 'P';
			take(
				new Sentence(
					line,
					talks ? address.slice(0, 2) : '',
					talks ? address.slice(2) : address,
					bare ? null : row.slice(comma + 1, sum.star),
				),
			);
		} else if (sum) {
			counts.checksumErrors++;
			problem(line, 'the checksum is wrong', row);
		} else {
			counts.withoutChecksum++;
			problem(line, 'the sentence has no checksum', row);
		}
	}
	return counts;
}

const isDigit = (code: number) => code >= 48 && code <= 57;

/** True for digits with at most one point among or after them and at least `whole` digits before it; by code, quicker than a pattern. */
function isDecimal(text: string, from: number, whole: number): boolean {
	let digits = 0;
	let before = -1;
	for (let i = from; i < text.length; i++) {
		const code = text.charCodeAt(i);
		if (isDigit(code)) digits++;
		else if (code === 46 && before < 0) before = digits;
		else return false;
	}
	return digits > 0 && (before < 0 ? digits : before) >= whole;
}

/** Time of day in seconds from hhmmss.sss; null where it is not one. */
export function timeOfDay(field: string | undefined): number | null {
	if (!field || !isDecimal(field, 0, 6)) return null;
	if (field.length > 6 && field[6] !== '.') return null;
	const h = Number(field.slice(0, 2));
	const m = Number(field.slice(2, 4));
	const s = Number(field.slice(4));
	return h < 24 && m < 60 && s < 61 ? h * 3600 + m * 60 + s : null;
}

/** Degrees from ddmm.mmmm or dddmm.mmmm and a hemisphere letter; null where they are not an angle within `most`. */
export function angle(field: string | undefined, hemisphere: string | undefined, most: number): number | null {
	if (!field || !isDecimal(field, 0, 3)) return null;
	const value = Number(field);
	const degrees = Math.floor(value / 100);
	const minutes = value - degrees * 100;
	const signed = degrees + minutes / 60;
	if (minutes >= 60 || signed > most) return null;
	if (hemisphere === 'S' || hemisphere === 'W') return -signed;
	return hemisphere === 'N' || hemisphere === 'E' ? signed : null;
}

/** A number field; null where it is empty or not a plain decimal number. */
export function numberIn(field: string | undefined): number | null {
	const plain = field?.trim();
	if (!plain) return null;
	const signed = plain[0] === '+' || plain[0] === '-';
	return isDecimal(plain, signed ? 1 : 0, 0) ? Number(plain) : null;
}
