import type { HoldPlan } from '$lib/core/guide/holds';
import type { Quantity, UnitSystem } from '$lib/core/frames/units';
import { InputError } from '$lib/core/frames/inputError';
import type { Choices } from '$lib/core/record/columns';
import type { Role } from '$lib/core/record/logRoles';
import type { Reason, Verdict } from '$lib/schema/common';
import type { Sensor, Site } from '$lib/schema/records';
import type { RecordedFigure } from '$lib/schema/entries';
import type { RecorderKind } from '$lib/sources/recorder';
import type { Switch } from './FaultPicker.svelte';
import type { Taken } from './tableFlow.svelte';

/** A number the pilot types; kept in SI (or the unit shown), shown in the pilot's own unit where `quantity` is given. */
export interface NumberField {
	kind: 'number';
	id: string;
	label: string;
	unit: string;
	quantity?: Quantity;
	min?: number;
	max?: number;
	optional?: boolean;
	note?: string;
	/** What an example has; a real form opens empty. */
	start: number | null;
	/** A usual value with a source, told in the note: it stands in a real form too. */
	usual?: true;
}

export interface ChoiceField {
	kind: 'choice';
	id: string;
	label: string;
	options: readonly { value: string; label: string }[];
	/** What an example has; a real form opens unanswered. */
	start: string;
	/** How it is measured, not what is so: it is chosen beforehand in a real form too. */
	usual?: true;
}

export interface TextField {
	kind: 'text';
	id: string;
	label: string;
	start: string;
	usual?: true;
}

export type CellField = NumberField | ChoiceField | TextField;
export type Cell = number | string | null;
export type Row = Record<string, Cell>;

/** A list of alike things: nozzles, parts, obstacles. */
export interface RowsField {
	kind: 'rows';
	id: string;
	label: string;
	one: string;
	of: readonly CellField[];
	start: readonly Row[];
}

export type Field = CellField | RowsField;
export type Values = Record<string, Cell | readonly Row[]>;

/** The values of an example: never of a real form. */
export const exampleValues = (fields: readonly Field[]): Values =>
	Object.fromEntries(fields.map(({ id, start }) => [id, start]));

/** Answers that claim nothing. */
const NO_CLAIM: readonly string[] = ['not-tried', 'not-done', 'unknown'];

const blankCell = (field: CellField): Cell => {
	if (field.usual) return field.start;
	if (field.kind === 'number') return null;
	return field.kind === 'choice' && NO_CLAIM.includes(field.start) ? field.start : '';
};
export const blankRow = ({ of }: RowsField): Row => Object.fromEntries(of.map((cell) => [cell.id, blankCell(cell)]));

/** A form as it opens: empty, but for usual values with a source and answers that claim nothing. */
export const blankValues = (fields: readonly Field[]): Values =>
	Object.fromEntries(
		fields.map((field) => [
			field.id,
			field.kind === 'rows' ? (field.start.length > 0 ? [blankRow(field)] : []) : blankCell(field),
		]),
	);

const lacks = (field: CellField, value: Cell | undefined): boolean =>
	field.kind === 'number'
		? !field.optional && typeof value !== 'number'
		: field.kind === 'choice' && !field.options.some((option) => option.value === value);

const wanted = ({ kind, label }: CellField) => `${label}: ${kind === 'number' ? 'needs a number' : 'choose one'}.`;

/** The first field of a form that must still be filled in; null where none. */
export function missingIn(fields: readonly Field[], values: Values): { id: string; message: string } | null {
	for (const field of fields) {
		const value = values[field.id];
		if (field.kind !== 'rows') {
			if (lacks(field, Array.isArray(value) ? null : (value as Cell))) return { id: field.id, message: wanted(field) };
			continue;
		}
		const list = rows(values, field.id);
		for (const [k, row] of list.entries()) {
			const cell = field.of.find((c) => lacks(c, row[c.id]));
			if (cell) return { id: `${field.id}.${k}.${cell.id}`, message: `${field.label}, ${k + 1}: ${wanted(cell)}` };
		}
	}
	return null;
}

/** A number that must be there. @throws InputError naming the field. */
export function num(values: Values | Row, id: string, label = id): number {
	const value = values[id];
	if (typeof value !== 'number') throw new InputError('missing', id, `${label}: needs a number.`);
	return value;
}

export function opt(values: Values | Row, id: string): number | null {
	const value = values[id];
	return typeof value === 'number' ? value : null;
}

