import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FairPool } from './fairPool';
import { poolLimits as limits } from './limits';

const stays = new AbortController().signal;

/** Work that ends on request, or when it is stopped. */
function work() {
	let end: (value: string) => void = () => undefined;
	const run = vi.fn(
		(signal: AbortSignal) =>
			new Promise<string>((resolve, reject) => {
				end = resolve;
				signal.addEventListener('abort', () => reject(signal.reason as Error));
			}),
	);
	return { run, end: (value: string) => end(value) };
}
/** What came of it: the answer, or the message of the refusal. */
const outcome = (promise: Promise<string>) => promise.catch((error: Error) => error.message);

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('a pool shared fairly', () => {
	it('answers as many at a time as it has places, and the next when one is free', async () => {
		const pool = new FairPool(2);
		const jobs = [work(), work(), work()];
		const answers = jobs.map(({ run }) => pool.do('a', stays, run));
		expect(jobs.map(({ run }) => run.mock.calls.length)).toEqual([1, 1, 0]);
		jobs[0].end('first');
		expect(await answers[0]).toBe('first');
		await vi.advanceTimersByTimeAsync(0);
		expect(jobs[2].run).toHaveBeenCalledOnce();
		jobs[1].end('second');
		jobs[2].end('third');
		expect(await Promise.all(answers)).toEqual(['first', 'second', 'third']);
	});
	it('takes the client with the least under way before one who has more waiting longer', async () => {
		const pool = new FairPool(2);
		const greedy = [work(), work(), work(), work()];
		for (const { run } of greedy) void outcome(pool.do('greedy', stays, run));
		const other = work();
		const answer = pool.do('other', stays, other.run);
		greedy[0].end('');
		await vi.advanceTimersByTimeAsync(0);
		expect([other.run.mock.calls.length, greedy[2].run.mock.calls.length]).toEqual([1, 0]);
		other.end('here');
		expect(await answer).toBe('here');
	});
	it('stops what runs longer than its turn while another client waits, and only then', async () => {
		const pool = new FairPool(1);
		const long = work();
		const held = outcome(pool.do('long', stays, long.run));
		void outcome(pool.do('long', stays, work().run));
		await vi.advanceTimersByTimeAsync(limits.turnMs.value + 2000);
		expect(long.run.mock.calls[0][0].aborted).toBe(false);
		const other = work();
		const answer = outcome(pool.do('other', stays, other.run));
		await vi.advanceTimersByTimeAsync(1000);
		expect(await held).toContain('Others wait, so this was stopped after 10 s');
		other.end('at last');
		expect(await answer).toBe('at last');
	});
	it('stops what takes longer than anything may', async () => {
		const pool = new FairPool(1);
		const held = outcome(pool.do('a', stays, work().run));
		await vi.advanceTimersByTimeAsync(limits.mostMs.value + 1);
		expect(await held).toContain('This took longer than 60 s');
	});
	it('stops at once what the client no longer waits for, running or not', async () => {
		const pool = new FairPool(1);
		const [gone, running, waiting] = [new AbortController(), work(), work()];
		const answers = [running, waiting].map(({ run }) => outcome(pool.do('a', gone.signal, run)));
		gone.abort();
		expect(await Promise.all(answers)).toEqual(['The client went away.', 'The client went away.']);
		expect(waiting.run).not.toHaveBeenCalled();
		const next = work();
		const answer = pool.do('b', stays, next.run);
		await vi.advanceTimersByTimeAsync(0);
		next.end('free');
		expect(await answer).toBe('free');
	});
	it('refuses the client with most waiting when too many wait, never the one that came once', async () => {
		const pool = new FairPool(1);
		const refused: string[] = [];
		const ask = (client: string) =>
			pool.do(client, stays, work().run).catch((error: Error) => refused.push(`${client}: ${error.message}`));
		for (let i = 0; i <= limits.waiting.value; i++) void ask('greedy');
		void ask('once');
		await vi.advanceTimersByTimeAsync(0);
		expect(refused).toEqual(['greedy: Too many requests are waiting.']);
	});
});
