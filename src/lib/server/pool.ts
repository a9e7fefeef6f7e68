import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { answerOf, type RouteAnswer, type RouteCall } from './compute';
import { HttpError } from './fault';
import { poolLimits as limits } from './limits';

/** The thread's own bundle, beside the server that `npm run build` made; null while developing, where the server computes itself. */
function threadFile(): string | null {
	for (let at = dirname(fileURLToPath(import.meta.url)), up = 0; up < 8; at = dirname(at), up++) {
		const file = join(at, 'compute.thread.js');
		if (existsSync(file)) return file;
	}
	return null;
}

const poolOf = (filename: string, threads: number) =>
	new Piscina({
		filename,
		minThreads: 0,
		maxThreads: threads,
		maxQueue: limits.waiting.value,
		idleTimeout: limits.idleMs.value,
		resourceLimits: { maxOldGenerationSizeMb: limits.heapMb.value },
	});

interface Pools {
	/** Large bodies have threads of their own: they never stand before a small one. */
	large: Piscina;
	small: Piscina;
}

let pools: Pools | null | undefined;

function start(): Pools | null {
	const file = threadFile();
	if (!file) return null;
	const half = Math.max(1, Math.min(limits.threads.value, Math.floor(availableParallelism() / 2)));
	return { large: poolOf(file, half), small: poolOf(file, half) };
}

const busy = (message: string) => new HttpError(503, 'busy', 'server', message, limits.retryAfterS.value);

/** What went wrong in the pool, as the caller is told. */
function refusal(error: unknown): unknown {
	if (!(error instanceof Error)) return error;
	if (error.name === 'AbortError')
		return busy(`This took longer than ${limits.mostMs.value / 1000} s and was stopped. Send less of it.`);
	if (/queue/i.test(error.message)) return busy('Too many requests are waiting.');
	if ('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
		return busy('This needs more memory than one request may have. Send less of it.');
	return error;
}

/**
 * Answers a request in a thread beside the server.
 * @throws HttpError 503, with the seconds to wait, where too many wait, or it takes too long or too much memory.
 */
export async function answerInPool(call: RouteCall): Promise<RouteAnswer> {
	pools ??= start();
	if (!pools) return answerOf(call);
	const pool = call.bytes.length > limits.smallBytes.value ? pools.large : pools.small;
	try {
		const options = {
			signal: AbortSignal.timeout(limits.mostMs.value),
			transferList: [call.bytes.buffer as ArrayBuffer],
		};
		return (await pool.run(call, options)) as RouteAnswer;
	} catch (error) {
		throw refusal(error);
	}
}
