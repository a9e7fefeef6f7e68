import Papa from 'papaparse';
import type { Figure } from '$lib/core/figures/figure';
import { describe, expect, it } from 'vitest';
import { guessColumns, takeColumns } from '$lib/core/record/columns';
import { readTable } from '$lib/core/record/csv';
import { INSTRUMENTS } from './catalogue';
import { computeOf } from './computes';
import { exampleValues, type Finding, type Input, type Instrument, type Sample } from './instrument';

/** A log as header and numbers. */
interface Log {
	fields: string[];
	rows: number[][];
}

/** Units of a header and the same quantity in another. */
const OTHER_UNITS: Record<string, [unit: string, perUnit: number]> = {
	s: ['ms', 1000],
	'm/s2': ['g', 1 / 9.80665],
	uT: ['mG', 10],
	'rad/s': ['deg/s', 180 / Math.PI],
};
const HEADER = /^(.*) \[(.*)\]$/;

/** What must change nothing of a finding. */
const CHANGES: Record<string, (log: Log) => Log> = {
	'beginning at another time': ({ fields, rows }) => ({
		fields,
		rows: rows.map(([t, ...rest]) => [t + 5000, ...rest]),
	}),
	'written in other units': ({ fields, rows }) => {
		const other = fields.map((field) => {
			const [, name, unit] = HEADER.exec(field) ?? [];
			const found = unit ? OTHER_UNITS[unit] : undefined;
			return found ? { field: `${name} [${found[0]}]`, factor: found[1] } : { field, factor: 1 };
		});
		return {
			fields: other.map(({ field }) => field),
			rows: rows.map((row) => row.map((value, k) => value * other[k].factor)),
		};
	},
	'with its columns in another order': ({ fields, rows }) => ({
		fields: fields.toReversed(),
		rows: rows.map((row) => row.toReversed()),
	}),
	'with a column that nobody knows': ({ fields, rows }) => ({
		fields: [...fields, 'zz_unknown'],
		rows: rows.map((row, k) => [...row, (k * 7) % 13]),
	}),
};

/** The same log as other programs write it. */
const DIALECTS: Record<string, (log: Log) => string> = {
	'semicolons and decimal commas': ({ fields, rows }) =>
		[fields.join(';'), ...rows.map((row) => row.map((v) => String(v).replace('.', ',')).join(';'))].join('\n'),
	'tabs, and lines that end as on other systems': ({ fields, rows }) =>
		[fields.join('\t'), ...rows.map((row) => row.join('\t'))].join('\r\n'),
	'quotes, a byte-order mark and a note before it': ({ fields, rows }) =>
		`\uFEFF# written by hand\n${Papa.unparse({ fields, data: rows }, { newline: '\n', quotes: true })}\n`,
};

async function findingOf(instrument: Instrument, sample: Sample, text: string): Promise<Finding> {
	if (instrument.file?.kind !== 'table') throw new Error('no table');
	const table = readTable(text, 'log.csv');
	const { choices } = guessColumns(table, instrument.file.roles);
	const input: Input = {
		values: { ...exampleValues(instrument.fields), ...sample.values },
		taken: takeColumns(table, instrument.file.roles, choices, 'log.csv'),
		file: new File([text], 'log.csv'),
		site: { name: 'Saltings Field', latDeg: 54.21, lonDeg: -3.06, altM: 12 },
		date: '2026-05-14',
		units: 'metric',
	};
	return (await computeOf(instrument.id))(input);
}

/** Rounding of a log's decimals may move a window by a reading: a thousandth, and never a twentieth of what is uncertain. */
const close = ({ label, value: a, sigma }: Figure, b: number | null) => {
	if (a === null || b === null) return expect(a, label).toBe(b);
	const most = Math.max(1e-3 * Math.abs(a) + 1e-3, 0.05 * (sigma ?? 0));
	expect(Math.abs(a - b), `${label}: ${a} and ${b}`).toBeLessThanOrEqual(most);
};

const tables = INSTRUMENTS.filter(({ file }) => file?.kind === 'table').flatMap((instrument) =>
	instrument.samples
		.filter(({ file }) => file)
		.map((sample) => [`${instrument.id}, ${sample.label}`, instrument, sample] as const),
);

describe.each(tables)('%s', (_, instrument, sample) => {
	it.each(Object.keys(CHANGES))('%s says the same', async (change) => {
		const file = await sample.file?.(1);
		if (!file) throw new Error('no file');
		const text = await file.text();
		const { data, meta } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
		const fields = meta.fields ?? [];
		const log = { fields, rows: data.map((row) => fields.map((field) => Number(row[field]))) };
		const { fields: header, rows } = CHANGES[change](log);
		const before = await findingOf(instrument, sample, text);
		const after = await findingOf(instrument, sample, Papa.unparse({ fields: header, data: rows }, { newline: '\n' }));
		expect(after.verdict).toBe(before.verdict);
		expect(after.reasons.map(({ code }) => code)).toEqual(before.reasons.map(({ code }) => code));
		expect(after.figures.map(({ label }) => label)).toEqual(before.figures.map(({ label }) => label));
		before.figures.forEach((figure, k) => close(figure, after.figures[k].value));
	});

	it('written with other marks gives the very same figures', async () => {
		const file = await sample.file?.(1);
		if (!file) throw new Error('no file');
		const { data, meta } = Papa.parse<Record<string, string>>(await file.text(), {
			header: true,
			skipEmptyLines: true,
		});
		const fields = meta.fields ?? [];
		const log = { fields, rows: data.map((row) => fields.map((field) => Number(row[field]))) };
		const plain = await findingOf(instrument, sample, Papa.unparse({ fields, data: log.rows }, { newline: '\n' }));
		for (const [dialect, write] of Object.entries(DIALECTS)) {
			const { verdict, figures, reasons } = await findingOf(instrument, sample, write(log));
			expect({ verdict, figures, reasons }, dialect).toEqual({
				verdict: plain.verdict,
				figures: plain.figures,
				reasons: plain.reasons,
			});
		}
	});
});
