import { z } from 'zod';
import { InputError } from '$lib/core/finding/inputError';
import type {
	CellField,
	ChoiceField,
	Compute,
	Field,
	Finding,
	Input,
	NumberField,
	Progress,
	Row,
	RowsField,
	Values,
} from './instrument';

type CellValue<F> = F extends { kind: 'number'; optional: true }
	? number | null
	: F extends { kind: 'number' }
		? number
		: F extends { kind: 'choice'; options: readonly { value: infer V }[] }
			? V
			: string;

type FieldValue<F> = F extends { kind: 'rows'; of: readonly (infer C)[] }
	? readonly { [K in C as K extends { id: infer I extends string } ? I : never]: CellValue<K> }[]
	: CellValue<F>;

/** What a form that is filled in holds, by the ids of its fields. */
export type FormOf<F extends readonly Field[]> = {
	[K in F[number] as K extends { id: infer I extends string } ? I : never]: FieldValue<K>;
};

/** A form, its ids and choices known to the compiler. */
export const form = <const F extends readonly Field[]>(fields: F): F => fields;

/** A number to be typed. */
export const number = <const I extends string, const M extends Partial<NumberField> = object>(
	id: I,
	label: string,
	unit: string,
	start: number | null,
	more: M = {} as M,
) => ({ kind: 'number' as const, id, label, unit, start, ...more });

/** A height or a distance, shown in the pilot's own unit. */
export const metres = <const I extends string>(id: I, label: string, start: number, max = 1000) =>
	number(id, label, 'm', start, { quantity: 'height', min: 0, max });

/** A speed, shown in the pilot's own unit. */
export const speed = <const I extends string>(id: I, label: string, start: number, max = 100) =>
	number(id, label, 'm/s', start, { quantity: 'speed', min: 0, max });

/** One of some, by value and label. */
export const choice = <
	const I extends string,
	O extends Record<string, string>,
	const M extends Pick<Partial<ChoiceField>, 'usual'> = object,
>(
	id: I,
	label: string,
	options: O,
	start: keyof O & string,
	more: M = {} as M,
) => ({
	kind: 'choice' as const,
	id,
	label,
	options: (Object.entries(options) as [keyof O & string, string][]).map(([value, l]) => ({ value, label: l })),
	start,
	...more,
});

/** A text. */
export const text = <const I extends string>(id: I, label: string, start: string) => ({
	kind: 'text' as const,
	id,
	label,
	start,
});

/** A list of alike things, each called `one`. */
export const rows = <const I extends string, const C extends readonly CellField[]>(
	id: I,
	label: string,
	one: string,
	of: C,
	start: readonly Row[],
) => ({ kind: 'rows' as const, id, label, one, of, start });

function cellSchema(field: CellField): z.ZodType {
	if (field.kind === 'text') return z.string();
	if (field.kind === 'choice')
		return z.enum(
			field.options.map(({ value }) => value),
			{ error: `${field.label}: choose one.` },
		);
	const value = z.number({ error: `${field.label}: needs a number.` });
	return field.optional ? value.nullable() : value;
}

const shapeOf = (fields: readonly CellField[]) => Object.fromEntries(fields.map((f) => [f.id, cellSchema(f)]));

/** The schema of a form, made from the form itself. */
const schemaOf = (fields: readonly Field[]) =>
	z.object(
		Object.fromEntries(fields.map((f) => [f.id, f.kind === 'rows' ? z.array(z.object(shapeOf(f.of))) : cellSchema(f)])),
	);

/** The first thing that keeps a form from being worked out, as path and sentence; null where nothing does. */
export function missingIn(fields: readonly Field[], values: Values): { id: string; message: string } | null {
	const issue = schemaOf(fields).safeParse(values).error?.issues[0];
	if (!issue) return null;
	const list = fields.find((f): f is RowsField => f.kind === 'rows' && f.id === issue.path[0]);
	const where = list && typeof issue.path[1] === 'number' ? `${list.label}, ${issue.path[1] + 1}: ` : '';
	return { id: issue.path.join('.'), message: where + issue.message };
}

/** A form as it was filled in, checked. @throws InputError naming the first field that does not do. */
function formOf<F extends readonly Field[]>(fields: F, values: Values): FormOf<F> {
	const missing = missingIn(fields, values);
	if (missing) throw new InputError('missing', missing.id, missing.message);
	return values as FormOf<F>;
}

/** How an instrument works its finding out from its own form, checked, and from what else was put in. */
export const working =
	<F extends readonly Field[]>(
		fields: F,
		work: (input: Input & { form: FormOf<F> }, progress?: Progress) => Promise<Finding> | Finding,
	): Compute =>
	async (input, progress) =>
		work({ ...input, form: formOf(fields, input.values) }, progress);
