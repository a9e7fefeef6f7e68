import type { HorizonAnswer } from '../../schema/horizon';
import { DEG } from '../frames/angles';
import { judge, reason } from '../frames/reasons';
import { median, robustSigma } from '../frames/statistics';
import { horizonLimits as limits } from './limits';
import type { Picture } from './picture';

const MOST_DEG = 20;
/** Fine enough: half a step is within the first window of the refinement. */
const COARSE_DEG = 1.5;
const PIECES = 16;
const STEPS: readonly number[] = [2, 6];
const EDGE_ROWS = 8;
const SKY_WEIGHT = 0.8;
const TEXTURE_POWER = 0.7;
const SHRINK: readonly number[] = [14, 8, 5];
/** Columns count as tight within this many pixels of the line. */
const TIGHT_PX = 1.6;
const MIN_CONTRAST = 2;
/** Lines looked at closely. */
const MOST_LINES = 8;
/** Shares of the height: lines nearer than this are one; nearer to the rim they are not looked at. */
const APART = 0.04;
const RIM = 0.1;
const QUIETER = 0.75;
/** A line that is to take the place of a stronger one must be as clear as this, and of this share of its strength. */
const SURE = 0.85;
const AS_STRONG = 0.5;
/** Share of the columns that lie on the line: none of the confidence at the first, all at the second. */
const TIGHT_RAMP = [0.3, 0.75] as const;

type Channel = Float32Array;

/** Lightness, blue against red, green against both, smoothed by 3×3: what sky and ground differ in. */
function channelsOf({ width, height, rgb }: Picture): Channel[] {
	const n = width * height;
	const raw = [new Float32Array(n), new Float32Array(n), new Float32Array(n)];
	for (let i = 0; i < n; i++) {
		const [r, g, b] = [rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]];
		raw[0][i] = 0.299 * r + 0.587 * g + 0.114 * b;
		raw[1][i] = 0.7 * (b - r);
		raw[2][i] = 0.7 * (g - (r + b) / 2);
	}
	return raw.map((channel) => smooth(channel, width, height));
}

/** Binomial blur of 3×3; the rim repeats its own pixels. */
function smooth(a: Channel, width: number, height: number): Channel {
	const across = new Float32Array(a.length);
	for (let i = 0; i < a.length; i++) {
		const x = i % width;
		across[i] = 0.25 * a[x > 0 ? i - 1 : i] + 0.5 * a[i] + 0.25 * a[x < width - 1 ? i + 1 : i];
	}
	const out = new Float32Array(a.length);
	for (let i = 0; i < a.length; i++) {
		const above = i >= width ? i - width : i;
		const below = i < width * (height - 1) ? i + width : i;
		out[i] = 0.25 * across[above] + 0.5 * across[i] + 0.25 * across[below];
	}
	return out;
}

interface Candidate {
	slope: number;
	/** Row at the middle column. */
	row: number;
	score: number;
	channel: number;
	sign: number;
}

/** Best straight step between rows at one angle: sheared rows, pieces of the width, half median and half lower quartile. */
function coarse(channel: Channel, width: number, height: number, deg: number, index: number): Candidate[] {
	const slope = Math.tan(deg * DEG);
	const pieceWidth = width / PIECES;
	// Mean of each sheared row within each piece.
	const rows = new Float64Array(height * PIECES).fill(NaN);
	for (let p = 0; p < PIECES; p++) {
		const from = Math.floor(p * pieceWidth);
		const to = Math.floor((p + 1) * pieceWidth);
		// How far each looked-at column is sheared, whole rows.
		const columns = Math.ceil((to - from) / 3);
		const shift = Int32Array.from({ length: columns }, (_, k) => Math.round(slope * (from + 3 * k - width / 2)));
		for (let y = 0; y < height; y++) {
			let sum = 0;
			let count = 0;
			for (let k = 0; k < columns; k++) {
				const at = y + shift[k];
				if (at < 0 || at >= height) continue;
				sum += channel[at * width + from + 3 * k];
				count++;
			}
			if (count > 0.2 * (to - from)) rows[y * PIECES + p] = sum / count;
		}
	}
	const texture = textureOf(rows, height);
	// Running sums down each piece make every mean of d rows two look-ups; a gap in a piece makes its sums NaN from there.
	const sums = new Float64Array((height + 1) * PIECES);
	const first = new Int32Array(PIECES).fill(height);
	const last = new Int32Array(PIECES).fill(-1);
	for (let p = 0; p < PIECES; p++)
		for (let y = 0; y < height; y++) {
			const value = rows[y * PIECES + p];
			const known = Number.isFinite(value);
			sums[(y + 1) * PIECES + p] = sums[y * PIECES + p] + (known ? value : 0);
			if (!known) continue;
			first[p] = Math.min(first[p], y);
			last[p] = y;
		}
	const out: Candidate[] = [];
	const e = new Float64Array(PIECES);
	const sky = new Float64Array(PIECES);
	let bestSoFar = 0;
	for (const d of STEPS) {
		const edge = (y: number, p: number) =>
			(sums[(y + d + 1) * PIECES + p] - 2 * sums[(y + 1) * PIECES + p] + sums[(y - d + 1) * PIECES + p]) / d;
		for (let y = EDGE_ROWS + 3 * d; y < height - EDGE_ROWS - d; y++) {
			let n = 0;
			let total = 0;
			for (let p = 0; p < PIECES; p++) {
				if (y - 3 * d < first[p] || y + d > last[p]) continue;
				e[n] = edge(y, p);
				sky[n] = edge(y - 2 * d, p);
				total += e[n];
				n++;
			}
			// The robust mean cannot exceed twice the plain one by much: most rows are done with here.
			if (n < PIECES * 0.6 || Math.abs(total / n) * 4 < bestSoFar * 0.3) continue;
			const sign = total < 0 ? -1 : 1;
			for (let p = 0; p < n; p++) e[p] *= sign;
			sortFew(e, n);
			sortFew(sky, n);
			const robust = 0.5 * e[n >> 1] + 0.5 * e[n >> 2];
			const middle = n % 2 === 1 ? sky[n >> 1] : (sky[n / 2 - 1] + sky[n / 2]) / 2;
			const score = robust - SKY_WEIGHT * Math.abs(middle);
			if (score <= 0) continue;
			const weighted = score * textureWeight(texture, y, height);
			bestSoFar = Math.max(bestSoFar, weighted);
			out.push({ slope, row: y + 0.5, score: weighted, channel: index, sign });
		}
	}
	return out;
}

