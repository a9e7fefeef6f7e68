import { DEG } from '../frames/angles';
import { median, robustSigma } from '../math/statistics';
import { PIECES, type Candidate, type Channel } from './horizonSearch';

const SHRINK: readonly number[] = [14, 8, 5];
/** Columns count as tight within this many pixels of the line. */
const TIGHT_PX = 1.6;

const NEAR_ROWS = [2, 5];

export interface Refined {
	slope: number;
	row: number;
	sigmaDeg: number;
	tight: number;
	spread: number;
	contrast: number;
	polarity: number;
	/** The same farther off: what is light or dark on both sides of a cable or a rail is no horizon. */
	lasting: number;
}

/** Per column the strongest gradient of one polarity near the line, sub-pixel; then the line by reweighted least squares. */
export function refine(
	channel: Channel,
	width: number,
	height: number,
	start: Candidate,
	farRows: readonly number[],
): Refined | null {
	let { slope, row } = start;
	let last: { x: number[]; y: number[]; strength: number[] } = { x: [], y: [], strength: [] };
	for (const reach of SHRINK) {
		const xs: number[] = [];
		const ys: number[] = [];
		const strengths: number[] = [];
		for (let x = 1; x < width - 1; x++) {
			const middle = row + slope * (x - width / 2);
			let best = 0;
			let at = -1;
			const to = Math.min(height - 3, Math.round(middle + reach));
			for (let y = Math.max(2, Math.round(middle - reach)); y <= to; y++) {
				const place = y * width + x;
				const g = start.sign * (channel[place + width] - channel[place - width]);
				if (g > best) {
					best = g;
					at = y;
				}
			}
			if (at < 0) continue;
			const place = at * width + x;
			const a = start.sign * (channel[place] - channel[place - 2 * width]);
			const c = start.sign * (channel[place + 2 * width] - channel[place]);
			const curve = a - 2 * best + c;
			xs.push(x);
			ys.push(at + (curve < 0 ? Math.max(-0.5, Math.min(0.5, (a - c) / (2 * curve))) : 0));
			strengths.push(best);
		}
		if (xs.length < width * 0.4) return null;
		for (let step = 0; step < 8; step++) {
			const residual = xs.map((x, i) => ys[i] - row - slope * (x - width / 2));
			const scale = Math.max(0.3, robustSigma(residual, 0));
			let [w0, wx, wxx, wy, wxy] = [0, 0, 0, 0, 0];
			xs.forEach((x, i) => {
				const z = residual[i] / (3 * scale);
				const w = Math.abs(z) < 1 ? (1 - z * z) ** 2 * Math.min(strengths[i], 60) : 0;
				const u = x - width / 2;
				w0 += w;
				wx += w * u;
				wxx += w * u * u;
				wy += w * ys[i];
				wxy += w * u * ys[i];
			});
			const det = w0 * wxx - wx * wx;
			if (!(det > 0)) return null;
			slope = (w0 * wxy - wx * wy) / det;
			row = (wy * wxx - wxy * wx) / det;
		}
		last = { x: xs, y: ys, strength: strengths };
	}
	const residual = last.x.map((x, i) => last.y[i] - row - slope * (x - width / 2));
	const tightAt = residual.map((r) => Math.abs(r) < TIGHT_PX);
	const tightCount = tightAt.filter(Boolean).length;
	const pieces = new Set(last.x.filter((_, i) => tightAt[i]).map((x) => Math.floor((x / width) * PIECES)));
	const sigmaSlope = slopeSigma(
		last.x.filter((_, i) => tightAt[i]).map((x) => x - width / 2),
		residual.filter((_, i) => tightAt[i]),
		width,
	);
	const strong = last.strength.filter((_, i) => tightAt[i]);
	const contrast = strong.length > 0 ? median(strong) : 0;
	/** How far rows above and below the whole line differ one way along all of it, 0..1. */
	const agreement = ([from, to]: readonly number[]) => {
		let agree = 0;
		let looked = 0;
		for (let x = 0; x < width; x += 4) {
			const y = Math.round(row + slope * (x - width / 2));
			if (y < to + 1 || y >= height - to - 1) continue;
			let [above, below] = [0, 0];
			for (let k = from; k <= to; k++) {
				above += channel[(y - k) * width + x];
				below += channel[(y + k) * width + x];
			}
			looked++;
			if (start.sign * (below - above) > 0) agree++;
		}
		return looked > 0 ? Math.max(0, (2 * agree) / looked - 1) : 0;
	};
	return {
		slope,
		row,
		sigmaDeg: Math.hypot(sigmaSlope / DEG, 0.03),
		tight: tightCount / width,
		spread: pieces.size / PIECES,
		contrast,
		polarity: agreement(NEAR_ROWS),
		lasting: agreement(farRows),
	};
}

/**
 * Standard deviation of a line's slope by leaving out one sixteenth of the width at a time (block jackknife): waves and
 * trees make neighbouring columns err together.
 */
function slopeSigma(u: number[], residual: number[], width: number): number {
	const sums = Array.from({ length: PIECES }, () => [0, 0, 0, 0, 0]);
	u.forEach((x, i) => {
		const s = sums[Math.min(PIECES - 1, Math.floor((x / width + 0.5) * PIECES))];
		[1, x, x * x, residual[i], x * residual[i]].forEach((value, k) => (s[k] += value));
	});
	const whole = [0, 1, 2, 3, 4].map((k) => sums.reduce((sum, s) => sum + s[k], 0));
	const slopes = sums
		.filter(([n]) => n > 0)
		.map((s) => {
			const [n, x, xx, y, xy] = whole.map((value, k) => value - s[k]);
			const det = n * xx - x * x;
			return det > 0 ? (n * xy - x * y) / det : 0;
		});
	const mean = slopes.reduce((sum, v) => sum + v, 0) / slopes.length;
	return Math.sqrt(((slopes.length - 1) / slopes.length) * slopes.reduce((sum, v) => sum + (v - mean) ** 2, 0));
}
