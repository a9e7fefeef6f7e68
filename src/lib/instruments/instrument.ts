import type { Figure } from '$lib/core/figures/figure';
import type { StatedFact } from '$lib/schema/facts';
import type { HoldPlan } from '$lib/core/guide/holds';
import type { Quantity, UnitSystem } from '$lib/words/units';
import type { Choices } from '$lib/core/record/columns';
import type { Role } from '$lib/core/record/logRoles';
import type { Reason, Verdict } from '$lib/schema/common';
import type { Sensor, Site } from '$lib/schema/records';
import type { RigSwitch } from '$lib/rig/rig';

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
/** A row as it opens: empty, but for usual values. */
export const blankRow = ({ of }: RowsField): Row => Object.fromEntries(of.map((cell) => [cell.id, blankCell(cell)]));

/** A form as it opens: empty, but for usual values with a source and answers that claim nothing. */
export const blankValues = (fields: readonly Field[]): Values =>
	Object.fromEntries(
		fields.map((field) => [
			field.id,
			field.kind === 'rows' ? (field.start.length > 0 ? [blankRow(field)] : []) : blankCell(field),
		]),
	);

/** What of a form stays with the aircraft, as its instrument says. */
export function rememberedOf({ remembers = {} }: Pick<Instrument, 'remembers'>, values: Values): Values {
	const kept = Object.entries(remembers).flatMap(([id, cells]) => {
		const value = values[id];
		if (value === undefined || value === null || value === '') return [];
		if (cells === true) return [[id, value] as const];
		const rows = rowsOf(values, id).map((row) =>
			Object.fromEntries(Object.entries(row).map(([cell, v]) => [cell, cells.includes(cell) ? v : null])),
		);
		return [[id, rows] as const];
	});
	return Object.fromEntries(kept);
}

/** The rows of a list in a form as it stands. */
export function rowsOf(values: Values, id: string): readonly Row[] {
	const value = values[id];
	return Array.isArray(value) ? value : [];
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
	| {
			kind: 'room';
			title: string;
			ceilingM: number;
			marginM: number;
			holdM: number;
			/** It keeps its height above what it looks down on, not above the floor. */
			follows: boolean;
			things: readonly { name: string; heightM: number }[];
	  }
	| {
			kind: 'arrows';
			title: string;
			unit: string;
			/** From the middle, north up; dashed ones are directions, as long as the longest. */
			arrows: readonly { label: string; north: number; east: number; dashed?: boolean }[];
	  }
	| {
			kind: 'ranges';
			title: string;
			/** Values from −1 to 1, the end stops. */
			channels: readonly {
				label: string;
				ticks: readonly { label: string; at: number }[];
				ranges: readonly { label: string; low: number; high: number }[];
			}[];
	  }
	| {
			kind: 'board';
			title: string;
			yawDeg: number;
			pitchDeg: number;
			rollDeg: number;
	  }
	| {
			kind: 'balance';
			title: string;
			/** Millimetres behind the datum. */
			parts: readonly { name: string; massG: number; armMm: number }[];
			markMm: number;
			centreMm: number;
			sigmaMm: number;
			/** Which part is the pack, and where it would balance. */
			pack: { index: number; toMm: number | null };
	  }
	| { kind: 'picture'; title: string; line: readonly [number, number, number, number] | null };

export interface Table {
	title: string;
	columns: readonly string[];
	rows: readonly (readonly (string | number | null)[])[];
}

/** Columns of a log in SI units, by role; of a recording its samples, as `sound`. */
export type Taken = Record<string, Float64Array>;

/** What can be recorded on this device. */
export type RecorderKind = 'motion' | 'gamepad' | 'serial';

/** What an instrument found: the headline first, then the figures that carry it. */
export interface Finding {
	headline: string;
	verdict: Verdict;
	reasons: readonly Reason[];
	figures: readonly Figure[];
	/** Values that are kept in the record beside the figures, to be compared later. */
	kept?: readonly Figure[];
	/** Facts that it states for the rest of the session, SI units and degrees. */
	states?: readonly StatedFact[];
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

/** Told the share done, 0 to 1. */
export type Progress = (share: number) => void;

export type FileInput =
	| { kind: 'table'; hint: string; roles: readonly Role[]; complete: (choices: Choices) => boolean }
	| { kind: 'text'; hint: string; accept: string }
	| { kind: 'picture'; hint: string }
	| { kind: 'sound'; hint: string };

/** Something to try at once: made by the simulated fleet, or figures to type. `bad` ones show what a refusal looks like. */
export interface Sample {
	id: string;
	label: string;
	bad?: boolean;
	values?: Values;
	file?: (seed: number) => File | Promise<File>;
}

/**
 * One instrument: what it is called and what it takes. What it computes and says of it stands beside it, in `compute.ts` of its
 * folder, so that a page loads the words and the worker the work.
 */
export interface Instrument {
	id: string;
	title: string;
	group:
		'Sensors' | 'Compass' | 'Position and flight' | 'Radio' | 'Power and balance' | 'Payload and camera' | 'Records';
	does: string;
	/** What a pilot would call it, for the search. */
	calls: string;
	/** Fields that stay with the aircraft when its finding is kept, and stand there the next time; of a list, which cells. */
	remembers?: Readonly<Record<string, true | readonly string[]>>;
	opening: string;
	caution?: string;
	method: readonly string[];
	/** The sensor that a good finding of this instrument stands for, in what is due. */
	sensor?: Sensor;
	needsSite?: boolean;
	fields: readonly Field[];
	file?: FileInput;
	/** A procedure that is followed live, hands free: which holds, and what the practice aircraft may have wrong. */
	coach?: { plan: (values: Values) => HoldPlan; faults: readonly RigSwitch[] };
	/** Four asked gestures on a live radio. */
	gestures?: true;
	/** What it can record on this device. */
	live?: readonly RecorderKind[];
	samples: readonly Sample[];
}

/** How an instrument works its finding out, in the worker. @throws InputError where what it was given does not do. */
export type Compute = (input: Input, progress?: Progress) => Promise<Finding>;

type Judged = { verdict: Verdict; reasons: readonly Reason[] };

/**
 * What a judged answer says whatever was measured: the worst reason's sentence as headline, or the words for a pass; verdict
 * and reasons; the answer itself. Figures, plots and tables are added to it.
 */
export const report = (answer: Judged, good: string): Omit<Finding, 'figures'> => ({
	headline: answer.verdict === 'pass' ? good : (answer.reasons[0]?.text ?? good),
	verdict: answer.verdict,
	reasons: answer.reasons,
	plots: [],
	tables: [],
	answer,
});
