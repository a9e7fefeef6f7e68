import { expose, transfer } from 'comlink';
import { nextCue } from '$lib/core/compass/cue';
import { fitCompass } from '$lib/core/compass/review';
import { columnsOf } from '$lib/core/compass/samples';
import { InputError } from '$lib/core/frames/inputError';
import type { Mat3 } from '$lib/core/frames/mat3';
import type { Vec3 } from '$lib/core/frames/vec3';
import { reviewHover } from '$lib/core/hover/review';
import { reviewGnss, type LockRule } from '$lib/core/position/review';
import { guessColumns, takeColumns, type Choices } from '$lib/core/record/columns';
import { type Role } from '$lib/core/record/logRoles';
import { readTable, type Table } from '$lib/core/record/csv';
import { readTrack } from '$lib/core/record/tracks';
import { makeDemo } from '$lib/rig/demo';
import type { CompassRequest } from '$lib/schema/compass';
import type { HoverRequest } from '$lib/schema/hover';
import { readText } from '$lib/sources/readFile';
import { operations, type OperationName } from './operations';

/** An answer, or the input error: classes do not survive the way out of a worker, plain data do. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; code: string; path: string; message: string };
export type OnProgress = (share: number) => void;

async function attempt<T>(compute: () => T | Promise<T>): Promise<Outcome<T>> {
	try {
		return { ok: true, value: await compute() };
	} catch (error) {
		if (error instanceof InputError) return { ok: false, code: error.code, path: error.path, message: error.message };
		throw error;
	}
}

const CUE_READINGS = 2000;
let table: { table: Table; fileName: string } | null = null;

const api = {
	/** Any of the instruments' computations, by name. The wrapper in `core.ts` gives it its types back. */
	run: (name: OperationName, input: unknown, onProgress?: OnProgress) =>
		attempt<unknown>(() => (operations[name] as (input: unknown, progress?: OnProgress) => unknown)(input, onProgress)),
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
	reviewGnss: (text: string, rule: LockRule, onProgress?: OnProgress) =>
		attempt(() => reviewGnss(text, rule, onProgress)),
	reviewHover: (request: HoverRequest, onProgress?: OnProgress) => attempt(() => reviewHover(request, onProgress)),
	makeDemo: (now: string) => makeDemo(new Date(now)),
	readTrack: (file: File) => attempt(async () => readTrack(await readText(file), file.name)),
	/** Reads a table and keeps it here; what leaves is what the pilot must see to map its columns. */
	openTable: (file: File, roles: readonly Role[]) =>
		attempt(async () => {
			const read = readTable(await readText(file), file.name);
			table = { table: read, fileName: file.name };
			return {
				headers: read.headers,
				layout: read.layout,
				rows: read.rows.length,
				sample: read.rows.slice(0, 4),
				guess: guessColumns(read, roles),
			};
		}),
	/** The chosen columns, handed over without copying. */
	takeColumns: async (roles: readonly Role[], choices: Choices) => {
		const taken = await attempt(() => {
			if (!table) throw new InputError('no-table', 'file', 'Choose a file first.');
			return takeColumns(table.table, roles, choices, table.fileName);
		});
		return taken.ok
			? transfer(
					taken,
					Object.values(taken.value).map(({ buffer }) => buffer),
				)
			: taken;
	},
};

export type CoreApi = typeof api;

expose(api);
