import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '$lib/rig/evenly';
import type { Sink, Source, SourceBatch } from '$lib/sources/source';
import { underwayOf } from '$lib/store/underway';
import { Recording } from './recording.svelte';
import { fileOf, writtenDown } from './writtenDown';

/** A source that delivers what a test hands it. */
function handed(more: Partial<Source> = {}) {
	let sink: Sink | null = null;
	const state = { opened: 0, closed: 0 };
	const source: Source = {
		name: 'by hand',
		practice: false,
		turnable: false,
		open(to) {
			sink = to;
			state.opened++;
			return () => {
				sink = null;
				state.closed++;
			};
		},
		...more,
	};
	const send = (batch: SourceBatch) => sink?.batch(batch);
	return {
		source,
		state,
		send,
		wait: (words: string) => sink?.waiting(words),
		fail: (why: string) => sink?.failed(new Error(why)),
	};
}

const axes = (t: readonly number[], of = 1) => ({
	t: [...t],
	x: t.map(() => of),
	y: t.map((v) => v),
	z: t.map(() => -of),
});

describe('what a source delivers', () => {
	it('is kept in the order of its time, each instant once, however it was cut into batches', () => {
		fc.assert(
			fc.property(
				fc.array(fc.array(fc.integer({ min: 0, max: 50 }), { maxLength: 12 }), { maxLength: 10 }),
				(batches) => {
					const { source, send } = handed();
					const recording = new Recording();
					recording.start(source);
					for (const t of batches) send({ mag: axes(t), accel: axes(t, 2), atS: t.at(-1) ?? 0 });
					const expected = batches
						.flat()
						.reduce<number[]>((kept, v) => (kept.length === 0 || v > kept[kept.length - 1] ? [...kept, v] : kept), []);
					expect(recording.mag.t).toEqual(expected);
					for (const column of [recording.mag.x, recording.mag.y, recording.mag.z, recording.accel.t])
						expect(column).toHaveLength(expected.length);
					expect(recording.mag.y).toEqual(expected);
					expect(recording.samples).toBe(batches.length === 0 ? 0 : expected.length);
				},
			),
		);
	});

	it('keeps as many channels of a radio as it showed first, what is missing as the middle', () => {
		const { source, send } = handed();
		const recording = new Recording();
		recording.start(source);
		send({
			radio: {
				t: [0, 1],
				channels: [
					[0.1, 0.2],
					[0.3, 0.4],
				],
			},
			atS: 1,
		});
		send({ radio: { t: [1, 2], channels: [[9, 0.5]] }, atS: 2 });
		send({ radio: { t: [3], channels: [[0.6], [0.7], [0.8]] }, atS: 3 });
		expect(recording.radio.t).toEqual([0, 1, 2, 3]);
		expect(recording.radio.channels).toEqual([
			[0.1, 0.2, 0.5, 0.6],
			[0.3, 0.4, 0, 0.7],
		]);
	});

	it('brings lines, volts, what was lost, and how it is held', () => {
		const { source, send, wait } = handed();
		const recording = new Recording();
		recording.start(source);
		wait('Nothing comes yet');
		expect(recording.waiting).toBe('Nothing comes yet');
		send({ lines: ['$A', '$B'], packV: 16.2, lost: 3, atS: 4.5 });
		send({ lines: ['$C'], atS: 5 });
		expect(recording.lines).toEqual(['$A', '$B', '$C']);
		expect([recording.waiting, recording.packV, recording.lost, recording.atS, recording.samples]).toEqual([
			'',
			16.2,
			3,
			5,
			3,
		]);
	});

	it('is passed over while it is paused, and goes on where it was', () => {
		const { source, send } = handed();
		const recording = new Recording();
		recording.start(source);
		send({ mag: axes([1, 2]), atS: 2 });
		recording.pause();
		send({ mag: axes([3, 4]), lines: ['$A'], atS: 4 });
		expect(recording.resume()).toBe(true);
		send({ mag: axes([5]), atS: 5 });
		expect([recording.mag.t, recording.lines, recording.atS]).toEqual([[1, 2, 5], [], 5]);
	});

	it('that breaks off is told; what came until then is kept, and it cannot go on', () => {
		const { source, send, fail } = handed();
		const recording = new Recording();
		recording.start(source);
		send({ mag: axes([1, 2]), atS: 2 });
		fail('The line was lost.');
		expect([recording.failure, recording.running, recording.mag.t]).toEqual(['The line was lost.', false, [1, 2]]);
		expect(recording.resume()).toBe(false);
	});
});

