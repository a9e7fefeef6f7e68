import { MOST_READING } from '../../schema/common';
import { InputError } from '../finding/inputError';
import { median } from '../math/statistics';
import { firstRows, numbersOf, type Table } from './csv';
import { CLOCK, GPS_WEEK, ISO, WEEK_NAME, type Role } from './logRoles';

const WEEK_S = 604_800;
const DAY_S = 86_400;
const CLOCK_TIME = /^(\d{1,2}):(\d{2}):(\d{2}([.,]\d+)?)$/;
const ISO_TIME = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}/;

export interface ColumnChoice {
	column: number;
	unit: string;
}

export type Choices = Record<string, ColumnChoice>;

export interface Guess {
	choices: Choices;
	/** Groups whose unit neither the header nor the size of the values tells. */
	unclear: string[];
}

const UNIT_WORDS: Record<string, string> = {
	ut: 'µT',
	µt: 'µT',
	μt: 'µT',
	microtesla: 'µT',
	mg: 'mG',
	mgauss: 'mG',
	milligauss: 'mG',
	gauss: 'G',
	nt: 'nT',
	nanotesla: 'nT',
	s: 's',
	sec: 's',
	seconds: 's',
	ms: 'ms',
	us: 'µs',
	µs: 'µs',
	'm/s2': 'm/s²',
	'm/s^2': 'm/s²',
	'm/s²': 'm/s²',
	mps2: 'm/s²',
	g: 'g',
	'rad/s': 'rad/s',
	radps: 'rad/s',
	'deg/s': '°/s',
	'°/s': '°/s',
	dps: '°/s',
	m: 'm',
	ft: 'ft',
	deg: '°',
	'°': '°',
	rad: 'rad',
	a: 'A',
	ma: 'mA',
	'%': '%',
	'0..1': '0 to 1',
	'0 to 1': '0 to 1',
	'm/s': 'm/s',
	'gps s': GPS_WEEK,
	'gps week s': GPS_WEEK,
	v: 'V',
	mv: 'mV',
	volt: 'V',
	volts: 'V',
	'km/h': 'km/h',
	kmh: 'km/h',
	kph: 'km/h',
	kt: 'kt',
	kts: 'kt',
	knots: 'kt',
	c: '°C',
	'°c': '°C',
	iso: ISO,
	'iso 8601': ISO,
};

/** Name and unit of a header such as "mag_x [uT]", "Gyro Z (deg/s)" or "time_ms". */
function splitHeader(header: string): { name: string; unit: string | null } {
	const bracket = /^(.*?)[\s_]*[[(]([^\])]+)[\])]\s*$/.exec(header);
	const tail = /^(.+)_(ut|mg|gauss|nt|ms|us|mps2|radps|dps|deg|ft)$/i.exec(header);
	const [name, unit] = bracket ? [bracket[1], bracket[2]] : tail ? [tail[1], tail[2]] : [header, ''];
	return {
		name: name
			.trim()
			.toLowerCase()
			.replace(/[\s-]+/g, '_'),
		unit: UNIT_WORDS[unit.trim().toLowerCase()] ?? null,
	};
}

/** The unit of a time column where its cells or its name tell it; null for anything else. */
function timeUnit(table: Table, { group }: Role, column: number, name: string): string | null {
	if (group !== 'time') return null;
	const seen = firstRows(table, 5);
	if (seen.length > 0 && seen.every((row) => ISO_TIME.test(row[column] ?? ''))) return ISO;
	if (seen.length > 0 && seen.every((row) => CLOCK_TIME.test(row[column] ?? ''))) return CLOCK;
	return WEEK_NAME.test(name) ? GPS_WEEK : null;
}

/** The unit whose factor brings the middle of the values nearest to what is usual; null where two are as near. */
function unitBySize(values: number[], of: Role): string | null {
	if (of.typical === undefined || values.length === 0) return null;
	const typical = of.typical;
	const size = median(values);
	const ranked = Object.entries(of.units)
		.map(([unit, factor]) => ({ unit, off: Math.abs(Math.log10((size * factor || 1e-12) / typical)) }))
		.sort((a, b) => a.off - b.off);
	return ranked[0].off < 0.35 ? ranked[0].unit : null;
}

