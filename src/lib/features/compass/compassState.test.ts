import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { TURN_PLANS } from '$lib/core/guide/turns';
import { seededRng } from '$lib/core/math/random';
import type { AxisBatch, Sink, Source } from '$lib/sources/source';
import { underwayOf } from '$lib/store/underway';
import { CompassState } from './compassState.svelte';
import { samplesCsv } from './samplesCsv';

const { said, told } = vi.hoisted(() => ({ said: [] as string[], told: [] as string[] }));
vi.mock('$lib/ui/speech', () => ({
	say: (words: string) => said.push(words),
	tone: (kind: string) => said.push(`(${kind})`),
}));
vi.mock('$lib/ui/notify', () => ({
	failed: (error: unknown) => told.push(error instanceof Error ? error.message : String(error)),
	done: vi.fn(),
}));
vi.mock('$lib/ui/screen', () => ({ inTheHand: () => true }));
vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));

const PLACE = { latDeg: 54.2, lonDeg: -3.1, altM: 10 };
const FIELD_UT = 49.6;
const PATIENCE = { timeout: 20_000 };
const OFFSET = [12, -7, 20] as const;

/** Readings over the whole sphere, about the vertical only, or from as far down as `lowest`. */
function readings(n: number, { levelOnly = false, from = 0, lowest = -1 } = {}): AxisBatch {
	const rng = seededRng(5 + from);
	const axes: AxisBatch = { t: [], x: [], y: [], z: [] };
	for (let i = 0; i < n; i++) {
		const a = 2 * Math.PI * rng.uniform();
		const z = levelOnly ? 0.92 : lowest + (1 - lowest) * rng.uniform();
		const r = Math.sqrt(1 - z * z);
		const unit = [r * Math.cos(a), r * Math.sin(a), z];
		axes.t.push((from + i) * 0.02);
		(['x', 'y', 'z'] as const).forEach((axis, k) =>
			axes[axis].push(FIELD_UT * unit[k] + OFFSET[k] + 0.3 * rng.normal()),
		);
	}
	return axes;
}

/** A source in the test's hand. */
function byHand(more: Partial<Source> = {}) {
	const far: { sink: Sink | null; closed: number } = { sink: null, closed: 0 };
	const source: Source = {
		name: 'by hand',
		practice: false,
		turnable: false,
		open(sink) {
			far.sink = sink;
			return () => {
				far.sink = null;
				far.closed++;
			};
		},
		...more,
	};
	return {
		source,
		far,
		send: (mag: AxisBatch) => far.sink?.batch({ mag, atS: mag.t.at(-1) ?? 0 }),
	};
}

const state = (place: typeof PLACE | null = PLACE, limitDeg = 1) =>
	new CompassState(() => ({ place, date: '2026-05-14', limitDeg }));
/** Lets the live loop pass once more. */
const next = () => vi.advanceTimersByTimeAsync(320);

beforeEach(() => {
	[said.length, told.length] = [0, 0];
	vi.useFakeTimers();
});
afterEach(() => vi.useRealTimers());