describe('a recording', () => {
	it('begun again closes the source before and keeps nothing of it', () => {
		const [first, second] = [handed({ name: 'first', practice: true, turnable: true }), handed({ name: 'second' })];
		const recording = new Recording();
		recording.start(first.source);
		expect([recording.sourceName, recording.practice, recording.turnable]).toEqual(['first', true, true]);
		first.send({ mag: axes([1]), accel: axes([1]), lines: ['$A'], packV: 12, lost: 2, atS: 1 });
		first.fail('gone');
		recording.start(second.source);
		expect(first.state).toEqual({ opened: 1, closed: 1 });
		expect([recording.sourceName, recording.practice, recording.turnable, recording.running]).toEqual([
			'second',
			false,
			false,
			true,
		]);
		expect([recording.mag.t, recording.accel.t, recording.lines, recording.radio.t]).toEqual([[], [], [], []]);
		expect([recording.packV, recording.lost, recording.atS, recording.samples, recording.failure]).toEqual([
			null,
			0,
			0,
			0,
			null,
		]);
		recording.stop();
		recording.stop();
		expect(second.state).toEqual({ opened: 1, closed: 1 });
		expect(recording.running).toBe(false);
	});

	it('knows which way is down from the last readings alone, whatever their size', () => {
		fc.assert(
			fc.property(fc.tuple(evenly(-1, 1), evenly(-1, 1), evenly(0.1, 1)), evenly(0.5, 20), ([x, y, z], size) => {
				const { source, send } = handed();
				const recording = new Recording();
				expect(recording.down()).toBeNull();
				recording.start(source);
				const t = Array.from({ length: 60 }, (_, k) => k);
				const was = (k: number, v: number) => (k < 40 ? 5 : -v * size);
				send({
					accel: { t, x: t.map((k) => was(k, x)), y: t.map((k) => was(k, y)), z: t.map((k) => was(k, z)) },
					atS: 60,
				});
				const length = Math.hypot(x, y, z);
				const down = recording.down();
				expect(down?.[0]).toBeCloseTo(x / length, 9);
				expect(down?.[1]).toBeCloseTo(y / length, 9);
				expect(down?.[2]).toBeCloseTo(z / length, 9);
			}),
		);
	});
});

describe('what is written down as it comes', () => {
	const step = fc.oneof(
		fc.record({ t: fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 1, maxLength: 8 }) }),
		fc.constantFrom('pause' as const, 'go on' as const, 'leave out' as const),
	);
	const columns = ({ mag, accel, lines, radio, leftOut, samples, atS, sourceName, practice }: Recording) =>
		structuredClone({
			mag,
			accel,
			lines,
			radio,
			leftOut,
			samples,
			atS,
			sourceName,
			practice: practice || samples === 0,
		});

	it('is taken up as it was recorded, wherever it was paused and whatever was left out', async () => {
		await fc.assert(
			fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 12 }), fc.boolean(), async (steps, practice) => {
				const { source, send } = handed({ practice });
				const recording = new Recording('a page');
				recording.start(source);
				for (const what of steps) {
					if (what === 'pause') recording.pause();
					else if (what === 'go on') recording.resume();
					else if (what === 'leave out') recording.leaveOut([0, recording.atS]);
					else {
						const { t } = what;
						const radio = { t, channels: [t, t.map((v) => -v)] };
						send({ mag: axes(t), accel: axes(t, 2), lines: t.map(String), radio, atS: t.at(-1) ?? 0 });
					}
				}
				recording.stop();
				const kept = await underwayOf('a page');
				const again = new Recording('a page');
				if (kept) again.takeUp(kept);
				else again.sourceName = source.name;
				expect(columns(again)).toEqual(columns(recording));
			}),
			{ numRuns: 60 },
		);
	});
	it('is gone when the recording is thrown away', async () => {
		const { source, send } = handed();
		const recording = new Recording('a page');
		recording.start(source);
		send({ lines: ['$GNGGA'], atS: 1 });
		recording.stop();
		expect(await underwayOf('a page')).not.toBeNull();
		recording.clear();
		expect(await underwayOf('a page')).toBeNull();
	});
	it('becomes the file that it would have been', async () => {
		const { source, send } = handed({ name: 'serial line' });
		const close = writtenDown(source, 'a line').open({
			batch: () => undefined,
			waiting: () => undefined,
			failed: () => undefined,
		});
		for (const text of ['cut of', 'f\nt,x\n1,', '2\n3,4\n5']) send({ atS: 0, text });
		close();
		const kept = await underwayOf('a line');
		const file = kept && fileOf(kept);
		expect([file?.name, await file?.text()]).toEqual(['serial-line.txt', 't,x\n1,2\n3,4\n']);
		expect(fileOf({ from: { name: '', practice: false }, pieces: ['not a piece'] })).toBeNull();
		const sound = new File(['hum'], 'hover.webm');
		expect(fileOf({ from: { name: 'microphone', practice: false }, pieces: [sound] })).toBe(sound);
	});
});
