import { describe, expect, it } from 'vitest';
import { record } from './recorder';
import type { Sink, Source, SourceBatch } from './source';

/** A source that gives what the test hands it. */
function fake() {
	const state: { sink: Sink | null; closed: number } = { sink: null, closed: 0 };
	const source: Source = {
		name: 'fake',
		practice: true,
		turnable: false,
		open(sink) {
			state.sink = sink;
			return () => state.closed++;
		},
	};
	const heard = { progress: [] as string[], waiting: [] as string[], failed: [] as string[] };
	const recorder = record(source, {
		progress: (n, atS, latest) => heard.progress.push(`${n} @${atS}: ${latest}`),
		waiting: (words) => heard.waiting.push(words),
		failed: (message) => heard.failed.push(message),
	});
	const give = (batch: SourceBatch) => state.sink?.batch(batch);
	return { recorder, give, state, heard };
}

const text = async (file: File | null) => (await file?.text())?.trimEnd().split(/\r?\n/);

describe('a recording of any source to a file', () => {
	it('of motion sensors is a table with units; what comes twice or late is passed over', async () => {
		const { recorder, give, heard } = fake();
		const sample = (t: number, v: number) => ({ t: [t], x: [v], y: [0], z: [-9.81] });
		for (const [t, v] of [
			[0, 1],
			[0.02, 2],
			[0.02, 3],
			[0.01, 4],
			[0.04, 5],
		])
			give({ atS: t, accel: sample(t, v), gyro: sample(t, v / 10) });
		const file = recorder.stop();
		expect(file?.name).toBe('motion-sensors.csv');
		expect(await text(file)).toEqual([
			't [s],ax [m/s2],ay [m/s2],az [m/s2],gx [rad/s],gy [rad/s],gz [rad/s]',
			'0,1,0,-9.81,0.1,0,-9.81',
			'0.02,2,0,-9.81,0.2,0,-9.81',
			'0.04,5,0,-9.81,0.5,0,-9.81',
		]);
		expect(heard.progress.at(-1)).toBe('3 @0.04: 5.00  0.00  -9.81 m/s²');
	});

	it('of a radio has a column a channel and tells the buttons that were pressed', async () => {
		const { recorder, give, heard } = fake();
		give({ atS: 0, radio: { t: [0], channels: [[0.5], [-1]] }, buttons: { pressed: [2, 5], of: 8 } });
		expect(heard.progress).toEqual(['1 @0: 2 channels, 2 of 8 buttons pressed: 2 5']);
		expect(await text(recorder.stop())).toEqual(['t [s],ch1,ch2', '0,0.5,-1']);
	});

	it('of a line keeps its text without the first and last lines, which may be cut', async () => {
		const { recorder, give } = fake();
		give({ atS: 0, text: 'PGGA,1\n$GPGGA,2*00\n$GP' });
		give({ atS: 1, text: 'RMC,3*00\n$GPG' });
		const file = recorder.stop();
		expect(file?.name).toBe('serial-line.txt');
		expect(await text(file)).toEqual(['$GPGGA,2*00', '$GPRMC,3*00']);
	});

	it('of nothing is no file; waiting and failing are told; stopping closes the source once', () => {
		const { recorder, state, heard } = fake();
		state.sink?.waiting('Move a stick.');
		state.sink?.failed(new Error('It is gone.'));
		expect(recorder.stop()).toBeNull();
		expect(heard).toEqual({ progress: [], waiting: ['Move a stick.'], failed: ['It is gone.'] });
		expect(state.closed).toBe(1);
	});
});
