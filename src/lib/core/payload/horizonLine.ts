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

/** How often the line through the steps is fitted again at most, each time with what lies off it counting less; it moves no more by so little, pixels. */
const [ROUNDS, STANDS_PX] = [8, 1e-4];
/** No step counts for more than one of this height. */
const STRONGEST = 60;
/** Fewer columns than this share with a step near the line, and there is none. */
const LEAST_COLUMNS = 0.4;

/** The strongest step of one direction in each column that has one: columns, rows to a part of a pixel, heights; the first n count. */
interface Steps {
	n: number;
	readonly x: Float64Array;
	readonly y: Float64Array;
	readonly height: Float64Array;
}

interface Straight {
	row: number;
	slope: number;
}

/** Finds in each column the strongest step within so many rows of a line, into `steps`. */
function findSteps(
	steps: Steps,
	channel: Channel,
	width: number,
	height: number,
	sign: number,
	{ row, slope }: Straight,
	reach: number,
): void {
	steps.n = 0;
	for (let x = 1; x < width - 1; x++) {
		const middle = row + slope * (x - width / 2);
		let best = 0;
		let at = -1;
		const to = Math.min(height - 3, Math.round(middle + reach));
		for (let y = Math.max(2, Math.round(middle - reach)); y <= to; y++) {
			const place = y * width + x;
			const g = sign * (channel[place + width] - channel[place - width]);
			if (g > best) {
				best = g;
				at = y;
			}
		}
		if (at < 0) continue;
		const place = at * width + x;
		const a = sign * (channel[place] - channel[place - 2 * width]);
		const c = sign * (channel[place + 2 * width] - channel[place]);
		const curve = a - 2 * best + c;
		steps.x[steps.n] = x;
		steps.y[steps.n] = at + (curve < 0 ? Math.max(-0.5, Math.min(0.5, (a - c) / (2 * curve))) : 0);
		steps.height[steps.n++] = best;
	}
}

/** How far each step lies below a line. */
function residualsOf({ n, x, y }: Steps, { row, slope }: Straight, width: number): Float64Array {
	const residuals = new Float64Array(n);
	for (let i = 0; i < n; i++) residuals[i] = y[i] - row - slope * (x[i] - width / 2);
	return residuals;
}

/** The line through the steps, those that lie off it counting less (Tukey's weights); null where they tell none. */
function reweighted(steps: Steps, straight: Straight, width: number): Straight | null {
	const residuals = residualsOf(steps, straight, width);
	const scale = Math.max(0.3, robustSigma(residuals, 0));
	let [w0, wx, wxx, wy, wxy] = [0, 0, 0, 0, 0];
	for (let i = 0; i < steps.n; i++) {
		const z = residuals[i] / (3 * scale);
		if (Math.abs(z) >= 1) continue;
		const w = (1 - z * z) ** 2 * Math.min(steps.height[i], STRONGEST);
		const u = steps.x[i] - width / 2;
		w0 += w;
		wx += w * u;
		wxx += w * u * u;
		wy += w * steps.y[i];
		wxy += w * u * steps.y[i];
	}
	const det = w0 * wxx - wx * wx;
	return det > 0 ? { slope: (w0 * wxy - wx * wy) / det, row: (wy * wxx - wxy * wx) / det } : null;
}

/** Per column the strongest gradient of one polarity near the line, sub-pixel; then the line by reweighted least squares. */
export function refine(
	channel: Channel,
	width: number,
	height: number,
	start: Candidate,
	farRows: readonly number[],
): Refined | null {
	let straight: Straight = { row: start.row, slope: start.slope };
	const steps: Steps = {
		n: 0,
		x: new Float64Array(width),
		y: new Float64Array(width),
		height: new Float64Array(width),
	};
	for (const reach of SHRINK) {
		findSteps(steps, channel, width, height, start.sign, straight, reach);
		if (steps.n < width * LEAST_COLUMNS) return null;
		for (let round = 0; round < ROUNDS; round++) {
			const better = reweighted(steps, straight, width);
			if (!better) return null;
			const moved = Math.abs(better.row - straight.row) + (Math.abs(better.slope - straight.slope) * width) / 2;
			straight = better;
			if (moved < STANDS_PX) break;
		}
	}
	const { row, slope } = straight;
	const residual = residualsOf(steps, straight, width);
	const tight = (_: number, i: number) => Math.abs(residual[i]) < TIGHT_PX;
	const x = steps.x.subarray(0, steps.n).filter(tight);
	const pieces = new Set(Array.from(x, (column) => Math.floor((column / width) * PIECES)));
	const sigmaSlope = slopeSigma(
		x.map((column) => column - width / 2),
		residual.filter(tight),
		width,
	);
	const strong = steps.height.subarray(0, steps.n).filter(tight);
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
		tight: x.length / width,
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
function slopeSigma(u: Float64Array, residual: Float64Array, width: number): number {
	const sums = Array.from({ length: PIECES }, () => [0, 0, 0, 0, 0]);
	u.forEach((x, i) => {
		const s = sums[Math.min(PIECES - 1, Math.floor((x / width + 0.5) * PIECES))];
		s[0]++;
		s[1] += x;
		s[2] += x * x;
		s[3] += residual[i];
		s[4] += x * residual[i];
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
