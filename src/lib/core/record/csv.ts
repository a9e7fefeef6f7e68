import Papa from 'papaparse';
import { InputError } from '../frames/inputError';

/** A text table: header names (made up as "column 1" where there is none) and cells as text. */
export interface Table {
	headers: string[];
	rows: string[][];
	/** 1-based line of the file of each row. */
	lines: number[];
	/** Decimal comma instead of point. */
	decimalComma: boolean;
	/** One text for one layout of columns: mappings are remembered under it. */
	layout: string;
}

const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?$/;
const COMMA_NUMBER = /^[+-]?\d+,\d+([eE][+-]?\d+)?$/;
/** A cell that begins with a date is data, not a header. */
const ISO_DATE = /^\d{4}-\d{2}-\d{2}[T ]/;
const SNIFF_ROWS = 20;

const isNumber = (cell: string) => NUMBER.test(cell) || COMMA_NUMBER.test(cell);

/**
 * Reads delimited text: any of comma, semicolon, tab, pipe or spaces, quoted cells, decimal comma, `#` comments,
 * byte-order mark, header or none.
 * @throws InputError naming the file: empty, or no column of numbers.
 */
export function readTable(text: string, fileName: string): Table {
	const body = text.replace(/^\uFEFF/, '');
	if (body.trim() === '') throw new InputError('empty', fileName, `${fileName} is empty.`);
	const rows: string[][] = [];
	const lines: number[] = [];
	let line = 0;
	const delimiter = sniff(body);
	// Most logs have blanks in their header only.
	const blanks = body.includes(' ', body.indexOf('\n')) || body.includes('\t');
	for (const cells of Papa.parse<string[]>(body, { delimiter, skipEmptyLines: false }).data) {
		line++;
		if (blanks || line === 1) trimAll(cells);
		if (cells[0].charCodeAt(0) === HASH || (cells[0] === '' && cells.every((cell) => cell === ''))) continue;
		rows.push(cells);
		lines.push(line);
	}
	if (rows.length === 0) throw new InputError('empty', fileName, `${fileName} holds comments only.`);
	const hasHeader = !rows[0].some((cell) => isNumber(cell) || ISO_DATE.test(cell));
	const headers = hasHeader ? rows[0] : rows[0].map((_, k) => `column ${k + 1}`);
	const data = hasHeader ? rows.slice(1) : rows;
	const sample = data.slice(0, SNIFF_ROWS);
	const numeric = headers.some((_, k) => sample.length > 0 && sample.every((row) => isNumber(row[k] ?? '')));
	if (!numeric) throw new InputError('no-numbers', fileName, `${fileName} has no column of numbers.`);
	const decimalComma = delimiter !== ',' && sample.some((row) => row.some((cell) => COMMA_NUMBER.test(cell)));
	return { headers, rows: data, lines: hasHeader ? lines.slice(1) : lines, decimalComma, layout: headers.join(' | ') };
}

const HASH = 35;
const SPACE = 32;
const [X, B, O] = [120, 98, 111];

/** Cells without blanks about them, in place: most have none, and long logs have millions. */
function trimAll(cells: string[]): void {
	for (let k = 0; k < cells.length; k++) {
		const cell = cells[k];
		if (cell.charCodeAt(0) <= SPACE || cell.charCodeAt(cell.length - 1) <= SPACE) cells[k] = cell.trim();
	}
}

/** The delimiter that splits the first rows into the same, largest number of cells. */
function sniff(text: string): string {
	const head = text
		.slice(0, 20_000)
		.split(/\r\n|\n|\r/)
		.filter((row) => row.trim() !== '' && !row.startsWith('#'))
		.slice(0, SNIFF_ROWS);
	const counts = ['\t', ';', '|', ',', ' '].map((delimiter) => {
		const cells = head.map((row) => Papa.parse<string[]>(row, { delimiter }).data[0]?.length ?? 1);
		const even = cells.every((n) => n === cells[0]);
		return { delimiter, score: even && cells[0] > 1 ? cells[0] : 0 };
	});
	const best = counts.reduce((a, b) => (b.score > a.score ? b : a));
	return best.score > 1 ? best.delimiter : ',';
}

/** A decimal number; null for anything else that the language would take for one: hexadecimal, Infinity, empty. */
function plainNumber(text: string | undefined): number | null {
	if (text === undefined || text === '') return null;
	const value = Number(text);
	if (!Number.isFinite(value)) return null;
	// Letters other than the exponent's: 0x, 0b, 0o stand at the second or third place.
	const mark = text.charCodeAt(1) | SPACE;
	const later = text.charCodeAt(2) | SPACE;
	return mark === X || mark === B || mark === O || later === X || later === B || later === O ? null : value;
}

/**
 * A column as numbers.
 * @throws InputError with path `line.N` for a cell that is not a finite number: empty, NaN, text, a line cut short.
 */
export function numbersOf(table: Table, column: number, fileName: string): Float64Array {
	const out = new Float64Array(table.rows.length);
	for (let i = 0; i < out.length; i++) {
		const cell = table.rows[i][column];
		const text = table.decimalComma ? cell?.replace(',', '.') : cell;
		const value = plainNumber(text);
		if (value === null) {
			const what = cell === undefined ? 'the line is cut short' : `"${cell}" is not a number`;
			throw new InputError(
				'not-a-number',
				`line.${table.lines[i]}`,
				`${fileName}, line ${table.lines[i]}, ${table.headers[column] ?? `column ${column + 1}`}: ${what}.`,
			);
		}
		out[i] = value;
	}
	return out;
}
