import Papa, { type ParseResult } from 'papaparse';
import { InputError } from '../finding/inputError';
import { decimal, decimalEnd, leadingDecimal } from '../math/decimal';

/** A text table: header names (made up as "column 1" where there is none) and cells as text. */
export interface Table {
	headers: string[];
	/** How many rows follow the header. */
	count: number;
	/** The cells of a row, without blanks about them. */
	row: (i: number) => string[];
	/** 1-based line of the file of each row. */
	lines: Uint32Array;
	/** Decimal comma instead of point. */
	decimalComma: boolean;
	/** One text for one layout of columns: mappings are remembered under it. */
	layout: string;
	/** The rows as they stand in the text, where no cell is quoted: numbers are read from there, without a text a cell. */
	plain?: PlainRows;
}

interface PlainRows {
	text: string;
	/** Where each row begins, and where its line ends. */
	starts: Uint32Array;
	ends: Uint32Array;
	delimiter: string;
}

/** The first rows of a table. */
export const firstRows = ({ count, row }: Table, most: number): string[][] =>
	Array.from({ length: Math.min(most, count) }, (_, i) => row(i));

/** Logs of sensors have tens of columns; a table of more than these is no log, and would hold up the page. */
const MOST_COLUMNS = 2000;
/** Characters of a cell that a message shows. */
const MOST_SHOWN = 40;
const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?$/;
const COMMA_NUMBER = /^[+-]?\d+,\d+([eE][+-]?\d+)?$/;
/** A cell that begins with a date is data, not a header. */
const ISO_DATE = /^\d{4}-\d{2}-\d{2}[T ]/;
const SNIFF_ROWS = 20;

const isNumber = (cell: string) => NUMBER.test(cell) || COMMA_NUMBER.test(cell);

/**
 * Reads delimited text: any of comma, semicolon, tab, pipe or spaces, quoted cells, decimal comma, `#` comments,
 * byte-order mark, header or none.
 * @throws InputError naming the file: empty, too many columns, a quote that is not closed (`line.N`), or no column of numbers.
 */
export function readTable(text: string, fileName: string): Table {
	const body = text.replace(/^\uFEFF/, '');
	if (body.trim() === '') throw new InputError('empty', fileName, `${fileName} is empty.`);
	const delimiter = sniff(body);
	refuseTooWide(body, delimiter, fileName);
	const { count, row, lines, plain } = body.includes('"')
		? parsed(body, delimiter, fileName)
		: standing(body, delimiter);
	if (count === 0) throw new InputError('empty', fileName, `${fileName} holds comments only.`);
	const first = row(0);
	const hasHeader = !first.some((cell) => isNumber(cell) || ISO_DATE.test(cell));
	const headers = hasHeader ? first : first.map((_, k) => `column ${k + 1}`);
	const from = hasHeader ? 1 : 0;
	const table: Table = {
		headers,
		count: count - from,
		row: (i) => row(i + from),
		lines: lines.subarray(from),
		decimalComma: false,
		layout: headers.join(' | '),
		...(plain && { plain: { ...plain, starts: plain.starts.subarray(from), ends: plain.ends.subarray(from) } }),
	};
	const sample = firstRows(table, SNIFF_ROWS);
	const numeric = headers.some((_, k) => sample.length > 0 && sample.every((cells) => isNumber(cells[k] ?? '')));
	if (!numeric) throw new InputError('no-numbers', fileName, `${fileName} has no column of numbers.`);
	table.decimalComma = delimiter !== ',' && sample.some((cells) => cells.some((cell) => COMMA_NUMBER.test(cell)));
	return table;
}

const [HASH, SPACE, LF, CR] = [35, 32, 10, 13];

type Rows = Pick<Table, 'count' | 'row' | 'lines' | 'plain'>;

const trimmed = (cells: readonly string[]): string[] => cells.map((cell) => cell.trim());

/** Before anything is cut into cells: the first rows are as wide as the rest. */
function refuseTooWide(body: string, delimiter: string, fileName: string): void {
	const widest = Math.max(...headOf(body, Infinity).map((row) => 1 + countOf(row, delimiter)));
	if (widest > MOST_COLUMNS)
		throw new InputError(
			'too-many-columns',
			fileName,
			`${fileName} has ${widest} columns; up to ${MOST_COLUMNS} are read. Keep only the columns that are needed.`,
		);
}