/** Stick values tell their unit by their size: within ±1.2, within ±125, or pulse widths. */
function channelUnit(table: Table, columns: readonly number[]): string | null {
	const values = firstRows(table, 2000).flatMap((row) => columns.map((c) => Number((row[c] ?? '').replace(',', '.'))));
	const most = Math.max(...values.filter(Number.isFinite).map(Math.abs));
	if (most <= 1.2) return '−1 to 1';
	if (most <= 125) return '%';
	return most > 700 && most < 2400 ? 'pulse µs' : null;
}

/** Guesses which column is what, and in which unit: from headers first, from sizes where they are silent. */
export function guessColumns(table: Table, roles: readonly Role[]): Guess {
	const headers = table.headers.map(splitHeader);
	const choices: Choices = {};
	for (const r of roles) {
		const column = headers.findIndex(({ name }) => r.patterns.test(name));
		if (column >= 0)
			choices[r.name] = {
				column,
				unit: timeUnit(table, r, column, headers[column].name) ?? headers[column].unit ?? '',
			};
	}
	const unclear = new Set<string>();
	for (const group of new Set(roles.map((r) => r.group))) {
		const own = roles.filter((r) => r.group === group && choices[r.name]);
		const silent = own.filter((r) => !(choices[r.name].unit in r.units));
		if (silent.length === 0) continue;
		const [first] = silent;
		const names = Object.keys(first.units);
		let unit = names.length === 1 ? names[0] : null;
		if (unit === null && first.typical !== undefined && own.length === 3) {
			const sizes = firstRows(table, 500).map((row) => {
				const parts = own.map((r) => Number((row[choices[r.name].column] ?? '').replace(',', '.')));
				return Math.hypot(...parts);
			});
			unit = unitBySize(sizes.filter(Number.isFinite), first);
		}
		if (unit === null && group === 'channel')
			unit = channelUnit(
				table,
				own.map((r) => choices[r.name].column),
			);
		if (unit === null) unclear.add(group);
		for (const r of silent) choices[r.name].unit = unit ?? names[0];
	}
	return { choices, unclear: [...unclear] };
}

/** ISO 8601 times as seconds since 1970; without a zone they are taken as UTC. */
function isoSeconds(table: Table, column: number, fileName: string): Float64Array {
	return Float64Array.from({ length: table.count }, (_, i) => {
		const cell = table.row(i)[column] ?? '';
		const text = cell.replace(' ', 'T');
		const at = Date.parse(/(Z|[+-]\d{2}:?\d{2})$/.test(text) ? text : `${text}Z`);
		if (Number.isFinite(at)) return at / 1000;
		throw new InputError(
			'not-a-time',
			`line.${table.lines[i]}`,
			`${fileName}, line ${table.lines[i]}, ${table.headers[column]}: "${cell}" is not a time.`,
		);
	});
}

/** Times of day as seconds that go on past midnight. @throws InputError naming the line. */
function clockSeconds(table: Table, column: number, fileName: string): Float64Array {
	const t = Float64Array.from({ length: table.count }, (_, i) => {
		const cell = table.row(i)[column] ?? '';
		const found = CLOCK_TIME.exec(cell);
		if (found) return Number(found[1]) * 3600 + Number(found[2]) * 60 + Number(found[3].replace(',', '.'));
		throw new InputError(
			'not-a-time',
			`line.${table.lines[i]}`,
			`${fileName}, line ${table.lines[i]}, ${table.headers[column]}: "${cell.slice(0, 40)}" is not a time of day.`,
		);
	});
	unroll(t, DAY_S);
	return t;
}

/** Rows that a clock of whole seconds gives one time to are spread evenly until the next. */
function spreadAlike(t: Float64Array): void {
	for (let i = 0; i < t.length;) {
		let past = i + 1;
		while (past < t.length && t[past] === t[i]) past++;
		const alike = past - i;
		const gap = past < t.length ? Math.min(1, t[past] - t[i]) : 1;
		if (gap > 0) for (let k = 1; k < alike; k++) t[i + k] += (gap * k) / alike;
		i = past;
	}
}

/** The end of a week or a day within the log: what falls back by more than half of it goes on in the next. */
function unroll(t: Float64Array, spanS: number): void {
	let weeks = 0;
	let before = t[0];
	for (let i = 1; i < t.length; i++) {
		const raw = t[i];
		if (before - raw > spanS / 2) weeks++;
		before = raw;
		t[i] = raw + weeks * spanS;
	}
}

