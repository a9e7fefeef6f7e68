import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { answerOf, type RouteAnswer, type RouteCall } from './compute';
import { FairPool } from './fairPool';
import { busy } from './fault';
import { poolLimits as limits } from './limits';

/** The thread's own bundle, beside the server that `npm run build` made; null while developing, where the server computes itself. */
function threadFile(): string | null {
	for (let at = dirname(fileURLToPath(import.meta.url)), up = 0; up < 8; at = dirname(at), up++) {
		const file = join(at, 'compute.thread.js');
		if (existsSync(file)) return file;
	}
	return null;
}

interface Pool {
	threads: Piscina;
	turns: FairPool;
}

const poolOf = (filename: string, count: number): Pool => ({
	threads: new Piscina({
		filename,
		minThreads: 0,
		maxThreads: count,
		idleTimeout: limits.idleMs.value,
		resourceLimits: { maxOldGenerationSizeMb: limits.heapMb.value },
	}),
	turns: new FairPool(count),
});

interface Pools {
	/** Large bodies have threads of their own: they never stand before a small one. */
	large: Pool;
	small: Pool;
}

let pools: Pools | null | undefined;

function start(): Pools | null {
	const file = threadFile();
	if (!file) return null;
	const half = Math.max(1, Math.min(limits.threads.value, Math.floor(availableParallelism() / 2)));
	return { large: poolOf(file, half), small: poolOf(file, half) };
}

/** Who asks, and until when they wait. */
export interface Caller {
	/** The address, by which turns are shared. */
	client: string;
	/** Aborted when the client goes away. */
	left: AbortSignal;
}

/**
 * Answers a request in a thread beside the server.
 * @throws HttpError 503, with the seconds to wait, where too many wait, or it takes too long or too much memory.
 */
export async function answerInPool(call: RouteCall, { client, left }: Caller): Promise<RouteAnswer> {
	pools ??= start();
	if (!pools) return answerOf(call);
	const { threads, turns } = call.bytes.length > limits.smallBytes.value ? pools.large : pools.small;
	const transferList = [call.bytes.buffer as ArrayBuffer];
	return turns.do(client, left, async (signal) => {
		try {
			return (await threads.run(call, { signal, transferList })) as RouteAnswer;
		} catch (error) {
			if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
				throw busy('This needs more memory than one request may have. Send less of it.');
			throw error;
		}
	});
}