/** A quote that is opened and not closed swallows every line after it. */
function refuseOpenQuote({ data, errors }: ParseResult<string[]>, body: string, fileName: string): void {
	const open = errors.find(
		({ code, row }) =>
			code === 'MissingQuotes' || (code === 'InvalidQuotes' && data[row ?? -1]?.some((cell) => /[\r\n]/.test(cell))),
	);
	if (open?.index === undefined) return;
	const line = lineEnds(body.slice(0, open.index)) + 1;
	throw new InputError(
		'open-quote',
		`line.${line}`,
		`${fileName}, line ${line}: a quote is opened there and not closed. Close it, or take it out.`,
	);
}

/** Line ends in a text, of any kind. */
const lineEnds = (text: string): number => text.match(/\r\n|\n|\r/g)?.length ?? 0;

/**
 * Rows with quoted cells, by the parser; without comments and empty ones.
 * @throws InputError with path `line.N` where a quote is not closed.
 */
function parsed(body: string, delimiter: string, fileName: string): Rows {
	const result = Papa.parse<string[]>(body, { delimiter, skipEmptyLines: false });
	refuseOpenQuote(result, body, fileName);
	let next = 1;
	const lines = result.data.map((cells) => {
		const line = next;
		// A quoted cell may hold line ends.
		next += 1 + cells.reduce((sum, cell) => sum + lineEnds(cell), 0);
		return line;
	});
	const all = result.data.map(trimmed);
	// Where blanks part the cells, those before a comment's mark are empty ones.
	const first = (cells: readonly string[]) => (delimiter.trim() === '' ? cells.find((cell) => cell !== '') : cells[0]);
	const kept = [...all.keys()].filter((i) => !first(all[i])?.startsWith('#') && all[i].some((cell) => cell !== ''));
	return { count: kept.length, row: (i) => all[kept[i]], lines: Uint32Array.from(kept, (i) => lines[i]) };
}

/** Rows of a text without quotes, as they stand in it; without comments and empty ones. */
function standing(text: string, delimiter: string): Rows {
	const parting = delimiter.charCodeAt(0);
	const most = 1 + countOf(text, text.includes('\n') ? '\n' : '\r') + (/\r[^\n]/.test(text) ? countOf(text, '\r') : 0);
	const [starts, ends, lines] = [new Uint32Array(most), new Uint32Array(most), new Uint32Array(most)];
	let count = 0;
	let line = 0;
	for (let from = 0; from < text.length;) {
		line++;
		let to = from;
		let filled = -1;
		for (; to < text.length; to++) {
			const code = text.charCodeAt(to);
			if (code === LF || code === CR) break;
			if (filled < 0 && code > SPACE && code !== parting) filled = to;
		}
		// A comment begins with its mark, but for blanks; what has delimiters and blanks only is empty.
		const comment = filled >= 0 && text.charCodeAt(filled) === HASH && text.slice(from, filled).trim() === '';
		if (filled >= 0 && !comment) {
			starts[count] = from;
			ends[count] = to;
			lines[count++] = line;
		}
		from = to + (text.startsWith('\r\n', to) ? 2 : 1);
	}
	const row = (i: number) => trimmed(text.slice(starts[i], ends[i]).split(delimiter));
	return {
		count,
		row,
		lines: lines.subarray(0, count),
		plain: { text, starts: starts.subarray(0, count), ends: ends.subarray(0, count), delimiter },
	};
}

function countOf(text: string, mark: string): number {
	let count = 0;
	for (let at = text.indexOf(mark); at >= 0; at = text.indexOf(mark, at + 1)) count++;
	return count;
}

/** The first rows of a text, without comments and empty ones, within a number of characters. */
const headOf = (text: string, most: number): string[] => {
	const rows: string[] = [];
	const ends = /\r\n|\n|\r|$/g;
	for (let from = 0; from < Math.min(most, text.length) && rows.length < SNIFF_ROWS;) {
		ends.lastIndex = from;
		const to = ends.exec(text)?.index ?? text.length;
		const row = text.slice(from, Math.min(to, most));
		if (row.trim() !== '' && !row.trimStart().startsWith('#')) rows.push(row);
		from = to + (text.startsWith('\r\n', to) ? 2 : 1);
	}
	return rows;
};

