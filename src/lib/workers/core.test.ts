import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Outcome } from './serve';

/** What the far side of the door does, in the test's hand. */
interface Job {
	name: string;
	input: unknown;
	progress: ((share: number) => void) | undefined;
	feed: (() => Promise<unknown>) | undefined;
	answer: (outcome: Outcome) => void;
	breaks: (error: Error) => void;
}

const workers: FakeWorker[] = [];
const jobs: Job[] = [];

/** The event of a script that threw, which Node.js does not have. */
class WorkerError extends Event {
	constructor(readonly message: string) {
		super('error', { cancelable: true });
	}
}

/** A worker whose other end is in this test: the messages are real ones. */
class FakeWorker extends EventTarget {
	private readonly channel = new MessageChannel();
	terminated = false;

	constructor() {
		super();
		workers.push(this);
		this.channel.port1.addEventListener('message', ({ data }: MessageEvent) =>
			this.dispatchEvent(new MessageEvent('message', { data })),
		);
		this.channel.port1.start();
		expose(
			{
				ready: () => true,
				run: (name: string, input: unknown, progress?: Job['progress'], feed?: Job['feed']) =>
					new Promise<Outcome>((answer, breaks) => jobs.push({ name, input, progress, feed, answer, breaks })),
			},
			this.channel.port2 as never,
		);
	}

	postMessage(message: unknown, pass: Transferable[] = []): void {
		this.channel.port1.postMessage(message, pass as never);
	}

	terminate(): void {
		this.terminated = true;
		this.channel.port1.close();
		this.channel.port2.close();
	}

	dies(message: string): void {
		this.dispatchEvent(new WorkerError(message));
	}
}

const door = async () => {
	vi.resetModules();
	return (await import('./core')).call;
};
/** The next job that reaches the far side. */
const nextJob = () => vi.waitFor(() => jobs.shift() ?? Promise.reject(new Error('no job yet')));

