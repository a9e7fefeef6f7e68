import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { seededRng } from '$lib/core/math/random';
import { renderFilm, seenAt, type Camera, type Filmed } from '$lib/rig/film';
import { NO_FAULTS } from '$lib/rig/rig';
import { download } from '$lib/ui/download';
import { failed } from '$lib/ui/notify';
import type { FilmPicture } from '$lib/workers/computing';
import { FilmFile } from './filmFile';
import { FilmState } from './filmState.svelte';
import { practiceFilm } from './practiceFilm';

vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));
vi.mock('$lib/ui/notify', () => ({ failed: vi.fn(), done: vi.fn() }));
vi.mock('$lib/ui/download', () => ({ download: vi.fn() }));
vi.mock('./filmFile', () => ({ FilmFile: { open: vi.fn() } }));
vi.mock('./practiceFilm', () => ({ practiceFilm: vi.fn() }));

/** Small pictures of a film twice as wide. */
const CAMERA: Camera = {
	width: 200,
	height: 112,
	framesPerS: 10,
	fPx: 154,
	elevationDeg: 30,
	distanceM: 5,
	shakePx: 0,
};
const SCALE = 0.5;
const FLOWN: Filmed = {
	spanM: 0.5,
	grey: 40,
	scene: 'sky',
	durationS: 24,
	at: (t) => ({ right: 0.3 * Math.sin(0.7 * t), forward: 0.2 * Math.sin(0.5 * t + 1), up: 0.05 * Math.sin(0.9 * t) }),
};

/** The pictures of the hover as a browser hands them over. */
const PICTURES: readonly FilmPicture[] = Array.from(
	renderFilm(FLOWN, CAMERA, seededRng(1)).frames(),
	({ grey, width, height, tS }) => {
		const rgba = new Uint8ClampedArray(4 * grey.length);
		grey.forEach((value, i) => rgba.fill(value, 4 * i, 4 * i + 3));
		return { rgba, width, height, tS };
	},
);

/** A film that stands in for one that a browser plays. */
function film({ empty = false } = {}): FilmFile {
	const from = (fromS: number) => PICTURES.filter(({ tS }) => tS >= fromS - 1e-6);
	return {
		durationS: FLOWN.durationS,
		scale: SCALE,
		width: CAMERA.width / SCALE,
		height: CAMERA.height / SCALE,
		url: 'blob:film',
		blob: new Blob(['film'], { type: 'video/webm' }),
		at: async (tS: number) => from(tS)[0],
		spread: async (count: number, fromS: number) => {
			const left = from(fromS);
			return left.filter((_, k) => k % Math.ceil(left.length / count) === 0);
		},
		still: async (tS: number, about?: { u: number; v: number }) =>
			about ? `still ${tS.toFixed(1)} about ${about.u.toFixed(0)}` : `still ${tS}`,
		reader: (fromS: number, signal: AbortSignal) => {
			const left = empty ? [] : from(fromS);
			return async () => (signal.aborted ? null : (left.shift() ?? null));
		},
		close: vi.fn(),
	} as unknown as FilmFile;
}

/** The motors as a pilot marks them on the whole picture. */
function motors(tS = 0) {
	const { u, v, widthPx } = seenAt(FLOWN.at(tS), CAMERA, FLOWN.spanM);
	return [u - widthPx / 2, u + widthPx / 2].map((x) => ({ x: x / SCALE, y: v / SCALE }));
}

async function opened(it = film()): Promise<FilmState> {
	vi.mocked(FilmFile.open).mockResolvedValueOnce(it);
	const work = new FilmState();
	await work.readFile(new File([''], 'hover.mp4'));
	return work;
}

beforeEach(() => vi.mocked(failed).mockClear());