/** The delimiter that splits the first rows into the same, largest number of cells. */
function sniff(text: string): string {
	const head = headOf(text, 20_000);
	const counts = ['\t', ';', '|', ',', ' '].map((delimiter) => {
		const cells = head.map((row) => Papa.parse<string[]>(row, { delimiter }).data[0]?.length ?? 1);
		const even = cells.every((n) => n === cells[0]);
		return { delimiter, score: even && cells[0] > 1 ? cells[0] : 0 };
	});
	const best = counts.reduce((a, b) => (b.score > a.score ? b : a));
	return best.score > 1 ? best.delimiter : ',';
}

/**
 * Columns as numbers, row by row.
 * @throws InputError with path `line.N` for the first cell that is not a finite number: empty, NaN, text, a line cut short.
 */
export function numbersOf(table: Table, columns: readonly number[], fileName: string): Float64Array[] {
	const out = columns.map(() => new Float64Array(table.count));
	const read = table.plain ? standingReader(table.plain, columns, table.decimalComma) : cellReader(table, columns);
	for (let i = 0; i < table.count; i++) {
		const wrong = read(i, out);
		if (wrong >= 0) throw notANumber(table, i, wrong, fileName);
	}
	return out;
}

/** Reads a row's numbers into their columns; tells the column that holds none, −1 where all do. */
type RowReader = (i: number, out: readonly Float64Array[]) => number;

function cellReader(table: Table, columns: readonly number[]): RowReader {
	return (i, out) => {
		const cells = table.row(i);
		for (let k = 0; k < columns.length; k++) {
			const cell = cells[columns[k]];
			const value = cell === undefined ? null : decimal(cell, table.decimalComma);
			if (value === null) return columns[k];
			out[k][i] = value;
		}
		return -1;
	};
}

/** Reads numbers where they stand in the text, which is several times as quick as cutting every cell out. */
function standingReader(plain: PlainRows, columns: readonly number[], decimalComma: boolean): RowReader {
	const { text, starts, ends } = plain;
	const parting = plain.delimiter.charCodeAt(0);
	const mark = (decimalComma ? ',' : '.').charCodeAt(0);
	const last = columns.reduce((most, column) => Math.max(most, column), -1);
	/** Which of the columns asked for a cell is; several roles may ask for one. */
	const places = Array.from({ length: last + 1 }, (_, column) =>
		columns.flatMap((asked, k) => (asked === column ? [k] : [])),
	);
	const absent = columns.find((column) => column < 0);
	return (i, out) => {
		if (absent !== undefined) return absent;
		const end = ends[i];
		let at = starts[i];
		for (let column = 0; column <= last; column++) {
			const asked = places[column];
			if (at > end) {
				if (asked.length > 0) return column;
				continue;
			}
			const from = at;
			let value = asked.length > 0 ? leadingDecimal(text, at, end, mark) : NaN;
			if (value === value) at = decimalEnd();
			const whole = value === value && (at === end || text.charCodeAt(at) === parting);
			while (at < end && text.charCodeAt(at) !== parting) at++;
			if (asked.length > 0) {
				if (!whole) value = decimal(text.slice(from, at).trim(), decimalComma) ?? NaN;
				if (value !== value) return column;
				for (let k = 0; k < asked.length; k++) out[asked[k]][i] = value;
			}
			at++;
		}
		return -1;
	};
}

/** A cell as a message shows it: one with a quote that is not closed is the rest of the file. */
const shortened = (cell: string) => (cell.length > MOST_SHOWN ? `${cell.slice(0, MOST_SHOWN)}…` : cell);

function notANumber(table: Table, row: number, column: number, fileName: string): InputError {
	const cell = table.row(row).at(column);
	const line = table.lines[row];
	return new InputError(
		'not-a-number',
		`line.${line}`,
		`${fileName}, line ${line}, ${table.headers[column] ?? `column ${column + 1}`}: ${cell === undefined ? 'the line is cut short' : `"${shortened(cell)}" is not a number`}.`,
	);
}
