import { DEG } from '../frames/angles';
import type { Picture } from './picture';

/** The width is looked at in so many pieces. */
export const PIECES = 16;
const STEPS: readonly number[] = [2, 6];
const EDGE_ROWS = 8;
const SKY_WEIGHT = 0.8;
const TEXTURE_POWER = 0.7;
/** Shares of the height: lines nearer than this are one. */
export const APART = 0.04;

export type Channel = Float32Array;

/** Lightness, blue against red, green against both, smoothed by 3×3: what sky and ground differ in. */
function channelsOf({ width, height, rgb }: Picture): Channel[] {
	const n = width * height;
	const [lightness, blue, green] = [new Float32Array(n), new Float32Array(n), new Float32Array(n)];
	for (let i = 0; i < n; i++) {
		const [r, g, b] = [rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]];
		lightness[i] = 0.299 * r + 0.587 * g + 0.114 * b;
		blue[i] = 0.7 * (b - r);
		green[i] = 0.7 * (g - (r + b) / 2);
	}
	return [lightness, blue, green].map((channel) => smooth(channel, width, height));
}

/** Binomial blur of 3×3; the rim repeats its own pixels. */
function smooth(a: Channel, width: number, height: number): Channel {
	const across = new Float32Array(a.length);
	for (let from = 0; from < a.length; from += width) {
		const last = from + width - 1;
		across[from] = 0.75 * a[from] + 0.25 * a[from + 1];
		for (let i = from + 1; i < last; i++) across[i] = 0.25 * a[i - 1] + 0.5 * a[i] + 0.25 * a[i + 1];
		across[last] = 0.25 * a[last - 1] + 0.75 * a[last];
	}
	const out = new Float32Array(a.length);
	for (let y = 0; y < height; y++) {
		const [above, here, below] = [Math.max(0, y - 1) * width, y * width, Math.min(height - 1, y + 1) * width];
		for (let x = 0; x < width; x++)
			out[here + x] = 0.25 * across[above + x] + 0.5 * across[here + x] + 0.25 * across[below + x];
	}
	return out;
}

/** Each layer half as wide and high as the one before: what is soft or broken in the first is straight in the next. */
export interface Layer {
	width: number;
	height: number;
	channels: Channel[];
}

/** The picture and its halves, so many in all. */
export function layersOf(picture: Picture, count: number): Layer[] {
	const layers: Layer[] = [{ width: picture.width, height: picture.height, channels: channelsOf(picture) }];
	while (layers.length < count) layers.push(halved(layers[layers.length - 1]));
	return layers;
}

function halved({ width, height, channels }: Layer): Layer {
	const [w, h] = [width >> 1, height >> 1];
	const half = (from: Channel) => {
		const out = new Float32Array(w * h);
		for (let y = 0, i = 0; y < h; y++)
			for (let x = 0; x < w; x++, i++) {
				const at = 2 * y * width + 2 * x;
				out[i] = (from[at] + from[at + 1] + from[at + width] + from[at + width + 1]) / 4;
			}
		return out;
	};
	return { width: w, height: h, channels: channels.map(half) };
}

export interface Candidate {
	slope: number;
	/** Row at the middle column. */
	row: number;
	score: number;
	channel: number;
	sign: number;
}

/**
 * Every third column of a channel, each piece of the width beginning again, as a run of its own: what is sheared is read in order.
 * Above and below each stand noughts, as many as the steepest shear reaches, and after the last comes a column of them.
 */
export interface Columns {
	width: number;
	height: number;
	/** Of each piece of the width: how wide it is, and where its columns stand. */
	pieces: { wide: number; xs: number[] }[];
	values: Float32Array;
	/** From one column to the next, and from its beginning to its first row in the picture. */
	stride: number;
	margin: number;
}

const EVERY = 3;
/** So many columns are added at once. */
const AT_ONCE = 8;

/** The columns of a channel that a search up to so steep a slope looks at. */
export function columnsOf(channel: Channel, width: number, height: number, steepest: number): Columns {
	const pieces = Array.from({ length: PIECES }, (_, p) => {
		const from = Math.floor((p * width) / PIECES);
		const wide = Math.floor(((p + 1) * width) / PIECES) - from;
		return { wide, xs: Array.from({ length: Math.ceil(wide / EVERY) }, (_column, k) => from + EVERY * k) };
	});
	const xs = pieces.flatMap((piece) => piece.xs);
	const margin = Math.ceil((steepest * width) / 2) + 1;
	const stride = height + 2 * margin;
	const values = new Float32Array((xs.length + 1) * stride);
	for (let y = 0; y < height; y++)
		for (let c = 0; c < xs.length; c++) values[c * stride + margin + y] = channel[y * width + xs[c]];
	return { width, height, pieces, values, stride, margin };
}

