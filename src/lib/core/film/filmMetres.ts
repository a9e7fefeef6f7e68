import { median } from '../math/statistics';
import { filmLimits as limits } from './limits';
import type { FilmSetup } from './setup';
import type { FilmTrack } from './trackFilm';

/** A Hann window so wide is laid over the size, s. */
const SMOOTHED_S = 1;
/** Noise of the logarithm of a size: what is left after smoothing, by shape and aspect, by contrast, by pixel (docs/methods/film.md#metres). */
const SIZE_SIGMA = 0.02;
const SHAPE_SIGMA = 0.024;
const CONTRAST_NOISE = 0.31;
const PIXEL_NOISE = 0.155;
/** How well the mark's place is seen across the picture, and how far a held height moves, m. */
const MARK_SIGMA_M = 0.02;
const HEIGHT_SIGMA_M = 0.15;

/** A track in metres about its middle, as seen from the phone. */
export interface FilmMetres {
	/** s, of the film. */
	time: Float64Array;
	right: Float64Array;
	/** Right, with one scale throughout. */
	flat: Float64Array;
	forward: Float64Array;
	up: Float64Array;
	rangeM: number;
	/** One sigma of forward; of its white part; of the distance along the line of sight. */
	sigmaY: number;
	whiteM: number;
	sigmaD: number;
}

/** Focal length, pixels: as entered, else that of a usual phone. */
export const focalOf = ({ width }: FilmTrack, { fPx }: FilmSetup): number => fPx ?? limits.fShare.value * width;

/** Metres right, forward and up from a track, by how steeply the phone looked up (docs/methods/film.md#metres). */
export function inMetres(track: FilmTrack, setup: FilmSetup): FilmMetres {
	const { spanM, elevationDeg } = setup;
	const { t, u, v, q, cr, widthPx, width } = track;
	const n = t.length;
	const time = Float64Array.from(t);
	const smooth = hann(time, Float64Array.from(q), SMOOTHED_S);
	const m = median(smooth);
	let variance = 0;
	for (let i = 0; i < n; i++) variance += (smooth[i] - m) ** 2 / n;
	const keep = variance > 0 ? Math.max(0, 1 - SIZE_SIGMA ** 2 / variance) : 0;
	const f = focalOf(track, setup);
	const rangeM = (f * spanM) / (widthPx * Math.exp(m));
	const perPx = spanM / widthPx;
	const [cu, cv] = [width / 2, track.height / 2];
	const scaled = Float64Array.from(smooth, (value) => Math.exp(-(m + keep * (value - m))));
	const about = (values: Float64Array) => {
		const middle = median(values);
		return values.map((value) => value - middle);
	};
	const right = about(Float64Array.from(u, (value, i) => (value - cu) * perPx * scaled[i]));
	/** With one scale throughout: what the size's noise would put into it is a false phase. */
	const flat = about(Float64Array.from(u, (value) => (value - cu) * perPx * Math.exp(-m)));
	const m2 = about(Float64Array.from(v, (value, i) => -(value - cv) * perPx * scaled[i]));
	const d = Float64Array.from(smooth, (value) => rangeM * (Math.exp(-(value - m)) - 1));
	const sizeNoise = Math.hypot(CONTRAST_NOISE / Math.max(1, cr), PIXEL_NOISE / widthPx);
	const sigmaQ = Math.hypot(SHAPE_SIGMA, sizeNoise);
	const sigmaD = rangeM * sigmaQ;
	const [c, s] = [Math.cos((elevationDeg * Math.PI) / 180), Math.sin((elevationDeg * Math.PI) / 180)];
	const [wd, wm, wh] = [1 / sigmaD ** 2, 1 / MARK_SIGMA_M ** 2, 1 / HEIGHT_SIGMA_M ** 2];
	const [yy, hh, yh] = [wd * c * c + wm * s * s, wd * s * s + wm * c * c + wh, (wd - wm) * c * s];
	const det = yy * hh - yh * yh;
	const forward = new Float64Array(n);
	const up = new Float64Array(n);
	for (let i = 0; i < n; i++) {
		const [by, bh] = [wd * c * d[i] - wm * s * m2[i], wd * s * d[i] + wm * c * m2[i]];
		forward[i] = (hh * by - yh * bh) / det;
		up[i] = (yy * bh - yh * by) / det;
	}
	// Unmoved height is no information of its own: its prior only steadies the two equations.
	return {
		time,
		right,
		flat,
		forward,
		up,
		rangeM,
		sigmaY: Math.sqrt(hh / det),
		whiteM: rangeM * sizeNoise,
		sigmaD,
	};
}

/** Smoothed by a Hann window so many seconds wide. */
function hann(t: Float64Array, values: Float64Array, widthS: number): Float64Array {
	const out = new Float64Array(values.length);
	let from = 0;
	for (let i = 0; i < t.length; i++) {
		while (t[from] < t[i] - widthS / 2) from++;
		let [sum, all] = [0, 0];
		for (let k = from; k < t.length && t[k] <= t[i] + widthS / 2; k++) {
			const w = 1 + Math.cos((2 * Math.PI * (t[k] - t[i])) / widthS) + 1e-6;
			sum += w * values[k];
			all += w;
		}
		out[i] = sum / all;
	}
	return out;
}

/** The track up to a moment: what came before it left the picture. */
export function upTo(track: FilmTrack, atS: number): FilmTrack {
	const n = track.t.filter((at) => at <= atS).length;
	const cut = <T>(values: T[]) => values.slice(0, n);
	const { t, u, v, q, z, z2, lost, shift } = track;
	return {
		...track,
		t: cut(t),
		u: cut(u),
		v: cut(v),
		q: cut(q),
		z: cut(z),
		z2: cut(z2),
		lost: cut(lost),
		shift: cut(shift),
	};
}
