import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { FIGURES, type FigureName, type FigureRule } from './catalogue';
import { figure, figureId, findFigure, idOf, ruleOf, valueIn } from './figure';

const RULES = Object.entries(FIGURES) as [FigureName, FigureRule][];
/** Kinds of entries by which figures came into the frozen records. */
interface Frozen {
	entries: { payload: { kind: string; figures?: { id?: string; label: string; unit: string }[] } }[];
}

describe('figure: ids of the catalogue', () => {
	it('no two figures share a label and a unit, today or in earlier records', () => {
		const seen = new Map<string, string>();
		for (const [name, { label, unit, was = [] }] of RULES)
			for (const text of new Set([label, ...was])) {
				const key = `${text} in ${unit}`;
				expect(text === '{part}' ? undefined : seen.get(key), key).toBeUndefined();
				seen.set(key, name);
			}
	});

	it('a figure made today and one with its label alone have the same id', () => {
		for (const [name, { label, was = [] }] of RULES) {
			if (label === '{part}') continue;
			const made = figure(name, 1, label.includes('{part}') ? { part: 'x' } : {});
			for (const text of [label, ...was])
				expect(idOf({ label: text.replace('{part}', 'x'), unit: made.unit }), text).toBe(made.id);
		}
	});

	it('every figure of the frozen records has one, but those of causes that the catalogue never named', () => {
		const folder = 'src/lib/core/record/frozen';
		const unknown = new Set<string>();
		for (const file of readdirSync(folder).filter((name) => name.endsWith('.json'))) {
			const { entries } = JSON.parse(readFileSync(`${folder}/${file}`, 'utf8')) as Frozen;
			for (const { payload } of entries)
				for (const one of payload.figures ?? [])
					if (ruleOf(idOf(one)) === null) unknown.add(`${one.label} ${one.unit}`);
		}
		expect([...unknown]).toEqual([]);
	});
});

describe('figure: earlier records', () => {
	it('a motor keeps its temperatures when its layout is entered later', () => {
		const before = { label: 'Motor 1', value: 41, unit: '°C' };
		const after = { label: 'Motor 1, front left', value: 43, unit: '°C' };
		const today = figure('temperature', 44, { part: 'motor-1', name: 'Motor 1, front left' });
		expect([before, after, today].map(idOf)).toEqual(Array(3).fill(figureId('temperature', 'motor-1')));
		expect(valueIn([before], 'temperature', 'motor-1')).toBe(41);
	});

	it('a label that nobody knows keeps an id of its own', () => {
		expect(idOf({ label: 'Odd thing', unit: 'furlongs' })).toBe('label/odd-thing');
		expect(findFigure([{ label: 'Odd thing', value: 1, unit: '' }], 'hdop')).toBeUndefined();
		expect(valueIn([], 'hdop')).toBeNull();
	});
});

describe('figure: what is recorded', () => {
	it('no uncertainty, digits or note stands where there is none', () => {
		expect(figure('hdop', 0.8, { sigma: null })).toEqual({ id: 'hdop', label: 'HDOP', value: 0.8, unit: '' });
		expect(figure('gyro-bias', 0.1, { part: 'x', sigma: 0.02, digits: 3, note: 'n' })).toEqual({
			id: 'gyro-bias/x',
			label: 'Bias x',
			value: 0.1,
			unit: '°/s',
			sigma: 0.02,
			digits: 3,
			note: 'n',
		});
	});
});