describe('a turning that is followed', () => {
	it('ends by itself once the heading is known and every side was seen, and says so', async () => {
		const work = state();
		const { source, far, send } = byHand();
		work.begin(source);
		expect([work.idle, work.big, work.found, work.progress]).toEqual([false, true, null, 0]);
		send(readings(40, { levelOnly: true }));
		await next();
		expect(work.phase).toBe('turning');
		const before = work.progress;
		send(readings(900, { from: 40 }));
		await vi.waitFor(async () => {
			await next();
			expect(work.phase).toBe('result');
		}, PATIENCE);
		await vi.waitFor(() => expect(work.busy).toBe(false), PATIENCE);
		expect(said).toEqual(['(done)', 'Enough. Hold still, then put it down.']);
		expect([far.closed, work.early, work.big]).toEqual([1, false, false]);
		expect(work.progress).toBeGreaterThan(before);
		expect(work.answer?.hardIronUt?.map((v) => Math.round(v))).toEqual([...OFFSET]);
		expect(work.found).toMatchObject({ figures: [{ id: 'heading-sigma', unit: '°' }] });
		expect(work.title).toMatch(/^The heading is known to ±0\.\d+°; uncorrected it would be wrong by up to \d+°$/);
		expect(told).toEqual([]);
		work.dispose();
	});

	it('ended by hand too early says how well it is known, and goes on with what was recorded', async () => {
		const work = state();
		const { source, far, send } = byHand();
		work.begin(source);
		send(readings(60, { levelOnly: true }));
		await next();
		await work.finish(true);
		expect([work.phase, work.early, far.closed]).toEqual(['result', true, 0]);
		expect(work.title).toMatch(/^Ended early: the heading is (±\d|not yet known).*Go on turning$/);
		// What arrives while it lies there is passed over.
		send(readings(50, { from: 500 }));
		expect(work.recording.mag.t).toHaveLength(60);
		work.goOn();
		expect(work.phase).toBe('turning');
		send(readings(900, { from: 600 }));
		await vi.waitFor(async () => {
			await next();
			expect(work.found).not.toBeNull();
		}, PATIENCE);
		expect(work.recording.mag.t).toHaveLength(960);
		expect(work.early).toBe(false);
	});

	it('does not go on where the source has ended', async () => {
		const work = state();
		const { source, far, send } = byHand();
		work.begin(source);
		send(readings(60, { levelOnly: true }));
		await work.finish(true);
		far.sink?.failed(new Error('unplugged'));
		work.goOn();
		expect(told.at(-1)).toBe('The source has ended: begin it again.');
		expect(work.phase).toBe('result');
	});

	it('level turning only is never enough, and is refused when it is ended', async () => {
		const work = state();
		const { source, send } = byHand();
		work.begin(source);
		send(readings(600, { levelOnly: true }));
		for (let k = 0; k < 6; k++) await next();
		expect(work.phase).toBe('turning');
		await work.finish(true);
		expect(work.found?.verdict).toBe('fail');
		expect(work.answer?.hardIronUt).toBeNull();
	});

	it('a recipe of turns needs a gyro: without one the cues follow the data, and that is told once', async () => {
		const work = state();
		const { source, send } = byHand();
		work.plan = TURN_PLANS[0];
		work.begin(source);
		expect(work.title).toBe(TURN_PLANS[0].turns[0].say);
		send(readings(60));
		await next();
		await next();
		expect(work.plan).toBeNull();
		expect(told).toEqual([expect.stringContaining('has no gyro')]);
		work.dispose();
	});

	it('whose fit is stopped keeps every reading: it is worked out again, saved as a table, or thrown away when asked', async () => {
		const work = state();
		const { source, send } = byHand();
		work.begin(source);
		send(readings(900));
		const fitting = work.finish(true);
		work.cancel();
		await fitting;
		expect([work.phase, work.busy, work.found, told.length]).toEqual(['result', false, null, 0]);
		expect(work.title).toBe('What was recorded is not worked out yet');
		const [header, first, ...rest] = samplesCsv(work.samples).split('\n');
		expect(header).toBe('time [s],mag_x [uT],mag_y [uT],mag_z [uT]');
		expect(first.split(',').map(Number)).toEqual([0, expect.any(Number), expect.any(Number), expect.any(Number)]);
		expect(rest).toHaveLength(899);
		await work.again();
		expect(work.found?.verdict).toBe('pass');
		work.cancel();
		expect([work.idle, work.recording.mag.t.length]).toEqual([true, 0]);
	});

	it('whose page is left in the middle keeps every reading and lets the source go', async () => {
		const work = state();
		const { source, far, send } = byHand();
		work.begin(source);
		send(readings(900));
		const passing = next();
		work.rest();
		await passing;
		expect([far.closed, work.phase, work.big, work.holds, work.found]).toEqual([1, 'result', false, true, null]);
		expect(work.title).toBe('What was recorded is not worked out yet');
		await work.again();
		expect(work.found?.verdict).toBe('pass');
		work.rest();
		expect([work.phase, work.found?.verdict]).toEqual(['result', 'pass']);
	});

	it('left too early says so once it is worked out', async () => {
		const work = state(PLACE, 0.001);
		const { source, send } = byHand();
		work.begin(source);
		send(readings(300));
		work.rest();
		await work.again();
		expect([work.early, work.title]).toEqual([true, expect.stringMatching(/^Ended early/)]);
	});

	it('ended with the heading known, but a side hardly seen, says that, and where its source is gone asks for another turn', async () => {
		const work = state(PLACE, 5);
		const { source, send } = byHand();
		work.begin(source);
		send(readings(600, { lowest: 0 }));
		await work.finish(true);
		expect(work.answer?.uncertainty?.headingDeg).toBeLessThan(5);
		expect([work.early, work.goesOn]).toEqual([true, true]);
		expect(work.title).toBe('Ended early: the heading is known, but one side was hardly seen. Go on turning');
		work.rest();
		expect(work.goesOn).toBe(false);
		expect(work.title).toMatch(/ Turn it again$/);
	});

	it('of a page that is loaded again is worked out from what was written down', async () => {
		vi.useRealTimers();
		const key = 'compass here';
		const setting = () => ({ place: PLACE, date: '2026-05-14', limitDeg: 1 });
		const before = new CompassState(setting, key);
		const { source, send } = byHand();
		before.begin(source);
		send(readings(300));
		before.dispose();
		const kept = await underwayOf(key);
		const work = new CompassState(setting, key);
		if (kept) work.takeUp(kept);
		expect([work.phase, work.holds, work.goesOn, work.sourceName]).toEqual(['result', true, false, source.name]);
		expect(work.title).toBe('What was recorded is not worked out yet');
		expect(work.samples.mag.t).toHaveLength(300);
		await work.again();
		expect(work.answer?.hardIronUt?.map((v) => Math.round(v))).toEqual([...OFFSET]);
		// Thrown away, it is gone for good.
		work.repeat();
		expect(await underwayOf(key)).toBeNull();
	});

	it('left before anything came holds nothing', () => {
		const work = state();
		work.rest();
		expect([work.phase, work.holds]).toEqual(['choose', false]);
		work.begin(byHand().source);
		work.rest();
		expect([work.phase, work.holds]).toEqual(['choose', false]);
	});

	it('ended before anything came is back at the beginning', async () => {
		const work = state();
		work.begin(byHand().source);
		await work.finish(true);
		expect([work.phase, work.idle, work.found]).toEqual(['choose', true, null]);
	});

	it('on the bench, where the pilot turns it on the screen, no big cue covers it', () => {
		const work = state();
		work.begin(byHand({ turnable: true }).source);
		expect(work.big).toBe(false);
		work.cancel();
		expect(work.idle).toBe(true);
	});
});

