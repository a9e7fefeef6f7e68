import { proxy, transfer, wrap, type Remote } from 'comlink';
import { InputError } from '$lib/core/finding/inputError';
import type { WorkerApi } from './serve';
import { workerOf, type Feed, type TaskAnswer, type TaskInput, type TaskName, type WorkerName } from './tasks';

/** Workers of a kind that wait for the next job: starting one takes longer than most jobs. */
const MOST_IDLE: Readonly<Record<WorkerName, number>> = { computing: 2, filing: 1 };
/** A worker that says nothing for so long did not come: its script hangs in a network that answers nothing. */
const START_MS = 90_000;

/** What the pilot does where it fails again: only what is measured just now lives in the page alone. */
const IF_NOT = 'if it fails again, save what was measured and reload the page. What is recorded is kept.';

/** The build looks for these addresses as they are written here. */
const STARTS: Readonly<Record<WorkerName, () => Worker>> = {
	computing: () => new Worker(new URL('./computing.worker.ts', import.meta.url), { type: 'module' }),
	filing: () => new Worker(new URL('./filing.worker.ts', import.meta.url), { type: 'module' }),
};

interface Bench {
	kind: WorkerName;
	worker: Worker;
	remote: Remote<WorkerApi>;
	/** Told once where the worker could not start or has died. */
	failed: (error: Error) => void;
}

const idle: Readonly<Record<WorkerName, Bench[]>> = { computing: [], filing: [] };

function open(kind: WorkerName): Bench {
	const worker = STARTS[kind]();
	const bench: Bench = { kind, worker, remote: wrap<WorkerApi>(worker), failed: () => undefined };
	const fail = (event: Event) => {
		event.preventDefault();
		const why = event instanceof ErrorEvent && event.message ? ` (${event.message})` : '';
		bench.failed(new Error(`What computes in the background stopped${why}. Try it again; ${IF_NOT}`));
	};
	const slow = setTimeout(() => {
		bench.failed(new Error(`What computes in the background did not start. Try it again; ${IF_NOT}`));
	}, START_MS);
	void bench.remote.ready().then(() => clearTimeout(slow));
	worker.addEventListener('error', fail);
	worker.addEventListener('messageerror', fail);
	return bench;
}

function putBack(bench: Bench): void {
	const waiting = idle[bench.kind];
	if (waiting.length >= MOST_IDLE[bench.kind]) return bench.worker.terminate();
	bench.failed = () => waiting.splice(waiting.indexOf(bench), 1);
	waiting.push(bench);
}

/** Pictures are handed over, not copied. */
const handedOver = (feed: Feed) => async () => {
	const picture = await feed();
	return picture && transfer(picture, [picture.rgba.buffer]);
};

/**
 * Computes a task in a worker of its own. `feed` gives a task that asks for pictures the next one, null after the last. Aborting ends this job at once, and no other, and rejects with an AbortError.
 * @throws InputError as the core throws it.
 * @throws Error where the worker cannot start or dies.
 */
export async function call<K extends TaskName>(
	name: K,
	input: TaskInput<K>,
	{
		signal,
		progress,
		feed,
	}: { signal?: AbortSignal | undefined; progress?: (share: number) => void; feed?: Feed } = {},
): Promise<TaskAnswer<K>> {
	signal?.throwIfAborted();
	const kind = workerOf(name);
	const bench = idle[kind].pop() ?? open(kind);
	let abort = () => undefined as void;
	const stopped = new Promise<never>((_, reject) => {
		bench.failed = reject;
		abort = () => reject(new DOMException('Stopped', 'AbortError'));
		signal?.addEventListener('abort', abort, { once: true });
	});
	const outcome = await Promise.race([
		bench.remote.run(name, input, progress && proxy(progress), feed && proxy(handedOver(feed))),
		stopped,
	])
		.catch((error: unknown) => {
			bench.worker.terminate();
			throw error;
		})
		.finally(() => signal?.removeEventListener('abort', abort));
	putBack(bench);
	// The name decides the type; it was given up only to cross into the worker.
	if (outcome.ok) return outcome.value as TaskAnswer<K>;
	throw new InputError(outcome.code, outcome.path, outcome.message);
}
