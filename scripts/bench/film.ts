import { FilmTracker } from '../../src/lib/core/film/trackFilm';
import { seededRng } from '../../src/lib/core/math/random';
import { renderFilm, seenAt, type Scene } from '../../src/lib/rig/film';
import { report } from './report';

const SPAN_M = 0.45;
const SECONDS = 10;
const RATE = 15;
const wander = (t: number) => ({
	right: 0.35 * Math.sin(0.7 * t) + 0.12 * Math.sin(1.9 * t),
	forward: 0.25 * Math.sin(0.5 * t + 1),
	up: 0.08 * Math.sin(0.9 * t),
});
const rms = (values: number[]) => {
	const mean = values.reduce((a, b) => a + b, 0) / values.length;
	return Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
};

/** The film tracker on rendered films of 640 × 360: what is off in pixels, in size, what is lost, and a picture’s time against life. */
export function benchFilm(): void {
	const rows = (
		[
			['sky', 40, 8, 0],
			['sky', 220, 14, 0],
			['field', 230, 8, 0],
			['trees', 235, 8, 0],
			['trees', 235, 8, 2],
			['trees', 40, 8, 0],
		] as const satisfies readonly (readonly [Scene, number, number, number])[]
	).map(([scene, grey, distanceM, shakePx]) => {
		const camera = { width: 640, height: 360, framesPerS: RATE, fPx: 493, elevationDeg: 30, distanceM, shakePx };
		const { frames, first } = renderFilm(
			{ spanM: SPAN_M, grey, scene, durationS: SECONDS, at: wander },
			camera,
			seededRng(3),
		);
		const all = [...frames()];
		const from = performance.now();
		const tracker = new FilmTracker(
			all.filter((_, k) => k % Math.ceil(all.length / 31) === 0),
			all[0],
			first,
		);
		all.forEach((frame) => tracker.push(frame));
		const tookMs = performance.now() - from;
		const got = tracker.finish();
		const truth = all.map(({ tS }) => seenAt(wander(tS), camera, SPAN_M));
		return {
			scene,
			aircraft: grey < 128 ? 'dark' : 'bright',
			'px wide': first.widthPx.toFixed(0),
			'shake px': shakePx,
			'sideways px rms': rms(got.u.map((u, k) => u - truth[k].u)).toFixed(2),
			'size %': (100 * rms(got.q.map((q, k) => q - Math.log(truth[k].widthPx / truth[0].widthPx)))).toFixed(1),
			'lost %': ((100 * got.lost.filter(Boolean).length) / all.length).toFixed(0),
			'ms a picture': (tookMs / all.length).toFixed(1),
			'times life': ((1000 * SECONDS) / tookMs).toFixed(1),
		};
	});
	report('Film tracker, 640 × 360, 15 pictures a second (method notes: 0.08 to 0.19 px, size 1.6 to 2.1 %)', rows);
}
