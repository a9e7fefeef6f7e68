import 'fake-indexeddb/auto';
import { describe, expect, it, vi } from 'vitest';
import { INSTRUMENTS } from '$lib/instruments/catalogue';
import { failed } from '$lib/ui/notify';
import { gradeOfWork, toEntry } from './payload';
import { InstrumentState } from './instrumentState.svelte';

vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));
vi.mock('$lib/ui/notify', () => ({ failed: vi.fn(), done: vi.fn() }));

const SITE = { name: 'Saltings Field', latDeg: 54.21, lonDeg: -3.06, altM: 12 };
function begin(id: string) {
	const instrument = INSTRUMENTS.find((i) => i.id === id);
	if (!instrument) throw new Error(`no ${id}`);
	const state = new InstrumentState(
		instrument,
		() => SITE,
		() => '2026-05-14',
	);
	const good = instrument.samples.find(({ bad }) => !bad);
	if (!good) throw new Error('no good sample');
	return { state, good };
}
const fill = (state: InstrumentState, values: object) =>
	Object.entries(values).forEach(([id, value]) => state.set(id, value));

describe('an instrument that is typed into', () => {
	it('opens empty, and names the first field that is missing', async () => {
		const { state } = begin('flow');
		await state.work();
		expect(state.phase).toBe('choose');
		expect(state.problemField).toBe('seconds');
		expect(state.problem).toBe('Caught for: needs a number.');
		expect(failed).toHaveBeenCalled();
	});

	it('finds what was typed, as seen and not as measured', async () => {
		const { state } = begin('flow');
		const nozzles = [
			{ name: 'left', litres: 2 },
			{ name: 'right', litres: 2 },
		];
		fill(state, { seconds: 60, set: 4, shown: null, speed: 18, swath: 4, nozzles });
		await state.work();
		expect(state.finding?.verdict).toBe('pass');
		expect(gradeOfWork(state)).toBe('seen');
		expect(toEntry(state, null, 'seen')).toMatchObject({ kind: 'test', task: 'flow', sourceName: 'typed in' });
		expect(toEntry(state, null, 'seen')).not.toHaveProperty('place');
	});

	it('with a blocked nozzle says so, whatever the sum is', async () => {
		const { state } = begin('flow');
		const nozzles = [0.7, 0.7, 0, 0.6].map((litres) => ({ name: '', litres }));
		fill(state, { seconds: 60, set: 2, shown: null, speed: 18, swath: 4, nozzles });
		await state.work();
		expect(state.finding?.verdict).toBe('fail');
		expect(state.title).toMatch(/nozzle 3/);
	});
});

describe('an instrument that reads a log', () => {
	it('has measured what it found, and starts over on request', async () => {
		const { state, good } = begin('gyro');
		const file = await good.file?.(3);
		if (!file) throw new Error('no file');
		await state.takeFile(file);
		expect(state.phase).toBe('result');
		expect([state.sourceName, gradeOfWork(state)]).toEqual([file.name, 'measured']);
		state.repeat();
		expect([state.phase, state.finding, state.ready]).toEqual(['choose', null, false]);
	});

	it('marks a sample of the practice aircraft as rehearsed', async () => {
		const { state, good } = begin('gyro');
		await state.tryIt(good, 3);
		expect(gradeOfWork(state)).toBe('rehearsed');
	});

	it('says of a broken log where it is broken, and finds nothing', async () => {
		const { state } = begin('gyro');
		await state.takeFile(new File(['t [s],gx [rad/s],gy [rad/s],gz [rad/s]\n0,0,0,0\n1,0,none,0\n'], 'rest.csv'));
		expect(state.problem).toMatch(/rest\.csv, line 3, gy/);
		expect([state.phase, state.finding]).toEqual(['choose', null]);
	});

	it('that is left while it computes says nothing more', async () => {
		vi.mocked(failed).mockClear();
		const { state, good } = begin('gyro');
		const file = await good.file?.(3);
		if (!file) throw new Error('no file');
		const taking = state.takeFile(file);
		state.dispose();
		await taking;
		expect(state.finding).toBeNull();
		expect(failed).not.toHaveBeenCalled();
	});
});
