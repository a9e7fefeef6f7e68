import type { Quantity } from '$lib/words/units';
import type { Draft } from '$lib/schema/common';
import type { Option } from './options';

interface Shared<T, V> {
	id: string;
	label: string;
	/** Below the field; may follow what is entered elsewhere. */
	note?: string | ((record: T) => string);
	/** Asked of such records only; of all where it is left out. */
	when?: (record: T) => boolean;
	/** Null: nothing is entered. */
	get: (record: T) => V | null;
	/** What changes in the record; nothing where the field may not be empty. */
	set: (record: T, value: V | null) => Draft<T>;
}

/** One field of a record: where it lies in it, and how it is entered. Quantities are in SI units. */
export type RecordField<T> =
	| (Shared<T, string> & { kind: 'text'; max: number; rows?: number; type?: 'date'; placeholder?: string })
	| (Shared<T, number> & {
			kind: 'number';
			/** A quantity is shown in the pilot's unit; any other number in the one given. */
			of?: Quantity;
			unit?: string;
			min?: number;
			max?: number;
			required?: boolean;
			decimals?: number;
	  })
	| (Shared<T, string> & { kind: 'choice'; options: readonly Option[]; none?: string | ((record: T) => string) })
	| (Shared<T, string> & { kind: 'few'; options: readonly (Option & { note?: string })[]; stacked?: boolean })
	| (Shared<T, boolean> & { kind: 'yes-no' });

type Of<T, K extends RecordField<T>['kind']> = Extract<RecordField<T>, { kind: K }>;
type More<T, K extends RecordField<T>['kind']> = Partial<
	Omit<Of<T, K>, 'kind' | 'id' | 'label' | 'get' | 'set' | 'options' | 'of'>
>;
/** Keys of a record under which such values lie. */
type KeyOf<T, V> = { [K in keyof T]-?: [NonNullable<T[K]>] extends [V] ? K : never }[keyof T] & string;

/** A record's value under a key, and the change that writes one; emptied, it is left as it was where it is required. */
const at = <T, V>(key: keyof T & string, { required = false, whole = false } = {}) => ({
	id: key,
	get: (record: T) => (record[key] ?? null) as V | null,
	set: (_: T, value: V | null): Draft<T> =>
		value === null && required
			? {}
			: ({ [key]: value === null ? undefined : whole ? Math.round(Number(value)) : value } as Draft<T>),
});

/** Makers of the fields of one kind of record: keys and choices are known to the compiler. */
export const fieldsOf = <T extends object>() => ({
	/** A text; emptied it is left out, or stays as an empty one where the record always has it (`always`). */
	text: (
		key: KeyOf<T, string>,
		label: string,
		max: number,
		{ always = false, ...more }: More<T, 'text'> & { always?: boolean } = {},
	): Of<T, 'text'> => {
		const place = at<T, string>(key);
		const set: Of<T, 'text'>['set'] = (record, value) => place.set(record, always ? (value ?? '') : value || null);
		return { kind: 'text', label, max, ...place, set, ...more };
	},
	number: (
		key: KeyOf<T, number>,
		label: string,
		unit: string,
		{ whole = false, ...more }: More<T, 'number'> & { whole?: boolean } = {},
	): Of<T, 'number'> => ({
		kind: 'number',
		label,
		unit,
		...at<T, number>(key, { required: more.required ?? false, whole }),
		...more,
	}),
	quantity: (key: KeyOf<T, number>, label: string, of: Quantity, more: More<T, 'number'> = {}): Of<T, 'number'> => ({
		kind: 'number',
		label,
		of,
		...at<T, number>(key, { required: more.required ?? false }),
		...more,
	}),
	choice: <K extends KeyOf<T, string>>(
		key: K,
		label: string,
		options: readonly Option<NonNullable<T[K]> & string>[],
		more: More<T, 'choice'> = {},
	): Of<T, 'choice'> => ({ kind: 'choice', label, options, ...at<T, string>(key), ...more }),
	/** A few choices, all in sight; `usual` is shown as chosen where none is. */
	few: <K extends KeyOf<T, string>>(
		key: K,
		label: string,
		options: readonly (Option<NonNullable<T[K]> & string> & { note?: string })[],
		{ usual, ...more }: More<T, 'few'> & { usual?: (record: T) => NonNullable<T[K]> & string } = {},
	): Of<T, 'few'> => {
		const place = at<T, string>(key);
		return {
			kind: 'few',
			label,
			options,
			...place,
			get: (record) => place.get(record) ?? usual?.(record) ?? null,
			...more,
		};
	},
	yesNo: (key: KeyOf<T, boolean>, label: string, more: More<T, 'yes-no'> = {}): Of<T, 'yes-no'> => ({
		kind: 'yes-no',
		label,
		...at<T, boolean>(key),
		...more,
	}),
});

/** Fields of a part of a record, as fields of the record; a value that was taken out of the part is left out. */
export function inside<T extends object, K extends keyof T & string>(
	key: K,
	fields: readonly RecordField<NonNullable<T[K]>>[],
): RecordField<T>[] {
	type Part = NonNullable<T[K]>;
	const partOf = (record: T) => (record[key] ?? {}) as Part;
	return fields.map((field) => {
		const { note, when } = field;
		return {
			...field,
			id: `${key}.${field.id}`,
			...(typeof note === 'function' ? { note: (record: T) => note(partOf(record)) } : {}),
			...(when ? { when: (record: T) => when(partOf(record)) } : {}),
			get: (record: T) => field.get(partOf(record)),
			set: (record: T, value: never) => {
				const part = Object.entries({ ...partOf(record), ...field.set(partOf(record), value) });
				return { [key]: Object.fromEntries(part.filter(([, one]) => one !== undefined)) } as Draft<T>;
			},
		} as unknown as RecordField<T>;
	});
}

/** What a schema refused, by the label of its field. */
export function refusal<T>(
	issue: { path: readonly PropertyKey[]; message: string },
	fields: readonly RecordField<T>[],
): string {
	const path = issue.path.join('.');
	const field = fields.find(({ id }) => id === path) ?? fields.find(({ id }) => id === String(issue.path[0]));
	return `${field?.label ?? path}: ${issue.message}`;
}