describe('the place', () => {
	it('gives the field that is compared with; none without a place, nor for a date beyond the model', () => {
		expect(state().model?.totalUt).toBeCloseTo(FIELD_UT, 0);
		const later = new CompassState(() => ({ place: PLACE, date: '2031-01-01', limitDeg: 1 }));
		expect([state(null).model, later.model]).toEqual([null, null]);
		// Only the date's fault is told as the date's.
		expect([state().beyondModel, state(null).beyondModel, later.beyondModel]).toEqual([false, false, true]);
	});
});

describe('a file', () => {
	beforeEach(() => vi.useRealTimers());
	const csv = ({ t, x, y, z }: AxisBatch) =>
		new File(
			[['t [s],mx [uT],my [uT],mz [uT]', ...t.map((v, i) => [v, x[i], y[i], z[i]].join(','))].join('\n')],
			'turn.csv',
		);
	it('is fitted whole, keeps its name, and is no rehearsal', async () => {
		const work = state();
		await work.readFile(csv(readings(900)));
		expect(work.found?.verdict).toBe('pass');
		expect([work.sourceName, work.practice, work.early]).toEqual(['turn.csv', false, false]);
		expect(work.points.length).toBeGreaterThan(100);
		expect(said).toEqual([]);
		work.repeat();
		expect([work.idle, work.points.length]).toEqual([true, 0]);
	});
	it('saved as samples is read back as what it was, sensors that did not keep step left out', async () => {
		const work = state();
		const mag = readings(900);
		const text = samplesCsv({ mag, accel: { ...mag, z: mag.t.map(() => -9.81) }, gyro: readings(20) });
		expect(text.split('\n')[0]).toMatch(/accel_z \[m\/s2\]$/);
		await work.readFile(new File([text], 'saved.csv'));
		expect(work.samples.mag.x[7]).toBeCloseTo(mag.x[7], 3);
		expect([work.samples.accel?.t.length, work.samples.gyro]).toEqual([900, undefined]);
	});
	it('that breaks off within a line is refused with its number, and what was there stays', async () => {
		const work = state();
		await work.readFile(csv(readings(900)));
		const before = work.answer;
		await work.readFile(new File(['t [s],mx [uT],my [uT],mz [uT]\n0,1,2,3\n0.02,1,2\n'], 'cut.csv'));
		expect(told.at(-1)).toMatch(/line 3/i);
		expect(work.answer).toBe(before);
	});
});
