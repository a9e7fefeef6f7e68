import { describe, expect, it } from 'vitest';
import { INSTRUMENTS, LIVE, searchInstruments } from './catalogue';

const first = (text: string) => searchInstruments(text)[0]?.listed.map(({ id }) => id) ?? [];

describe('the shelf of instruments', () => {
	it('finds them by what a pilot would call them', () => {
		expect(first('battery')).toContain('pack');
		expect(first('gimbal')).toContain('horizon');
		expect(first('barometer')[0]).toBe('pressure');
		expect(first('magnetometer calibration')[0]).toBe('compass');
		expect(first('prop wrong')).toContain('ground-response');
		expect(first('centre of gravity')[0]).toBe('balance');
		expect(first('failsafe')).toEqual(expect.arrayContaining(['way-home', 'settings-audit']));
		expect(first('spra')[0]).toBe('flow');
	});
	it('finds nothing for nonsense, and everything for nothing', () => {
		expect(searchInstruments('quasar')).toEqual([]);
		const all = searchInstruments('').flatMap(({ listed }) => listed);
		expect(all).toHaveLength(INSTRUMENTS.length + LIVE.length);
	});
	it('each has its own name, good and bad samples, a method and a first word', () => {
		const ids = [...INSTRUMENTS, ...LIVE].map(({ id }) => id);
		expect(new Set(ids).size).toBe(ids.length);
		for (const { samples, method, opening, fields } of INSTRUMENTS) {
			expect(samples.some(({ bad }) => !bad)).toBe(true);
			expect(samples.some(({ bad }) => bad)).toBe(true);
			expect(method.length).toBeGreaterThan(0);
			expect(opening).not.toBe('');
			const names = new Set(fields.map(({ id }) => id));
			for (const { values = {} } of samples) for (const id of Object.keys(values)) expect(names).toContain(id);
		}
	});
});

it('what is followed live is the recipe that was chosen in the form', () => {
	const plans = (id: string, field: string) => {
		const { fields, coach } = INSTRUMENTS.find((i) => i.id === id) ?? {};
		const choice = fields?.find((f) => f.id === field);
		if (choice?.kind !== 'choice' || !coach) throw new Error(`${id} asks for no ${field}`);
		return choice.options.map(({ value }) => coach.plan({ [field]: value }).id);
	};
	expect(new Set(plans('six-faces', 'recipe')).size).toBe(3);
	expect(new Set(plans('gyro', 'how')).size).toBe(2);
});
