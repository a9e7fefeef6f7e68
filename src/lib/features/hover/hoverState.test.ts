import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { csvFile } from '$lib/instruments/files';
import { NO_FAULTS } from '$lib/rig/rig';
import type { HoverRequest } from '$lib/schema/hover';
import { failed } from '$lib/ui/notify';
import { HoverState } from './hoverState.svelte';

vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));
vi.mock('$lib/ui/notify', () => ({ failed: vi.fn(), done: vi.fn() }));

const RATE_HZ = 5;

/** A log of legs: seconds, and metres a second north and up. A hover alone begins in the air. */
function log(name: string, legs: readonly [number, number, number][], fromUp = 0): File {
	const rows = { t: [] as number[], north: [] as number[], up: [] as number[] };
	let [n, u] = [0, fromUp];
	for (const [seconds, north, up] of legs)
		for (let k = 0; k < seconds * RATE_HZ; k++) {
			rows.t.push(100 + rows.t.length / RATE_HZ);
			rows.north.push(n + 0.1 * Math.sin(rows.t.length / 9));
			rows.up.push(u);
			[n, u] = [n + north / RATE_HZ, u + up / RATE_HZ];
		}
	return csvFile(name, {
		't [s]': rows.t,
		'north [m]': rows.north,
		'east [m]': rows.t.map((_, k) => 0.1 * Math.cos(k / 7)),
		'up [m]': rows.up,
	});
}
const HOVER: [number, number, number] = [60, 0, 0];
const FLIGHT: [number, number, number][] = [[8, 0, 0], [5, 0, 1.2], HOVER, [20, 6, 0], [20, -6, 0], [30, 0, 0], [8, 0, -0.75], [8, 0, 0]]; // prettier-ignore

const WIND = { fromDeg: 245, speedMps: 3 } as HoverRequest['wind'];
const judged = (work: HoverState) => vi.waitFor(() => expect(work.answer).not.toBeNull(), { timeout: 20_000 });

beforeEach(() => vi.mocked(failed).mockClear());

describe('a hover that is rehearsed', () => {
	it('is practice, found with its figures, and says what is wrong with it', async () => {
		const work = new HoverState(() => undefined);
		await work.rehearse(3, { ...NO_FAULTS, headingErrorDeg: 40 });
		expect(work.practice).toBe(true);
		expect(work.sourceName).toBe('practice aircraft');
		expect(work.found?.figures.length).toBeGreaterThan(3);
		expect(work.title).toMatch(/^Circling to the (left|right): the compass reads about \d+° too far/);
		await work.rehearse(3, NO_FAULTS);
		expect(work.title).toMatch(/^Holds position within/);
	});
	it('is judged in the wind that was noted, which stands in what was asked', async () => {
		const work = new HoverState(() => WIND);
		await work.rehearse(1, NO_FAULTS);
		expect(work.request?.wind).toEqual(WIND);
		const calm = new HoverState(() => undefined);
		await calm.rehearse(1, NO_FAULTS);
		expect(calm.request?.wind).toBeUndefined();
	});
	it('without position hold drifts with the air, and is not told as one that holds its place', async () => {
		const work = new HoverState(() => WIND);
		work.hold = 'height';
		await work.rehearse(2, NO_FAULTS);
		expect(work.request?.hold).toBe('height');
		expect(work.title).not.toMatch(/holds its place/);
	});
});

describe('a hover from a file', () => {
	it('that is a hover alone is judged at once, and is no practice even after one', async () => {
		const work = new HoverState(() => undefined);
		await work.rehearse(1, NO_FAULTS);
		await work.readFile(log('hover.csv', [HOVER], 2.4));
		expect([work.whole === null, work.practice, work.sourceName]).toEqual([true, false, 'hover.csv']);
		expect(work.found).not.toBeNull();
	});
	it('that is a whole flight asks which hover is judged, the longest first, and writes down which it was', async () => {
		const work = new HoverState(() => undefined);
		await work.readFile(log('flight.csv', FLIGHT));
		expect(work.answer).toBeNull();
		expect(work.title).toBe('Which hover of this flight is judged?');
		const { piece, whole } = work;
		expect((piece?.toS ?? 0) - (piece?.fromS ?? 0)).toBeGreaterThan(50);
		await work.judgePiece();
		expect(work.sourceName).toMatch(/^flight\.csv, 0:\d\d to 1:\d\d$/);
		expect(work.request?.track.t.length).toBeLessThan(whole?.request.track.t.length ?? 0);
		expect(work.idle).toBe(false);
		work.otherPiece();
		expect([work.answer, work.title]).toEqual([null, 'Which hover of this flight is judged?']);
		const other = whole?.pieces.findLast(({ doing }) => doing === 'hover');
		if (!other) throw new Error('no second hover');
		work.piece = other;
		await work.judgePiece();
		expect(work.sourceName).toMatch(/^flight\.csv, [12]:\d\d to [12]:\d\d$/);
		work.repeat();
		expect([work.idle, work.whole, work.piece]).toEqual([true, null, null]);
	});
	it('in which nothing hovers says so, and judges nothing by itself', async () => {
		const work = new HoverState(() => undefined);
		await work.readFile(log('dash.csv', [[8, 0, 0], [5, 0, 1.2], [40, 7, 0], [8, 0, -0.75], [8, 0, 0]])); // prettier-ignore
		expect(work.title).toBe('No hover was found in this flight');
		expect(work.piece).toBeNull();
		await work.judgePiece();
		expect(work.answer).toBeNull();
	});
	it('that cannot be read is told, and leaves what was there', async () => {
		const work = new HoverState(() => undefined);
		await work.readFile(log('hover.csv', [HOVER], 2.4));
		const before = work.answer;
		await work.readFile(new File(['<gpx><trk>'], 'broken.gpx'));
		expect(failed).toHaveBeenCalledOnce();
		expect([work.answer, work.busy]).toEqual([before, false]);
	});
	it('whose columns are not clear asks, and turned back from leaves everything as it was', async () => {
		const work = new HoverState(() => undefined);
		const reading = work.readFile(csvFile('odd.csv', { a: [1, 2, 3], b: [1, 2, 3] }));
		await vi.waitFor(() => expect(work.table.asking).not.toBeNull());
		work.table.answer(null);
		await reading;
		expect([work.idle, work.busy, work.sourceName]).toEqual([true, false, '']);
		expect(failed).not.toHaveBeenCalled();
	});
});

describe('a review that is stopped', () => {
	it('ends quietly; the next one is not stopped by it', async () => {
		const work = new HoverState(() => undefined);
		const reading = work.readFile(log('hover.csv', [HOVER], 2.4));
		work.cancel();
		await reading;
		expect([work.idle, work.busy]).toEqual([true, false]);
		expect(failed).not.toHaveBeenCalled();
		await work.rehearse(1, NO_FAULTS);
		await judged(work);
		expect(work.found).not.toBeNull();
		work.dispose();
	});
});