beforeEach(() => {
	workers.length = 0;
	jobs.length = 0;
	vi.stubGlobal('Worker', FakeWorker);
	vi.stubGlobal('ErrorEvent', WorkerError);
});
afterEach(() => {
	for (const worker of workers) worker.terminate();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('the door to what computes', () => {
	it('hands a task in and its answer out, with the share done on the way', async () => {
		const call = await door();
		const shares: number[] = [];
		const answer = call('makeDemo', '2026-05-14', { progress: (share) => shares.push(share) });
		const job = await nextJob();
		expect(job).toMatchObject({ name: 'makeDemo', input: '2026-05-14' });
		job.progress?.(0.4);
		job.progress?.(1);
		await vi.waitFor(() => expect(shares).toEqual([0.4, 1]));
		job.answer({ ok: true, value: { sessions: [] } });
		await expect(answer).resolves.toEqual({ sessions: [] });
	});

	it('what was refused is the same refusal on this side', async () => {
		const call = await door();
		const answer = call('makeDemo', 'x');
		(await nextJob()).answer({ ok: false, code: 'not-a-date', path: 'line.3', message: 'Line 3: no date.' });
		await expect(answer).rejects.toMatchObject({
			name: 'InputError',
			code: 'not-a-date',
			path: 'line.3',
			message: 'Line 3: no date.',
		});
		// It did its work: the next job has the same worker.
		const again = call('makeDemo', 'y');
		(await nextJob()).answer({ ok: true, value: 1 });
		await again;
		expect(workers).toHaveLength(1);
	});

	it('stopping ends this job at once and no other, and its worker is not used again', async () => {
		const call = await door();
		const stop = new AbortController();
		const stopped = call('makeDemo', 'stopped', { signal: stop.signal });
		const kept = call('makeDemo', 'kept');
		const both = [await nextJob(), await nextJob()];
		stop.abort();
		await expect(stopped).rejects.toMatchObject({ name: 'AbortError' });
		expect(workers.map(({ terminated }) => terminated)).toEqual([true, false]);
		both.find(({ input }) => input === 'kept')?.answer({ ok: true, value: 'done' });
		await expect(kept).resolves.toBe('done');
	});

	it('that was stopped before it began opens no worker', async () => {
		const call = await door();
		await expect(call('makeDemo', '', { signal: AbortSignal.abort() })).rejects.toMatchObject({ name: 'AbortError' });
		expect(workers).toHaveLength(0);
	});

	it('a worker that dies says so, and the next job has a new one', async () => {
		const call = await door();
		const answer = call('makeDemo', '');
		await nextJob();
		workers[0].dies('out of memory');
		await expect(answer).rejects.toThrow(/stopped \(out of memory\)\. Try it again/);
		expect(workers[0].terminated).toBe(true);
		const again = call('makeDemo', '');
		(await nextJob()).answer({ ok: true, value: 2 });
		await expect(again).resolves.toBe(2);
		expect(workers).toHaveLength(2);
	});

	it('an error that is none of the input’s ends the worker, too', async () => {
		const call = await door();
		const answer = call('makeDemo', '');
		(await nextJob()).breaks(new TypeError('broken'));
		await expect(answer).rejects.toThrow('broken');
		expect(workers[0].terminated).toBe(true);
	});

	it('keeps two workers waiting and no more; one that dies while it waits is left out', async () => {
		const call = await door();
		const three = [1, 2, 3].map(() => call('nextCue', {} as never));
		for (let k = 0; k < 3; k++) (await nextJob()).answer({ ok: true, value: k });
		await Promise.all(three);
		expect(workers.filter(({ terminated }) => !terminated)).toHaveLength(2);
		const waiting = workers.find(({ terminated }) => !terminated);
		waiting?.dies('');
		const two = [1, 2].map(() => call('nextCue', {} as never));
		for (let k = 0; k < 2; k++) (await nextJob()).answer({ ok: true, value: k });
		await Promise.all(two);
		// The one that died was not given a job; a fourth was opened in its place.
		expect(workers).toHaveLength(4);
	});

	it('what reads and writes files has a worker of its own, and leaves those that measure waiting', async () => {
		const call = await door();
		const names = ['nextCue', 'makeDemo', 'nextCue', 'makeDemo'] as const;
		for (const name of names) {
			const answer = call(name, {} as never);
			const job = await nextJob();
			expect(job.name).toBe(name);
			job.answer({ ok: true, value: null });
			await answer;
		}
		expect(workers).toHaveLength(2);
	});

	it('that does not come up is given up after a minute and a half', async () => {
		vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
		vi.stubGlobal(
			'Worker',
			class extends EventTarget {
				postMessage(): void {
					// A script that hangs in the network answers nothing.
				}
				terminate(): void {
					// Nor does it have to.
				}
			},
		);
		const call = await door();
		const answer = expect(call('makeDemo', '')).rejects.toThrow('did not start');
		vi.advanceTimersByTime(90_001);
		await answer;
	});

	it('pictures are handed over one after the other, and none after the last', async () => {
		const call = await door();
		const rgba = new Uint8ClampedArray(8).fill(7);
		const pictures = [{ rgba, width: 2, height: 1, tS: 0 }];
		const answer = call(
			'trackFilm',
			{ spread: [], first: pictures[0], mark: {} as never, endS: 1 },
			{
				feed: () => Promise.resolve(pictures.shift() ?? null),
			},
		);
		const job = await nextJob();
		expect(await job.feed?.()).toEqual({ rgba: new Uint8ClampedArray(8).fill(7), width: 2, height: 1, tS: 0 });
		expect(rgba.byteLength).toBe(0);
		expect(await job.feed?.()).toBeNull();
		job.answer({ ok: true, value: null });
		await answer;
	});
});

describe('the far side', () => {
	it('hands the columns of an answer over, and makes a refusal plain data', async () => {
		const handed: unknown[] = [];
		vi.resetModules();
		vi.doMock('comlink', () => ({
			expose: (api: unknown) => handed.push(api),
			transfer: (value: object, pass: Transferable[]) => ({ ...value, pass }),
		}));
		const { serve } = await import('./serve');
		serve({
			readColumns: () => ({ columns: { t: new Float64Array(4), name: 'x' } }),
			makeDemo: async () => {
				const { InputError } = await import('$lib/core/finding/inputError');
				throw new InputError('too-late', 'now', 'Too late.');
			},
			fitCompass: () => {
				throw new TypeError('broken');
			},
		});
		vi.doUnmock('comlink');
		const [{ ready, run }] = handed as [{ ready: () => true; run: (name: string, input: unknown) => Promise<object> }];
		expect(ready()).toBe(true);
		const read = (await run('readColumns', null)) as { pass: ArrayBuffer[] };
		expect(read.pass.map(({ byteLength }) => byteLength)).toEqual([32]);
		expect(await run('makeDemo', null)).toMatchObject({
			ok: false,
			code: 'too-late',
			path: 'now',
			message: 'Too late.',
		});
		await expect(run('fitCompass', null)).rejects.toThrow('broken');
	});
});
