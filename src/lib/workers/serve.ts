import { expose, transfer } from 'comlink';
import { InputError } from '$lib/core/finding/inputError';
import type { Progress } from '$lib/instruments/instrument';
import type { Feed, TaskName } from './tasks';

/** An answer, or the input error: classes do not survive the way out of a worker, plain data do. */
export type Outcome = { ok: true; value: unknown } | { ok: false; code: string; path: string; message: string };

/** Buffers of the columns directly within an answer: they are handed over without copying. */
function buffersOf(value: unknown): ArrayBuffer[] {
	const columns = value && typeof value === 'object' && 'columns' in value ? value.columns : null;
	return Object.values(columns ?? {}).flatMap((column) =>
		column instanceof Float64Array && column.buffer instanceof ArrayBuffer ? [column.buffer] : [],
	);
}

/** A task as the far side knows it: `core.ts` gives it its types back. */
type Run = (input: unknown, progress?: Progress, feed?: Feed) => unknown;

const apiOf = (tasks: object) => ({
	/** Says that the worker has come up. */
	ready: (): true => true,
	/** Any task of this worker by name. */
	async run(name: TaskName, input: unknown, progress?: Progress, feed?: Feed): Promise<Outcome> {
		try {
			const value = await (tasks as Record<TaskName, Run>)[name](input, progress, feed);
			return transfer({ ok: true, value }, buffersOf(value));
		} catch (error) {
			if (error instanceof InputError) return { ok: false, code: error.code, path: error.path, message: error.message };
			throw error;
		}
	},
});

export type WorkerApi = ReturnType<typeof apiOf>;

/** Makes this thread a worker that does these tasks. */
export const serve = (tasks: object): void => expose(apiOf(tasks));
