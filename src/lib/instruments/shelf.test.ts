import { beforeAll, describe, expect, it } from 'vitest';
import { InputError } from '$lib/core/finding/inputError';
import { guessColumns, takeColumns } from '$lib/core/record/columns';
import { readTable } from '$lib/core/record/csv';
import type { Finding, Input, Instrument, Sample, Values } from './instrument';
import { exampleValues } from './instrument';
import { INSTRUMENTS } from './catalogue';
import { computeOf } from './computes';

const SITE = { name: 'Saltings Field', latDeg: 54.21, lonDeg: -3.06, altM: 12 };
/** Drawing pictures needs a browser: those are tried in one. */
const shelf = INSTRUMENTS.filter(({ file }) => file?.kind !== 'picture');

async function inputOf(instrument: Instrument, sample: Sample, values: Values = {}): Promise<Input> {
	const file = sample.file ? await sample.file(1) : null;
	let taken: Input['taken'] = null;
	if (file && instrument.file?.kind === 'table') {
		const table = readTable(await file.text(), file.name);
		const { choices, unclear } = guessColumns(table, instrument.file.roles);
		expect(unclear, `${instrument.id}, ${sample.id}: units that the header does not tell`).toEqual([]);
		expect(instrument.file.complete(choices), `${instrument.id}, ${sample.id}: columns`).toBe(true);
		taken = takeColumns(table, instrument.file.roles, choices, file.name);
	}
	if (file && instrument.file?.kind === 'sound') taken = { sound: samplesOf(await file.arrayBuffer()) };
	return {
		values: { ...exampleValues(instrument.fields), ...sample.values, ...values },
		taken,
		file,
		site: SITE,
		date: '2026-05-14',
		units: 'metric',
	};
}

/** The samples of an uncompressed recording, as the browser's own decoder gives them. */
const samplesOf = (bytes: ArrayBuffer) => Float64Array.from(new Int16Array(bytes.slice(44)), (v) => v / 32_768);

const finite = (value: number | null | undefined) => value === null || value === undefined || Number.isFinite(value);

function expectWellFormed(finding: Finding): void {
	expect(finding.headline).not.toBe('');
	expect(finding.reasons.length).toBeGreaterThan(0);
	for (const { code, text, level, next, value, limit } of finding.reasons) {
		expect(code).toMatch(/^[a-z0-9-]+$/);
		expect(text).toMatch(/[.!?]$/);
		expect(finite(value) && finite(limit)).toBe(true);
		if (level !== 'pass') expect(next, `${code}: what to do next`).toBeTruthy();
	}
	for (const { label, value, sigma, unit } of finding.figures) {
		expect(label).not.toBe('');
		expect(typeof unit).toBe('string');
		expect(finite(value), `${label}: ${value}`).toBe(true);
		expect(finite(sigma) && (sigma ?? 0) >= 0, `${label}: ± ${sigma}`).toBe(true);
	}
	for (const { value } of finding.kept ?? []) expect(Number.isFinite(value)).toBe(true);
	for (const plot of finding.plots) {
		if (plot.kind === 'lines')
			for (const { points } of plot.lines) for (const { x, y } of points) expect(finite(x) && finite(y)).toBe(true);
		if (plot.kind === 'bars') for (const { value } of plot.bars) expect(finite(value)).toBe(true);
	}
	for (const { columns, rows } of finding.tables) for (const row of rows) expect(row).toHaveLength(columns.length);
	expect(JSON.stringify(finding.answer)).not.toContain('NaN');
}

/** Every reason with a value and a limit that any sample gives. */
const limited: Finding['reasons'][number][] = [];

