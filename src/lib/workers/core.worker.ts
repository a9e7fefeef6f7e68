import { expose } from 'comlink';
import { nextCue } from '$lib/core/compass/cue';
import { fitCompass } from '$lib/core/compass/review';
import { columnsOf } from '$lib/core/compass/samples';
import { InputError } from '$lib/core/frames/inputError';
import type { Mat3 } from '$lib/core/frames/mat3';
import type { Vec3 } from '$lib/core/frames/vec3';
import { reviewHover } from '$lib/core/hover/review';
import { reviewGnss, type LockRule } from '$lib/core/position/review';
import { guessColumns, takeColumns, type Choices, type Role } from '$lib/core/record/columns';
import { readTable, type Table } from '$lib/core/record/csv';
import { readTrack } from '$lib/core/record/tracks';
import { makeDemo } from '$lib/rig/demo';
import type { CompassRequest } from '$lib/schema/compass';
import type { HoverRequest } from '$lib/schema/hover';

/** An answer, or the input error: classes do not survive the way out of a worker, plain data do. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; code: string; path: string; message: string };

function attempt<T>(compute: () => T): Outcome<T> {
	try {
		return { ok: true, value: compute() };
	} catch (error) {
		if (error instanceof InputError) return { ok: false, code: error.code, path: error.path, message: error.message };
		throw error;
	}
}

const CUE_READINGS = 2000;
let table: { table: Table; fileName: string } | null = null;

const api = {
	fitCompass: (request: CompassRequest) => attempt(() => fitCompass(request)),
	nextCue: (
		mag: { x: number[]; y: number[]; z: number[] },
		inclinationDeg: number,
		options: { down?: Vec3; stayWith?: string; rotation?: Mat3 },
	) => {
		const step = Math.ceil(mag.x.length / CUE_READINGS);
		const pick = (values: number[]) => (step > 1 ? values.filter((_, i) => i % step === 0) : values);
		return nextCue(columnsOf({ x: pick(mag.x), y: pick(mag.y), z: pick(mag.z) }), inclinationDeg, options);
	},
	reviewGnss: (text: string, rule: LockRule) => attempt(() => reviewGnss(text, rule)),
	reviewHover: (request: HoverRequest) => attempt(() => reviewHover(request)),
	makeDemo: (now: string) => makeDemo(new Date(now)),
	readTrack: (text: string, fileName: string) => attempt(() => readTrack(text, fileName)),
	/** Reads a table and keeps it here; what leaves is what the pilot must see to map its columns. */
	openTable: (text: string, fileName: string, roles: readonly Role[]) =>
		attempt(() => {
			const read = readTable(text, fileName);
			table = { table: read, fileName };
			return {
				headers: read.headers,
				layout: read.layout,
				rows: read.rows.length,
				sample: read.rows.slice(0, 4),
				guess: guessColumns(read, roles),
			};
		}),
	takeColumns: (roles: readonly Role[], choices: Choices) =>
		attempt(() => {
			if (!table) throw new InputError('no-table', 'file', 'Choose a file first.');
			return takeColumns(table.table, roles, choices, table.fileName);
		}),
};

export type CoreApi = typeof api;

expose(api);
