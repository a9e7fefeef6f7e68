import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEFAULT_LOCK_RULE } from '$lib/core/position/lock';
import { sentence } from '$lib/rig/receiver';
import type { Sink, Source } from '$lib/sources/source';
import { computing } from '$lib/workers/computing';
import { PositionState } from './positionState.svelte';

const { said, told } = vi.hoisted(() => ({ said: [] as string[], told: [] as string[] }));
vi.mock('$lib/ui/speech', () => ({
	say: (words: string) => said.push(words),
	tone: (kind: string) => said.push(`(${kind})`),
}));
vi.mock('$lib/ui/notify', () => ({ failed: (error: Error) => told.push(error.message), done: vi.fn() }));
vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));

/** What a receiver says in a second of its own. */
const second = (s: number, satellites = 12) => {
	const time = `10${String(Math.floor(s / 60)).padStart(2, '0')}${String(s % 60).padStart(2, '0')}.00`;
	return sentence(`GNGGA,${time},5412.60000,N,00303.60000,W,1,${satellites},0.9,12.0,M,50.2,M,,`);
};

function watched() {
	const work = new PositionState(() => DEFAULT_LOCK_RULE);
	const far: { sink: Sink | null; closed: number } = { sink: null, closed: 0 };
	const source: Source = {
		name: 'by hand',
		practice: true,
		turnable: false,
		open(sink) {
			far.sink = sink;
			return () => far.closed++;
		},
	};
	work.begin(source);
	const hear = (from: number, to: number, satellites?: number) => {
		for (let s = from; s < to; s++) far.sink?.batch({ lines: [second(s, satellites)], atS: s });
	};
	return { work, far, hear };
}
const next = () => vi.advanceTimersByTimeAsync(650);

beforeEach(() => {
	[said.length, told.length] = [0, 0];
	vi.useFakeTimers();
});
afterEach(() => vi.useRealTimers());

describe('a receiver that is watched', () => {
	it('says nothing before it was heard, then what is missing, and ends by itself with the lock', async () => {
		const { work, far, hear } = watched();
		await next();
		expect(work.title).toBe('Listening to the receiver…');
		expect([work.found, work.idle]).toEqual([null, false]);
		hear(0, 12);
		await next();
		expect(work.title).toMatch(/held for 11 s of 30 s/);
		expect(work.found).toBeNull();
		hear(12, 31);
		await next();
		expect(work.phase).toBe('result');
		expect(said).toEqual(['(done)', 'Locked. Home is stored.']);
		expect(work.title).toBe('Locked: 12 satellites, held for 30 s');
		expect(work.found).toMatchObject({ verdict: expect.stringMatching(/pass|caution/) });
		expect([far.closed, work.practice, work.sourceName]).toEqual([1, true, 'by hand']);
	});
	it('with too few satellites goes on until it is ended, and is then found as it was', async () => {
		const { work, hear } = watched();
		hear(0, 60, 5);
		await next();
		expect(work.phase).toBe('watching');
		await work.finish();
		expect(work.found?.verdict).toBe('fail');
		expect(work.found?.reasons.map(({ code }) => code)).toContain('few-satellites');
		expect(said).toEqual([]);
	});
	it('whose page is left in the middle keeps what was heard, and lets the receiver go', async () => {
		const { work, far } = watched();
		work.rest();
		expect([far.closed, work.phase, work.holds]).toEqual([1, 'choose', false]);
		const other = watched();
		other.hear(0, 20);
		const passing = next();
		other.work.rest();
		await passing;
		expect([other.far.closed, other.work.phase, other.work.holds, other.work.found]).toEqual([1, 'result', true, null]);
		expect(other.work.title).toBe('What was recorded is not judged yet');
		await other.work.finish();
		expect(other.work.answer?.epochs).toBe(20);
	});
	it('whose line breaks keeps what came', async () => {
		const { work, far, hear } = watched();
		hear(0, 10);
		far.sink?.failed(new Error('The line was lost.'));
		expect([work.recording.running, work.recording.failure]).toEqual([false, 'The line was lost.']);
		await work.finish();
		expect(work.answer?.epochs).toBe(10);
		work.repeat();
		expect([work.idle, work.answer, work.recording.lines.length]).toEqual([true, null, 0]);
	});
});

describe('a review that is stopped or fails', () => {
	it('while it is watched is told once, and watched on', async () => {
		const review = vi.spyOn(computing, 'reviewGnss').mockImplementation(() => {
			throw new Error('out of memory');
		});
		const { work, hear } = watched();
		hear(0, 45);
		for (let k = 0; k < 5; k++) await next();
		expect(review.mock.calls.length).toBeGreaterThan(3);
		expect([told, work.phase]).toEqual([['out of memory'], 'watching']);
		review.mockRestore();
		await next();
		expect(work.found?.verdict).toMatch(/pass|caution/);
	});
	it('of what was recorded keeps it, finds nothing, and can be asked for again', async () => {
		const { work, hear } = watched();
		hear(0, 45);
		const judging = work.finish();
		work.cancel();
		await judging;
		expect([work.phase, work.found, work.recording.lines.length]).toEqual(['result', null, 45]);
		expect(work.title).toBe('What was recorded is not judged yet');
		expect(told).toEqual([]);
		await work.finish();
		expect(work.found?.verdict).toMatch(/pass|caution/);
		expect(work.answer?.epochs).toBe(45);
	});
	it('of a log begins again: the file is still there', async () => {
		const work = new PositionState(() => DEFAULT_LOCK_RULE);
		const reading = work.readFile(new File([second(1)], 'receiver.nmea'));
		// It is judged for a moment only.
		for (let k = 0; !work.busy && k < 10_000; k++) await Promise.resolve();
		expect(work.busy).toBe(true);
		work.cancel();
		await reading;
		expect([work.phase, work.idle, work.busy]).toEqual(['choose', true, false]);
	});
});

describe('a log of a receiver', () => {
	it('takes the place of what was watched, and is no rehearsal', async () => {
		const { work, hear } = watched();
		hear(0, 10);
		await work.finish();
		const text = Array.from({ length: 45 }, (_, s) => second(s)).join('\r\n');
		await work.readFile(new File([text], 'receiver.nmea'));
		expect([work.sourceName, work.practice, work.answer?.lockS]).toEqual(['receiver.nmea', false, 30]);
	});
	it('that is empty is refused, and nothing is found', async () => {
		const work = new PositionState(() => DEFAULT_LOCK_RULE);
		await work.readFile(new File([''], 'empty.nmea'));
		expect(told).toHaveLength(1);
		expect([work.found, work.idle]).toEqual([null, true]);
	});
});
