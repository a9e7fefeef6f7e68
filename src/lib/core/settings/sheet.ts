import { InputError } from '../finding/inputError';
import type { SettingsSnapshot } from '../../schema/records';

export type SettingValue = SettingsSnapshot['values'][number];

/** Words that command lines begin with, and no setting is called. */
const COMMANDS = /^(set|param|parameter|write)\s+/i;
const COMMENT = /^(#|\/\/|;|\*)/;
const LONGEST = 120;
const MOST_LINES = 5000;

/**
 * Lines of settings as any program writes them: `name value`, `name = value`, `name: value`, `name,value`, with or without a
 * command word before; comments and empty lines are passed over. Of a name that stands twice the later value counts.
 * @throws InputError naming the line that is no name with a value.
 */
export function readSettings(text: string): SettingValue[] {
	const found = new Map<string, string>();
	const lines = text.split(/\r\n|\r|\n/);
	if (lines.length > MOST_LINES)
		throw new InputError('too-large', 'settings', `More than ${MOST_LINES} lines: this is no sheet of settings.`);
	lines.forEach((raw, k) => {
		const line = raw.trim().replace(COMMANDS, '');
		if (line === '' || COMMENT.test(line)) return;
		const [, name, value] = /^([^\s=:,;]+)\s*[=:,;\s]\s*(.+)$/.exec(line) ?? [];
		if (!name || value === undefined)
			throw new InputError(
				'no-value',
				`line.${k + 1}`,
				`Line ${k + 1}, "${line.slice(0, 40)}", is no name with a value.`,
			);
		found.set(name.slice(0, LONGEST), value.trim().slice(0, LONGEST));
	});
	if (found.size === 0) throw new InputError('empty', 'settings', 'There is no setting in it.');
	return [...found].map(([name, value]) => ({ name, value }));
}

export interface SettingChange {
	name: string;
	/** Null where it was not there. */
	before: string | null;
	/** Null where it is not there any more. */
	after: string | null;
}

const same = (a: string, b: string): boolean =>
	a === b || (a.trim() !== '' && b.trim() !== '' && Number(a) === Number(b));

/** What differs between two sheets, in the order of the later one, what is gone last; 1 and 1.0 are the same. */
export function settingChanges(before: readonly SettingValue[], after: readonly SettingValue[]): SettingChange[] {
	const was = new Map(before.map(({ name, value }) => [name, value]));
	const is = new Set(after.map(({ name }) => name));
	return [
		...after.flatMap(({ name, value }): SettingChange[] => {
			const old = was.get(name);
			return old !== undefined && same(old, value) ? [] : [{ name, before: old ?? null, after: value }];
		}),
		...before.flatMap(({ name, value }) => (is.has(name) ? [] : [{ name, before: value, after: null }])),
	];
}

/** What puts a sheet back as it was: the earlier values of what was changed or taken out, a line each. */
export const rollBack = (changes: readonly SettingChange[]): string =>
	changes.flatMap(({ name, before }) => (before === null ? [] : [`${name} = ${before}`])).join('\n');