describe.each(shelf.map((instrument) => [instrument.id, instrument] as const))('%s', (_, instrument) => {
	describe.each(instrument.samples.map((sample) => [sample.label, sample] as const))('given “%s”', (__, sample) => {
		let finding: Finding;
		beforeAll(async () => {
			finding = await (await computeOf(instrument.id))(await inputOf(instrument, sample));
			limited.push(...finding.reasons.filter(({ value, limit }) => value !== undefined && limit !== undefined));
		});

		it(sample.bad ? 'does not pass' : 'holds nothing up', () => {
			if (sample.bad) expect(finding.verdict).not.toBe('pass');
			else if (sample === instrument.samples[0]) expect(finding.verdict).toBe('pass');
			else expect(finding.verdict).not.toBe('fail');
		});

		it('gives finite figures with units, and says what to do about all that is not clear', () => {
			expectWellFormed(finding);
		});
	});

	const numbers = instrument.fields.filter((field) => field.kind === 'number');
	if (numbers.length > 0)
		it.each(numbers.map((field) => [field.label, field] as const))('without “%s”', async (__, field) => {
			const good = instrument.samples.find(({ bad }) => !bad);
			if (!good) throw new Error('no good sample');
			const compute = await computeOf(instrument.id);
			const work = compute(await inputOf(instrument, good, { [field.id]: null }));
			if (field.optional) return expectWellFormed(await work);
			const told = await work.then(
				() => null,
				(error: unknown) => error,
			);
			expect(told).toBeInstanceOf(InputError);
			expect((told as InputError).path).toBe(field.id);
		});
});

/** Values that a form lets through and no day brings: its ends, nothing at all, next to nothing, more than there is. */
const extremes = ({ min, max }: { min?: number; max?: number }) =>
	[min, max, 0, 1e-9, -1, 1, 1e6].filter(
		(value): value is number => value !== undefined && value >= (min ?? -Infinity) && value <= (max ?? Infinity),
	);

describe.each(shelf.map((instrument) => [instrument.id, instrument] as const))(
	'%s with a value that no day brings',
	(_, instrument) => {
		const good = instrument.samples.find(({ bad }) => !bad);
		if (!good) throw new Error('no good sample');
		const settled = async (values: Values) => {
			try {
				expectWellFormed(await (await computeOf(instrument.id))(await inputOf(instrument, good, values)));
			} catch (error) {
				// Refused by its name, or worked out: never a fault of the program.
				if (!(error instanceof InputError)) throw error;
				expect(error.path).not.toBe('');
				expect(error.message).not.toMatch(/undefined|NaN|\[object/);
			}
		};
		const numbers = instrument.fields.filter((field) => field.kind === 'number');
		const choices = instrument.fields.filter((field) => field.kind === 'choice');

		it('in any number is worked out, or refused by its name', async () => {
			for (const field of numbers) for (const value of extremes(field)) await settled({ [field.id]: value });
			expect(numbers.every((field) => extremes(field).length > 0)).toBe(true);
		});

		it('in all numbers at once is worked out, or refused by its name', async () => {
			for (const pick of [0, 1, -1]) {
				const all = numbers.map((field): [string, number] => [
					field.id,
					extremes(field).at(pick) ?? extremes(field)[0],
				]);
				await settled(Object.fromEntries(all));
			}
		});

		it('and every choice that it offers gives a finding', async () => {
			for (const { id, options } of choices) for (const { value } of options) await settled({ [id]: value });
			for (const { options } of choices) expect(options.length).toBeGreaterThan(1);
		});
	},
);

it('green stands beside no figure beyond its limit: what passes lies on one side of it', () => {
	expect(limited.length).toBeGreaterThan(100);
	const sides = new Map<string, Set<number>>();
	for (const { code, value = 0, limit = 0, unit, level } of limited) {
		if (level !== 'pass' || value === limit) continue;
		const key = `${code} ${unit}`;
		sides.set(key, (sides.get(key) ?? new Set()).add(Math.sign(value - limit)));
	}
	for (const [key, seen] of sides) expect([...seen], key).toHaveLength(1);
});

it.each([
	['good', ['compassPitchDeg', 'compassRollDeg', 'compassYawDeg']],
	['tail', []],
])('compass mounting: sample “%s” states %j as settings in force', async (id, keys) => {
	const instrument = INSTRUMENTS.find((one) => one.id === 'compass-module');
	const sample = instrument?.samples.find((one) => one.id === id);
	if (!instrument || !sample) throw new Error('no such sample');
	const { states = [] } = await (await computeOf(instrument.id))(await inputOf(instrument, sample));
	expect(states.map(({ key }) => key).sort()).toEqual(keys);
});