/** A piece of which fewer columns than this share of its width reach a row has no mean there. */
const LEAST_SHARE = 0.2;

/** Adds columns to rows, each column read from a place of its own on: `AT_ONCE` from the k-th on. */
function addColumns(sum: Float64Array, values: Float32Array, starts: Int32Array, k: number): void {
	const [a, b, c, d] = [starts[k], starts[k + 1], starts[k + 2], starts[k + 3]];
	const [e, f, g, h] = [starts[k + 4], starts[k + 5], starts[k + 6], starts[k + 7]];
	for (let y = 0; y < sum.length; y++)
		sum[y] +=
			values[a + y] +
			values[b + y] +
			values[c + y] +
			values[d + y] +
			(values[e + y] + values[f + y] + values[g + y] + values[h + y]);
}

/** Mean of each sheared row within each piece; NaN where too little of it lies in the picture. */
function shearedRows({ width, height, pieces, values, stride, margin }: Columns, slope: number): Float64Array {
	const rows = new Float64Array(height * PIECES).fill(NaN);
	const sum = new Float64Array(height);
	/** By how much more columns reach each row than the row above. */
	const more = new Int32Array(height + 1);
	const nothing = values.length - stride;
	let column = 0;
	pieces.forEach(({ wide, xs }, p) => {
		sum.fill(0);
		more.fill(0);
		const starts = new Int32Array(AT_ONCE * Math.ceil(xs.length / AT_ONCE)).fill(nothing);
		xs.forEach((x, k) => {
			// How far the column is sheared, whole rows.
			const shift = Math.round(slope * (x - width / 2));
			starts[k] = (column + k) * stride + margin + shift;
			const from = Math.min(height, Math.max(0, -shift));
			more[from]++;
			more[Math.max(from, Math.min(height, height - shift))]--;
		});
		column += xs.length;
		for (let k = 0; k < starts.length; k += AT_ONCE) addColumns(sum, values, starts, k);
		for (let y = 0, count = 0; y < height; y++) {
			count += more[y];
			if (count > LEAST_SHARE * wide) rows[y * PIECES + p] = sum[y] / count;
		}
	});
	return rows;
}

/** No line with so small a step along it has any confidence: the least contrast there, on the least share of its columns, is twice this. */
const LEAST_STEP = 0.3;

/** Whether a mean step is too small to matter: the robust mean cannot exceed twice the plain one by much. */
const tooSmall = (mean: number, bestSoFar: number) =>
	Math.abs(mean) < LEAST_STEP || Math.abs(mean) * 4 < bestSoFar * 0.3;

const EVERY_PIECE = Int32Array.from({ length: PIECES }, (_, p) => p);

