import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ASKED_GESTURES } from '$lib/core/radio/orderCoach';
import { seededRng } from '$lib/core/math/random';
import { readTable, numbersOf } from '$lib/core/record/csv';
import { obedientSticks, type RadioTruth } from '$lib/rig/sticks';
import { rigRadioSource } from '$lib/sources/rigSource';
import type { Sink, Source } from '$lib/sources/source';
import { underwayOf } from '$lib/store/underway';
import { StickState } from './stickState.svelte';

const said: string[] = [];
vi.mock('$lib/ui/speech', () => ({
	say: (words: string) => said.push(words),
	tone: (kind: string) => said.push(`(${kind})`),
	silence: () => said.push('(silence)'),
}));

beforeEach(() => {
	said.length = 0;
	vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
});
afterEach(() => vi.useRealTimers());

const TRUE: RadioTruth = { order: [0, 1, 2, 3], signs: [1, 1, 1, 1], clumsy: false };

/** The practice radio in hands that do what they are asked. */
function begun(truth: RadioTruth, speed = 1, key: string | null = null) {
	const files: { file: File; practice: boolean }[] = [];
	const state = new StickState((file, practice) => files.push({ file, practice }), key);
	const hands = obedientSticks(truth, seededRng(3));
	state.begin(rigRadioSource(hands, speed), hands);
	const pass = (seconds: number) => {
		for (let s = 0; s < seconds && state.running; s += 0.5) vi.advanceTimersByTime(500);
	};
	return { state, files, pass };
}

async function channelsOf(file: File): Promise<Float64Array[]> {
	const table = readTable(await file.text(), file.name);
	return numbersOf(
		table,
		table.headers.map((_, k) => k),
		file.name,
	);
}

describe('four gestures on a live radio', () => {
	it.each([1, 4, 16])(
		'made as they are asked are all in, at %d times the pace, and handed on as a recording',
		async (speed) => {
			const { state, files, pass } = begun(TRUE, speed);
			expect(state.running).toBe(true);
			pass(90);
			expect([state.running, files.length, files[0].practice]).toEqual([false, 1, true]);
			expect(said.at(-1)).toBe('All four are in.');
			for (const { say } of ASKED_GESTURES) expect(said).toContain(say);
			expect(said).not.toContain('(wrong)');
			const [t, ...channels] = await channelsOf(files[0].file);
			expect([...t]).toEqual([...t].toSorted((a, b) => a - b));
			expect(channels.length).toBeGreaterThanOrEqual(4);
			// Each gesture moved its own channel the farthest.
			for (const channel of channels.slice(0, 4)) expect(Math.max(...channel)).toBeGreaterThan(0.5);
		},
	);

	it('of which one moves two channels is asked for again, and only the good one is kept', async () => {
		const { state, files, pass } = begun({ ...TRUE, clumsy: true });
		pass(120);
		expect(said).toContain('(wrong)');
		expect(state.view.windows).toHaveLength(4);
		expect(files).toHaveLength(1);
		const straight = begun(TRUE);
		straight.pass(120);
		const rows = async (list: typeof files) => (await channelsOf(list[0].file))[0].length;
		expect(Math.abs((await rows(files)) - (await rows(straight.files)))).toBeLessThan(60);
	});

	it('on exchanged or reversed channels are taken as they are made: what they mean is read afterwards', async () => {
		const { files, pass } = begun({ order: [1, 0, 3, 2], signs: [1, -1, 1, 1], clumsy: false });
		pass(120);
		expect(files).toHaveLength(1);
		const channels = (await channelsOf(files[0].file)).slice(1);
		const extremes = channels.slice(0, 4).map((c) => [Math.min(...c), Math.max(...c)]);
		expect(extremes.some(([low, high]) => -low > high)).toBe(true);
	});

	it('ended early hand on what was accepted; with nothing accepted, nothing', () => {
		const none = begun(TRUE);
		vi.advanceTimersByTime(500);
		none.state.finish();
		expect([none.files.length, none.state.running]).toEqual([0, false]);
		const some = begun(TRUE);
		for (let k = 0; k < 200 && some.state.view.windows.length < 2; k++) vi.advanceTimersByTime(250);
		some.state.finish();
		expect([some.files.length, some.state.view.windows.length]).toEqual([1, 2]);
	});

	it('of a page that is loaded again are handed on as if they had been ended there', async () => {
		const { state, files } = begun(TRUE, 1, 'sticks');
		for (let k = 0; k < 200 && state.view.windows.length < 3; k++) vi.advanceTimersByTime(250);
		state.finish();
		const kept = await underwayOf('sticks');
		const later: typeof files = [];
		if (kept) new StickState((file, practice) => later.push({ file, practice }), 'sticks').takeUp(kept);
		expect(later.map(({ practice }) => practice)).toEqual([true]);
		expect(await later[0].file.text()).toBe(await files[0].file.text());
	});

	it('cancelled keep nothing; left, the page is silent and its clock stands still', () => {
		const { state, files } = begun(TRUE);
		vi.advanceTimersByTime(3000);
		state.cancel();
		expect([files.length, state.recording.radio.t, state.running]).toEqual([0, [], false]);
		state.dispose();
		expect(said.at(-1)).toBe('(silence)');
		const words = said.length;
		vi.advanceTimersByTime(30_000);
		expect(said).toHaveLength(words);
	});

	it('before the first reading show nothing and say what to do', () => {
		let sink: Sink | null = null;
		const silent: Source = {
			name: 'a radio',
			practice: false,
			turnable: false,
			open(to) {
				sink = to;
				return () => undefined;
			},
		};
		const state = new StickState(() => undefined);
		state.begin(silent, null);
		vi.advanceTimersByTime(2000);
		expect([state.now, state.words]).toEqual([[], 'Leave all sticks alone']);
		(sink as unknown as Sink).batch({ radio: { t: [0.1], channels: [[0.25], [-0.5]] }, atS: 0.1 });
		vi.advanceTimersByTime(200);
		expect(state.now).toEqual([0.25, -0.5]);
		state.dispose();
	});
});
