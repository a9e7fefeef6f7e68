import { proxy, wrap, type Remote } from 'comlink';
import { InputError } from '$lib/core/frames/inputError';
import type { CoreApi, OnProgress, Outcome } from './core.worker';
import type { OperationAnswer, OperationInput, OperationName } from './operations';

let worker: Worker | null = null;
let remote: Remote<CoreApi> | null = null;

/** The computing core in its worker, started when first needed. */
export function core(): Remote<CoreApi> {
	if (!remote) {
		worker = new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' });
		remote = wrap<CoreApi>(worker);
	}
	return remote;
}

/** Stops whatever the worker is computing; the next call starts a new one. */
function stop(): void {
	worker?.terminate();
	worker = null;
	remote = null;
}

/**
 * Runs a computation in the worker. Aborting stops it at once and rejects with an AbortError.
 * @throws InputError as the core throws it.
 */
export async function compute<T>(
	call: (api: Remote<CoreApi>) => Promise<Outcome<T>>,
	signal?: AbortSignal,
): Promise<T> {
	const aborted = new Promise<never>((_, reject) => {
		signal?.addEventListener('abort', () => {
			stop();
			reject(new DOMException('Stopped', 'AbortError'));
		});
	});
	const outcome = await Promise.race([call(core()), aborted]);
	if (outcome.ok) return outcome.value;
	throw new InputError(outcome.code, outcome.path, outcome.message);
}

/** A progress callback on its way into the worker. */
export const reporting = (onProgress: OnProgress): OnProgress => proxy(onProgress);

/**
 * Runs one of the instruments' computations by name in the worker.
 * @throws InputError as the core throws it.
 */
export async function run<K extends OperationName>(
	name: K,
	input: OperationInput<K>,
	{ signal, progress }: { signal?: AbortSignal; progress?: OnProgress } = {},
): Promise<OperationAnswer<K>> {
	const answer = await compute((api) => api.run(name, input, progress && reporting(progress)), signal);
	// The name decides the type; it was given up only to cross into the worker.
	return answer as OperationAnswer<K>;
}
