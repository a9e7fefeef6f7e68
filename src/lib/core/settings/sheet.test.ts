import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSettings, rollBack, settingChanges } from './sheet';

describe('pasted settings', () => {
	it.each([
		'return_speed 8',
		'return_speed = 8',
		'set return_speed = 8',
		'return_speed: 8',
		'return_speed,8',
		'  param return_speed\t8  ',
	])('%j is a name with its value', (line) => {
		expect(readSettings(`# from the ground station\n\n${line}\n`)).toEqual([{ name: 'return_speed', value: '8' }]);
	});

	it('keep values of several words, and the later of two', () => {
		expect(readSettings('mode 1 2 HOLD\nmode 0 1 LEVEL')).toEqual([{ name: 'mode', value: '0 1 LEVEL' }]);
	});

	it('name the line that is none', () => {
		expect(() => readSettings('a 1\nnonsense\n')).toThrow('Line 2, "nonsense", is no name with a value.');
		expect(() => readSettings('# nothing\n')).toThrow(/no setting/);
		expect(() => readSettings('a 1\n'.repeat(6000))).toThrow(/More than 5000/);
	});
});

const aName = fc.stringMatching(/^[a-z][a-z0-9_]{0,8}$/).filter((name) => !/^(set|param|parameter|write)$/.test(name));
const aSheet = fc
	.dictionary(aName, fc.integer({ min: -999, max: 999 }).map(String), { maxKeys: 12 })
	.map((sheet) => Object.entries(sheet).map(([name, value]) => ({ name, value })));

describe('two sheets', () => {
	it('differ in nothing from themselves, whatever their order, and 1 is 1.0', () => {
		fc.assert(
			fc.property(aSheet, (sheet) => {
				expect(settingChanges(sheet, sheet.toReversed())).toEqual([]);
				expect(
					settingChanges(
						sheet,
						sheet.map((s) => ({ ...s, value: `${s.value}.0` })),
					),
				).toEqual([]);
			}),
		);
	});

	it('are brought back by the list that rolls back: what was changed or gone has its earlier value again', () => {
		fc.assert(
			fc.property(aSheet, aSheet, (before, after) => {
				const changes = settingChanges(before, after);
				const lines = rollBack(changes);
				const restored = new Map(after.map(({ name, value }) => [name, value]));
				for (const { name, value } of lines ? readSettings(lines) : []) restored.set(name, value);
				for (const { name, value } of before) expect(restored.get(name)).toBe(value);
				for (const { name, before: was, after: is } of changes) expect(was === null && is === null, name).toBe(false);
			}),
		);
	});

	it('say what came, what went and what changed', () => {
		const sheet = (text: string) => readSettings(text);
		expect(settingChanges(sheet('a 1\nb 2'), sheet('b 3\nc 4'))).toEqual([
			{ name: 'b', before: '2', after: '3' },
			{ name: 'c', before: null, after: '4' },
			{ name: 'a', before: '1', after: null },
		]);
	});
});