/** Best straight step between rows at one angle: sheared rows, pieces of the width, half median and half lower quartile. */
export function coarse(columns: Columns, deg: number, index: number): Candidate[] {
	const { height } = columns;
	const slope = Math.tan(deg * DEG);
	const rows = shearedRows(columns, slope);
	const texture = textureOf(rows, height);
	// Running sums down each piece make every mean of d rows two look-ups; where a piece has no mean its sum stands still.
	const sums = new Float64Array((height + 1) * PIECES);
	const first = new Int32Array(PIECES).fill(height);
	const last = new Int32Array(PIECES).fill(-1);
	// The same over the whole width, and the rows that all of it reaches: most rows are done with by these alone.
	const whole = new Float64Array(height + 1);
	for (let y = 0, at = 0; y < height; y++) {
		let total = 0;
		for (let p = 0; p < PIECES; p++, at++) {
			const value = rows[at];
			let sum = sums[at];
			if (value === value) {
				sum += value;
				if (first[p] > y) first[p] = y;
				last[p] = y;
			}
			sums[at + PIECES] = sum;
			total += sum;
		}
		whole[y + 1] = total;
	}
	const [allFrom, allTo] = [first.reduce((a, b) => Math.max(a, b)), last.reduce((a, b) => Math.min(a, b))];
	const out: Candidate[] = [];
	const e = new Float64Array(PIECES);
	const sky = new Float64Array(PIECES);
	/** The pieces that reach the row at hand, where not all do. */
	const some = new Int32Array(PIECES);
	let bestSoFar = 0;
	/** The step of each of n pieces between the d rows above and below a row, into `steps`; gives their sum. */
	const stepsAt = (steps: Float64Array, y: number, d: number, seen: Int32Array, n: number): number => {
		const [above, here, below] = [(y - d + 1) * PIECES, (y + 1) * PIECES, (y + d + 1) * PIECES];
		let total = 0;
		for (let k = 0; k < n; k++) {
			const p = seen[k];
			steps[k] = (sums[below + p] - 2 * sums[here + p] + sums[above + p]) / d;
			total += steps[k];
		}
		return total;
	};
	for (const d of STEPS)
		for (let y = EDGE_ROWS + 3 * d; y < height - EDGE_ROWS - d; y++) {
			let seen = EVERY_PIECE;
			let n = PIECES;
			if (y - 3 * d >= allFrom && y + d <= allTo) {
				const step = (whole[y + d + 1] - 2 * whole[y + 1] + whole[y - d + 1]) / (d * PIECES);
				if (tooSmall(step, bestSoFar)) continue;
			} else {
				[seen, n] = [some, 0];
				for (let p = 0; p < PIECES; p++) if (y - 3 * d >= first[p] && y + d <= last[p]) some[n++] = p;
			}
			const total = stepsAt(e, y, d, seen, n);
			if (n < PIECES * 0.6 || tooSmall(total / n, bestSoFar)) continue;
			const sign = total < 0 ? -1 : 1;
			let against = 0;
			for (let k = 0; k < n; k++) {
				e[k] *= sign;
				if (e[k] < 0) against++;
			}
			// Where more than half of the width steps the other way the robust mean is below zero.
			if (against > n >> 1) continue;
			sortLower(e, n);
			const robust = 0.5 * e[n >> 1] + 0.5 * e[n >> 2];
			if (robust <= 0) continue;
			stepsAt(sky, y - 2 * d, d, seen, n);
			sortLower(sky, n);
			const middle = n % 2 === 1 ? sky[n >> 1] : (sky[n / 2 - 1] + sky[n / 2]) / 2;
			const score = robust - SKY_WEIGHT * Math.abs(middle);
			if (score <= 0) continue;
			const weighted = score * textureWeight(texture, y, height);
			bestSoFar = Math.max(bestSoFar, weighted);
			out.push({ slope, row: y + 0.5, score: weighted, channel: index, sign });
		}
	return out;
}

/** The few best of one angle, each some rows from the others. */
export function peaksOf(found: Candidate[], height: number): Candidate[] {
	const out: Candidate[] = [];
	for (const c of found.sort((a, b) => b.score - a.score)) {
		if (out.every((o) => Math.abs(o.row - c.row) >= APART * height)) out.push(c);
		if (out.length === 3) break;
	}
	return out;
}

/** Brings the smallest half of the first n values, the middle ones included, to the front in rising order; n is small. */
function sortLower(a: Float64Array, n: number): void {
	const kept = (n >> 1) + 1;
	for (let i = 1; i < n; i++) {
		const v = a[i];
		let k = Math.min(i, kept) - 1;
		if (a[k] <= v) continue;
		// Where the front is full its largest drops out.
		if (i >= kept) k--;
		for (; k >= 0 && a[k] > v; k--) a[k + 1] = a[k];
		a[k + 1] = v;
	}
}

/** Running sums of how much the sheared rows differ from one to the next, and of how many differences were known. */
interface Texture {
	sums: Float64Array;
	counts: Int32Array;
}

function textureOf(rows: Float64Array, height: number): Texture {
	const sums = new Float64Array(height + 1);
	const counts = new Int32Array(height + 1);
	for (let r = 0; r < height; r++) {
		let sum = 0;
		let count = 0;
		for (let p = 0; r > 0 && p < PIECES; p += 3) {
			const d = rows[r * PIECES + p] - rows[(r - 1) * PIECES + p];
			if (!Number.isFinite(d)) continue;
			sum += Math.abs(d);
			count++;
		}
		sums[r + 1] = sums[r] + sum;
		counts[r + 1] = counts[r] + count;
	}
	return { sums, counts };
}

/** A horizon has quiet above it and texture below. */
function textureWeight({ sums, counts }: Texture, y: number, height: number): number {
	const rough = (from: number, to: number) => {
		const [a, b] = [Math.max(1, from), Math.min(height, to)];
		const count = counts[b] - counts[a];
		return count > 0 ? (sums[b] - sums[a]) / count + 0.15 : 0.15;
	};
	return Math.min(4, rough(y + 4, y + 34) / rough(y - 34, y - 3)) ** TEXTURE_POWER;
}