/** The few best of one angle, each some rows from the others. */
function peaksOf(found: Candidate[], height: number): Candidate[] {
	const out: Candidate[] = [];
	for (const c of found.sort((a, b) => b.score - a.score)) {
		if (out.every((o) => Math.abs(o.row - c.row) >= APART * height)) out.push(c);
		if (out.length === 3) break;
	}
	return out;
}

/** The first n values in rising order; n is small. */
function sortFew(a: Float64Array, n: number): void {
	for (let i = 1; i < n; i++) {
		const v = a[i];
		let k = i - 1;
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

interface Refined {
	slope: number;
	row: number;
	sigmaDeg: number;
	tight: number;
	spread: number;
	contrast: number;
	polarity: number;
}

/** Per column the strongest gradient of one polarity near the line, sub-pixel; then the line by reweighted least squares. */
function refine(channel: Channel, width: number, height: number, start: Candidate): Refined | null {
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
			const gradient = (y: number) => start.sign * (channel[(y + 1) * width + x] - channel[(y - 1) * width + x]);
			for (
				let y = Math.max(2, Math.round(middle - reach));
				y <= Math.min(height - 3, Math.round(middle + reach));
				y++
			) {
				const g = gradient(y);
				if (g > best) [best, at] = [g, y];
			}
			if (at < 0) continue;
			const [a, b, c] = [gradient(at - 1), best, gradient(at + 1)];
			const curve = a - 2 * b + c;
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
	// Rows a little above and below the whole line: the step must point one way along all of it.
	let agree = 0;
	let looked = 0;
	for (let x = 0; x < width; x += 4) {
		const y = Math.round(row + slope * (x - width / 2));
		if (y < 6 || y >= height - 6) continue;
		let [above, below] = [0, 0];
		for (let k = 2; k <= 5; k++) {
			above += channel[(y - k) * width + x];
			below += channel[(y + k) * width + x];
		}
		looked++;
		if (start.sign * (below - above) > 0) agree++;
	}
	return {
		slope,
		row,
		sigmaDeg: Math.hypot(sigmaSlope / DEG, 0.03),
		tight: tightCount / width,
		spread: pieces.size / PIECES,
		contrast,
		polarity: looked > 0 ? Math.max(0, (2 * agree) / looked - 1) : 0,
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

const ramp = (value: number, low: number, high: number) => Math.max(0, Math.min(1, (value - low) / (high - low)));

const strengthOf = (r: Refined) => r.tight * r.spread * Math.log(1 + r.contrast) * r.polarity;

const confidenceOf = (r: Refined) =>
	ramp(r.tight, ...TIGHT_RAMP) *
	ramp(r.spread, 0.5, 0.9) *
	ramp(r.contrast, MIN_CONTRAST, 5 * MIN_CONTRAST) *
	ramp(r.polarity, 0.4, 0.85);

/** The best candidates, each of another line: one a place and angle. */
function distinct(candidates: Candidate[], height: number): Candidate[] {
	const out: Candidate[] = [];
	for (const c of [...candidates].sort((a, b) => b.score - a.score)) {
		if (out.length === MOST_LINES) break;
		const known = out.some(
			(o) =>
				Math.abs(o.row - c.row) < APART * height &&
				Math.abs(o.slope - c.slope) < Math.tan(4 * DEG) &&
				o.channel === c.channel,
		);
		if (!known) out.push(c);
	}
	return out;
}

/** Edges of tables, frames and shelves run along the rim of a picture; a horizon there could not be judged anyway. */
const insideOf = ({ row }: Refined, height: number) => row > RIM * height && row < (1 - RIM) * height;

/** Mean step between neighbouring pixels of all that lies above a line. */
function unrestAbove(channel: Channel, { row, slope }: Refined, width: number, height: number): number {
	let sum = 0;
	let count = 0;
	for (let x = 2; x < width - 2; x += 3) {
		const end = Math.min(height - 2, Math.round(row + slope * (x - width / 2)) - 5);
		for (let y = 2; y < end; y += 2) {
			const at = y * width + x;
			sum += Math.abs(channel[at + 1] - channel[at - 1]) + Math.abs(channel[at + width] - channel[at - width]);
			count++;
		}
	}
	return count > 0 ? sum / count : Infinity;
}

/** A shore is often sharper than the horizon: a clear line higher up with a quieter picture above it is taken instead. */
function higherAndQuieter(
	strongest: Refined,
	lines: Refined[],
	channel: Channel,
	width: number,
	height: number,
): Refined {
	let best = strongest;
	let unrest = unrestAbove(channel, strongest, width, height);
	for (const r of lines) {
		const clear = confidenceOf(r) >= SURE && strengthOf(r) >= AS_STRONG * strengthOf(strongest);
		if (!clear || r.row > best.row - APART * height) continue;
		const above = unrestAbove(channel, r, width, height);
		if (above < QUIETER * unrest) [best, unrest] = [r, above];
	}
	return best;
}

/**
 * Tilt of the horizon in a picture, degrees, positive where the right side is lower; refused where no clear line is
 * found. The picture is best about 640 pixels wide. Sheared row steps in three channels, refined by columns. `progress` is
 * told the share done, 0..1.
 */
export function findHorizon(picture: Picture, progress?: (share: number) => void): HorizonAnswer {
	const { width, height } = picture;
	const refuse = (text: string, confidence: number | null): HorizonAnswer => ({
		tiltDeg: null,
		sigmaDeg: null,
		confidence,
		line: null,
		...judge([
			reason(
				'fail',
				'insufficient-horizon',
				text,
				confidence ?? undefined,
				limits.confidence,
				'Take a picture of open sea or a far plain, the horizon right across it.',
			),
		]),
	});
	if (width < 64 || height < 64) return refuse('The picture is too small.', null);
	const channels = channelsOf(picture);
	const candidates: Candidate[] = [];
	for (let deg = -MOST_DEG; deg <= MOST_DEG; deg += COARSE_DEG) {
		progress?.((0.9 * (deg + MOST_DEG)) / (2 * MOST_DEG));
		channels.forEach((channel, index) => {
			const found = coarse(channel, width, height, deg, index);
			candidates.push(...peaksOf(found, height));
		});
	}
	const refined = (some: Candidate[]) =>
		some
			.map((candidate) => refine(channels[candidate.channel], width, height, candidate))
			.filter((r) => r !== null)
			.filter((r) => Math.abs(Math.atan(r.slope) / DEG) <= MOST_DEG && insideOf(r, height));
	candidates.sort((a, b) => b.score - a.score);
	const likely = refined(candidates.slice(0, MOST_LINES));
	if (likely.length === 0) return refuse('No line was found right across the picture.', 0);
	const strongest = likely.reduce((a, b) => (strengthOf(b) > strengthOf(a) ? b : a));
	const r = higherAndQuieter(strongest, refined(distinct(candidates, height)), channels[0], width, height);
	const confidence = confidenceOf(r);
	if (confidence < limits.confidence.value) return refuse('No clear horizon was found.', confidence);
	const tiltDeg = Math.atan((r.slope * picture.fullHeight * width) / (height * picture.fullWidth)) / DEG;
	const [kx, ky] = [picture.fullWidth / width, picture.fullHeight / height];
	const at = (x: number) => (r.row + 0.5 + r.slope * (x - width / 2)) * ky;
	const level = Math.abs(tiltDeg) <= limits.tiltDeg.value + r.sigmaDeg;
	return {
		tiltDeg,
		sigmaDeg: r.sigmaDeg,
		confidence,
		line: [0, at(0), width * kx, at(width)],
		...judge([
			level
				? reason('pass', 'horizon-level', 'The horizon lies level.', tiltDeg, limits.tiltDeg)
				: reason(
						'caution',
						'horizon-tilted',
						`The ${tiltDeg > 0 ? 'right' : 'left'} side is lower by ${Math.abs(tiltDeg).toFixed(1)}°.`,
						tiltDeg,
						limits.tiltDeg,
						`Calibrate the gimbal; if it stays, trim its roll by ${(-tiltDeg).toFixed(1)}°.`,
					),
			reason('pass', 'horizon-clear', 'The line found is clear.', confidence, limits.confidence),
		]),
	};
}