export function word(values: Values | Row, id: string): string {
	const value = values[id];
	return typeof value === 'string' ? value : '';
}

export function rows(values: Values, id: string): readonly Row[] {
	const value = values[id];
	return Array.isArray(value) ? value : [];
}

export interface ShownFigure {
	label: string;
	value: number | null;
	unit: string;
	sigma?: number | null;
	digits?: number;
	quantity?: Quantity;
	note?: string;
}

export interface Point {
	x: number;
	y: number;
}

export interface Line {
	label: string;
	points: readonly Point[];
	dashed?: boolean;
}

export type Plot =
	| {
			kind: 'lines';
			title: string;
			xLabel: string;
			yLabel: string;
			lines: readonly Line[];
			/** Drawn across: a value of y that is accepted at most. */
			limits?: readonly { y: number; label: string }[];
			/** Drawn upright: a value of x that is in question. */
			marks?: readonly { x: number; label: string }[];
			log?: boolean;
	  }
	| {
			kind: 'map';
			title: string;
			unit: string;
			points: readonly { north: number; east: number; value: number }[];
			limit: number;
			marks: readonly { north: number; east: number; label: string }[];
	  }
	| {
			kind: 'reach';
			title: string;
			reach: readonly { bearingDeg: number; maxDistanceM: number }[];
			aircraft: { bearingDeg: number; distanceM: number };
			windFromDeg: number;
			obstacles: readonly { bearingDeg: number; distanceM: number }[];
	  }
	| {
			kind: 'bars';
			title: string;
			unit: string;
			digits?: number;
			bars: readonly { label: string; value: number; note?: string }[];
			limit?: { value: number; label: string };
	  }
	| { kind: 'picture'; title: string; line: readonly [number, number, number, number] | null };

export interface Table {
	title: string;
	columns: readonly string[];
	rows: readonly (readonly (string | number | null)[])[];
}

/** What an instrument found: the headline first, then the figures that carry it. */
export interface Finding {
	headline: string;
	verdict: Verdict;
	reasons: readonly Reason[];
	figures: readonly ShownFigure[];
	/** Values that are kept in the record beside the figures, to be compared later. */
	kept?: readonly RecordedFigure[];
	plots: readonly Plot[];
	tables: readonly Table[];
	/** The core's own answer, for the JSON export. */
	answer: unknown;
}

export interface Input {
	values: Values;
	/** Columns of a table in SI units. */
	taken: Taken | null;
	file: File | null;
	/** Where; null where no place was entered. */
	site: Pick<Site, 'name' | 'latDeg' | 'lonDeg' | 'altM'> | null;
	/** Today, YYYY-MM-DD. */
	date: string;
	units: UnitSystem;
}

export interface Context {
	signal: AbortSignal;
	progress: (share: number) => void;
}

export type FileInput =
	| { kind: 'table'; hint: string; roles: readonly Role[]; complete: (choices: Choices) => boolean }
	| { kind: 'text'; hint: string; accept: string }
	| { kind: 'picture'; hint: string };

/** Something to try at once: made by the simulated fleet, or figures to type. `bad` ones show what a refusal looks like. */
export interface Sample {
	id: string;
	label: string;
	bad?: boolean;
	values?: Values;
	file?: (seed: number) => File | Promise<File>;
}

/** One instrument: what it is called, what it takes, how it works and what it says. */
export interface Instrument {
	id: string;
	title: string;
	group:
		'Sensors' | 'Compass' | 'Position and flight' | 'Radio' | 'Power and balance' | 'Payload and camera' | 'Records';
	does: string;
	/** What a pilot would call it, for the search. */
	calls: string;
	opening: string;
	caution?: string;
	method: readonly string[];
	/** The sensor that a good finding of this instrument stands for, in what is due. */
	sensor?: Sensor;
	needsSite?: boolean;
	fields: readonly Field[];
	file?: FileInput;
	/** A procedure that is followed live, hands free: which holds, and what the practice aircraft may have wrong. */
	coach?: { plan: (values: Values) => HoldPlan; faults: readonly Switch[] };
	/** Four asked gestures on a live radio. */
	gestures?: true;
	/** What it can record on this device. */
	live?: readonly RecorderKind[];
	samples: readonly Sample[];
	work(input: Input, context: Context): Promise<Finding>;
}

/** The worst reason's sentence, or the words for a pass. */
export const headlineOf = (judged: { verdict: Verdict; reasons: readonly Reason[] }, good: string): string =>
	judged.verdict === 'pass' ? good : (judged.reasons[0]?.text ?? good);
