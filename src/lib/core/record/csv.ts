import Papa from 'papaparse';
import { InputError } from '../finding/inputError';
import { decimal } from './decimal';

/** A text table: header names (made up as "column 1" where there is none) and cells as text. */
export interface Table {
	headers: string[];
	rows: string[][];
	/** 1-based line of the file of each row. */
	lines: Uint32Array;
	/** Decimal comma instead of point. */
	decimalComma: boolean;
	/** One text for one layout of columns: mappings are remembered under it. */
	layout: string;
}

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
 * @throws InputError naming the file: empty, or no column of numbers.
 */
export function readTable(text: string, fileName: string): Table {
	const body = text.replace(/^\uFEFF/, '');
	if (body.trim() === '') throw new InputError('empty', fileName, `${fileName} is empty.`);
	const delimiter = sniff(body);
	// Most logs have blanks in their header only.
	const blanks = body.includes(' ', body.indexOf('\n')) || body.includes('\t');
	const rows = Papa.parse<string[]>(body, { delimiter, skipEmptyLines: false }).data;
	const lines = new Uint32Array(rows.length);
	let kept = 0;
	for (let i = 0; i < rows.length; i++) {
		const cells = rows[i];
		if (blanks || i === 0) trimAll(cells);
		if (cells[0].charCodeAt(0) === HASH || (cells[0] === '' && cells.every((cell) => cell === ''))) continue;
		rows[kept] = cells;
		lines[kept++] = i + 1;
	}
	rows.length = kept;
	if (rows.length === 0) throw new InputError('empty', fileName, `${fileName} holds comments only.`);
	const hasHeader = !rows[0].some((cell) => isNumber(cell) || ISO_DATE.test(cell));
	const headers = hasHeader ? rows[0] : rows[0].map((_, k) => `column ${k + 1}`);
	const from = hasHeader ? 1 : 0;
	if (hasHeader) rows.shift();
	const sample = rows.slice(0, SNIFF_ROWS);
	const numeric = headers.some((_, k) => sample.length > 0 && sample.every((row) => isNumber(row[k] ?? '')));
	if (!numeric) throw new InputError('no-numbers', fileName, `${fileName} has no column of numbers.`);
	const decimalComma = delimiter !== ',' && sample.some((row) => row.some((cell) => COMMA_NUMBER.test(cell)));
	return { headers, rows, lines: lines.subarray(from, from + rows.length), decimalComma, layout: headers.join(' | ') };
}

const HASH = 35;
const SPACE = 32;

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

/**
 * Columns as numbers, row by row.
 * @throws InputError with path `line.N` for the first cell that is not a finite number: empty, NaN, text, a line cut short.
 */
export function numbersOf(table: Table, columns: readonly number[], fileName: string): Float64Array[] {
	const { rows, decimalComma } = table;
	const out = columns.map(() => new Float64Array(rows.length));
	for (let i = 0; i < rows.length; i++) {
		const cells = rows[i];
		for (let k = 0; k < columns.length; k++) {
			const cell = cells[columns[k]];
			const value = cell === undefined ? null : decimal(cell, decimalComma);
			if (value === null) throw notANumber(table, i, columns[k], fileName);
			out[k][i] = value;
		}
	}
	return out;
}

/** A cell as a message shows it: one with a quote that is not closed is the rest of the file. */
const shortened = (cell: string) => (cell.length > MOST_SHOWN ? `${cell.slice(0, MOST_SHOWN)}…` : cell);

function notANumber(table: Table, row: number, column: number, fileName: string): InputError {
	const cell = table.rows[row][column];
	const line = table.lines[row];
	return new InputError(
		'not-a-number',
		`line.${line}`,
		`${fileName}, line ${line}, ${table.headers[column] ?? `column ${column + 1}`}: ${cell === undefined ? 'the line is cut short' : `"${shortened(cell)}" is not a number`}.`,
	);
}