/**
 * Columns in SI units (µT for fields) under the roles' names; time in seconds from the first row, strictly increasing.
 * @throws InputError naming role, line or unit.
 */
export function takeColumns(
	table: Table,
	roles: readonly Role[],
	choices: Choices,
	fileName: string,
): Record<string, Float64Array> {
	const taken = roles.flatMap((r) => {
		const choice = choices[r.name];
		if (!choice) {
			if (r.required) throw new InputError('column-missing', r.name, `${fileName}: say which column is ${r.label}.`);
			return [];
		}
		const factor = r.units[choice.unit];
		if (factor === undefined)
			throw new InputError('unit-missing', r.name, `${fileName}: say which unit ${r.label} has.`);
		return [{ name: r.name, group: r.group, ...choice, factor, offset: r.offsets?.[choice.unit] ?? 0 }];
	});
	const out: Record<string, Float64Array> = {};
	const numeric = taken.filter(({ unit }) => unit !== ISO && unit !== CLOCK);
	const columns = numbersOf(
		table,
		numeric.map(({ column }) => column),
		fileName,
	);
	numeric.forEach(({ name, group, column, factor, offset, unit }, k) => {
		const values = columns[k];
		if (unit === GPS_WEEK) unroll(values, WEEK_S);
		const most = group === 'time' ? Infinity : MOST_READING;
		for (let i = 0; i < values.length; i++) {
			values[i] = values[i] * factor + offset;
			if (Math.abs(values[i]) <= most) continue;
			throw new InputError(
				'out-of-range',
				`line.${table.lines[i]}`,
				`${fileName}, line ${table.lines[i]}, ${table.headers[column] ?? `column ${column + 1}`}: no sensor shows "${table.row(i)[column]}".`,
			);
		}
		out[name] = values;
	});
	for (const { name, unit, column } of taken) {
		if (unit !== ISO && unit !== CLOCK) continue;
		out[name] = (unit === ISO ? isoSeconds : clockSeconds)(table, column, fileName);
		spreadAlike(out[name]);
	}
	const { t } = out;
	if (t) {
		const first = t[0];
		for (let i = 0; i < t.length; i++) {
			t[i] -= first;
			if (i > 0 && !(t[i] > t[i - 1]))
				throw new InputError(
					'time-not-increasing',
					`line.${table.lines[i]}`,
					`${fileName}, line ${table.lines[i]}: time does not increase. A log must be in order, without repeated rows.`,
				);
		}
	}
	return out;
}

const PAIR = /^([+-]?\d+(?:\.\d+)?)[\s,;/]+([+-]?\d+(?:\.\d+)?)$/;
const PAIR_NAME = /^(gps|position|pos|coord(inate)?s?|lat_?lon(g)?|location|gps_?(pos(ition)?|coord(inate)?s?))$/;
const SNIFFED = 200;

/**
 * A table whose one column holds latitude and longitude together, as radios write them, with two columns instead; rows from before the
 * first fix, where it is empty, are left out and counted. Any other table as it is.
 */
export function withPairsSplit(table: Table): { table: Table; dropped: number } {
	const column = table.headers.findIndex((header, k) => {
		if (!PAIR_NAME.test(splitHeader(header).name)) return false;
		const filled = firstRows(table, SNIFFED).flatMap((row) => row[k] || []);
		return filled.length > 0 && filled.every((cell) => PAIR.test(cell));
	});
	if (column < 0) return { table, dropped: 0 };
	const all = firstRows(table, table.count);
	const kept = [...all.keys()].filter((i) => (all[i][column] ?? '') !== '');
	const split = (cells: readonly string[], pair: readonly string[]) => cells.toSpliced(column, 1, ...pair);
	const headers = split(table.headers, ['lat', 'lon']);
	const { decimalComma } = table;
	return {
		table: {
			headers,
			decimalComma,
			count: kept.length,
			row: (i) => {
				const cells = all[kept[i]];
				const found = PAIR.exec(cells[column]);
				return split(cells, found ? [found[1], found[2]] : [cells[column], '']);
			},
			lines: Uint32Array.from(kept, (i) => table.lines[i]),
			layout: headers.join(' | '),
		},
		dropped: table.count - kept.length,
	};
}
