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
	for (const raw of Papa.parse<string[]>(body, { delimiter, skipEmptyLines: false }).data) {
		line++;
		const cells = raw.map((cell) => cell.trim());
		if (cells.every((cell) => cell === '') || cells[0].startsWith('#')) continue;
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
 * A column as numbers.
 * @throws InputError with path `line.N` for a cell that is not a finite number: empty, NaN, text, a line cut short.
 */
export function numbersOf(table: Table, column: number, fileName: string): Float64Array {
	const out = new Float64Array(table.rows.length);
	for (let i = 0; i < out.length; i++) {
		const cell = table.rows[i][column];
		const text = table.decimalComma ? cell?.replace(',', '.') : cell;
		if (text === undefined || !NUMBER.test(text)) {
			const what = cell === undefined ? 'the line is cut short' : `"${cell}" is not a number`;
			throw new InputError(
				'not-a-number',
				`line.${table.lines[i]}`,
				`${fileName}, line ${table.lines[i]}, ${table.headers[column] ?? `column ${column + 1}`}: ${what}.`,
			);
		}
		out[i] = Number(text);
	}
	return out;
}