describe('a hover from its film', () => {
	it('is opened, marked, followed, looked at and judged', { timeout: 60_000 }, async () => {
		const work = await opened();
		expect([work.step, work.still, work.sourceName, work.practice]).toEqual(['mark', 'still 0', 'hover.mp4', false]);
		expect(work.marked).toBe(false);
		work.points = motors();
		expect(work.marked).toBe(false); // how wide it is has not been said
		Object.assign(work, { spanM: FLOWN.spanM, viewDeg: 66 });
		expect(work.marked).toBe(true);
		await work.follow();
		expect(failed).not.toHaveBeenCalled();
		expect(work.step).toBe('confirm');
		// First and last, and the four in which it looked least like itself, in order.
		expect(work.shown).toHaveLength(6);
		expect(work.shown.map(({ tS }) => tS)).toEqual(work.shown.map(({ tS }) => tS).toSorted((a, b) => a - b));
		expect(work.shown[0].src).toMatch(/^still 0\.0 about \d+$/);
		expect(work.found).toBeNull();
		await work.judge(true);
		expect(work.step).toBe('found');
		expect(work.found?.figures.find(({ label }) => label === 'Length')?.value).toBeCloseTo(FLOWN.durationS, 0);
		expect(work.found?.reasons.length).toBeGreaterThan(0);
		expect(work.title).not.toBe('');
		work.remark();
		expect([work.step, work.points, work.review]).toEqual(['mark', [], null]);
	});
	it('that the pilot did not see the circle on is no evidence of anything', { timeout: 60_000 }, async () => {
		const work = await opened();
		work.points = motors();
		work.spanM = FLOWN.spanM;
		await work.follow();
		await work.judge(false);
		expect(work.found?.verdict).toBe('fail');
		expect(work.title).toBe(work.review?.reasons[0].text);
	});
	it('begins to count where the pilot says, and is marked again there', async () => {
		const work = await opened();
		work.points = motors();
		expect(work.long).toBe(true);
		await work.begin(12);
		expect([work.fromS, work.still, work.points]).toEqual([12, 'still 12', []]);
		expect(work.long).toBe(false);
	});
	it('given up while it is followed goes back to the mark, which stays', async () => {
		const work = await opened();
		work.points = motors();
		work.spanM = FLOWN.spanM;
		const following = work.follow();
		expect(work.step).toBe('following');
		work.cancel();
		await following;
		expect(work.step).toBe('mark');
		expect(work.points).toHaveLength(2);
		expect(failed).not.toHaveBeenCalled();
	});
});

describe('a film that is of no use', () => {
	it('cannot be read: said, and nothing is open', async () => {
		vi.mocked(FilmFile.open).mockRejectedValueOnce(new Error('This browser cannot read the film.'));
		const work = new FilmState();
		await work.readFile(new File([''], 'notes.txt'));
		expect(failed).toHaveBeenCalledOnce();
		expect([work.step, work.film, work.idle]).toEqual(['before', null, true]);
	});
	it('gives no pictures: said, and nothing is found', async () => {
		const work = await opened(film({ empty: true }));
		work.points = motors();
		work.spanM = FLOWN.spanM;
		await work.follow();
		expect(failed).toHaveBeenCalledOnce();
		expect([work.step, work.track?.t.length ?? 0]).toEqual(['mark', 0]);
	});
	it('is not followed before both motors are marked', async () => {
		const work = await opened();
		work.points = motors().slice(0, 1);
		await work.follow();
		expect(work.step).toBe('mark');
	});
});

describe('the practice aircraft, filmed', () => {
	const made = { film: new Blob(['p'], { type: 'video/webm' }), spanM: 0.5, elevationDeg: 30, viewDeg: 63 };

	it('knows how it was taken, and the next film is taken the pilot’s own way again', async () => {
		vi.mocked(practiceFilm).mockResolvedValueOnce(made);
		const practised = film();
		vi.mocked(FilmFile.open).mockResolvedValueOnce(practised);
		const work = new FilmState();
		Object.assign(work, { spanM: 0.31, elevationDeg: 45, viewDeg: 70 });
		const filming = work.rehearse(1, NO_FAULTS);
		expect(work.step).toBe('filming');
		await filming;
		expect([work.practice, work.recordedHere, work.spanM, work.viewDeg]).toEqual([true, true, 0.5, 63]);
		await work.keepFilm();
		expect(vi.mocked(download).mock.calls.at(-1)?.[0]).toBe('hover.webm');
		work.repeat();
		expect(practised.close).toHaveBeenCalledOnce();
		expect([work.practice, work.spanM, work.elevationDeg, work.viewDeg]).toEqual([false, 0.31, 45, 70]);
		expect(work.idle).toBe(true);
	});
	it('given up, or on a browser that records nothing, leaves everything as it was', async () => {
		const work = new FilmState();
		vi.mocked(practiceFilm).mockRejectedValueOnce(new DOMException('Stopped', 'AbortError'));
		await work.rehearse(1, NO_FAULTS);
		expect(failed).not.toHaveBeenCalled();
		vi.mocked(practiceFilm).mockRejectedValueOnce(new Error('This browser records no film.'));
		await work.rehearse(1, NO_FAULTS);
		expect(failed).toHaveBeenCalledOnce();
		expect([work.idle, work.practice]).toEqual([true, false]);
	});
});
