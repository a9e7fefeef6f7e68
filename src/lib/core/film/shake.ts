import { bilinear, type Image } from './frame';
import type { Mark } from './background';

/** How a picture lies against the first: shifted, and rolled about the middle, radians. */
export interface Shift {
	x: number;
	y: number;
	roll: number;
}

const HALF = 8;
const REACH = 7;
const GRID_PX = 22;
const APART_PX = 60;
const MOST = 24;
/** Smaller eigenvalue of the mean product of slopes: what has less has no corner to hold on to. */
const LEAST_CORNER = 4;

interface Patch {
	x: number;
	y: number;
	look: Float32Array;
	length: number;
}

/** Follows patches of the background from the first picture on: what they do together is the hand that holds the phone. */
export class ShakeReader {
	readonly patches: Patch[] = [];
	#last: Shift = { x: 0, y: 0, roll: 0 };

	constructor(first: Image, mark: Mark) {
		const { width, height } = first;
		const found: { x: number; y: number; corner: number }[] = [];
		for (let y = HALF + REACH + 1; y < height - HALF - REACH - 1; y += GRID_PX)
			for (let x = HALF + REACH + 1; x < width - HALF - REACH - 1; x += GRID_PX) {
				if (Math.abs(x - mark.u) < 1.2 * mark.widthPx + 3 * HALF && Math.abs(y - mark.v) < mark.widthPx + 3 * HALF)
					continue;
				const corner = cornerAt(first, x, y);
				if (corner >= LEAST_CORNER) found.push({ x, y, corner });
			}
		found.sort((a, b) => b.corner - a.corner);
		for (const { x, y } of found) {
			if (this.patches.length >= MOST) break;
			if (this.patches.some((p) => Math.abs(p.x - x) + Math.abs(p.y - y) < APART_PX)) continue;
			const look = cut(first, x, y);
			this.patches.push({ x, y, look, length: Math.sqrt(look.reduce((s, v) => s + v * v, 0)) });
		}
	}

	/** How a picture lies against the first, and the share of the patches that agree to three pixels. */
	read(picture: Image): { shift: Shift; agree: number } {
		const { width, height } = picture;
		const [cx, cy] = [width / 2, height / 2];
		const seen = this.patches.flatMap((patch) => {
			const bx = Math.round(patch.x + this.#last.x - this.#last.roll * (patch.y - cy));
			const by = Math.round(patch.y + this.#last.y + this.#last.roll * (patch.x - cx));
			const place = match(picture, patch, bx, by);
			return place ? [{ x: patch.x - cx, y: patch.y - cy, dx: place.x - patch.x, dy: place.y - patch.y }] : [];
		});
		if (seen.length < 2) return { shift: this.#last, agree: 0 };
		let shift: Shift = { x: middle(seen.map((s) => s.dx)), y: middle(seen.map((s) => s.dy)), roll: 0 };
		let off = seen.map(() => 0);
		for (let round = 0; round < 6; round++) {
			off = seen.map(({ x, y, dx, dy }) => Math.hypot(dx - shift.x + shift.roll * y, dy - shift.y - shift.roll * x));
			const s = Math.max(0.15, 1.48 * middle(off));
			shift = leastSquares(
				seen,
				off.map((r) => 1 / (1 + (r / (1.5 * s)) ** 2)),
			);
		}
		this.#last = shift;
		return { shift, agree: off.filter((r) => r < 3).length / this.patches.length };
	}
}

const middle = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1] ?? 0;

/** Shift and roll about the middle by weighted least squares: dx = x − roll·py, dy = y + roll·px. */
function leastSquares(
	seen: readonly { x: number; y: number; dx: number; dy: number }[],
	weights: readonly number[],
): Shift {
	let [w, wx, wy, wr, dx, dy, turn] = [0, 0, 0, 0, 0, 0, 0];
	seen.forEach((s, k) => {
		const g = weights[k];
		w += g;
		wx += g * s.x;
		wy += g * s.y;
		wr += g * (s.x * s.x + s.y * s.y);
		dx += g * s.dx;
		dy += g * s.dy;
		turn += g * (s.x * s.dy - s.y * s.dx);
	});
	const det = wr - (wx * wx + wy * wy) / w;
	const roll = det > 1e-9 ? (turn - (wx * dy - wy * dx) / w) / det : 0;
	return { x: (dx + roll * wy) / w, y: (dy - roll * wx) / w, roll };
}

function cut({ data, width }: Image, x: number, y: number): Float32Array {
	const out = new Float32Array((2 * HALF + 1) ** 2);
	let k = 0;
	for (let j = -HALF; j <= HALF; j++) for (let i = -HALF; i <= HALF; i++) out[k++] = data[(y + j) * width + x + i];
	const mean = out.reduce((s, v) => s + v, 0) / out.length;
	for (k = 0; k < out.length; k++) out[k] -= mean;
	return out;
}

function cornerAt({ data, width }: Image, x: number, y: number): number {
	let [xx, yy, xy, n] = [0, 0, 0, 0];
	for (let j = -HALF; j <= HALF; j++)
		for (let i = -HALF; i <= HALF; i++) {
			const at = (y + j) * width + x + i;
			const gx = (data[at + 1] - data[at - 1]) / 2;
			const gy = (data[at + width] - data[at - width]) / 2;
			xx += gx * gx;
			yy += gy * gy;
			xy += gx * gy;
			n++;
		}
	return ((xx + yy) / 2 - Math.hypot((xx - yy) / 2, xy)) / n;
}

/** Where a patch lies within reach of a place, to a part of a pixel; null at the rim. */
function match(
	{ data, width, height }: Image,
	{ look, length }: Patch,
	bx: number,
	by: number,
): { x: number; y: number } | null {
	const span = HALF + REACH;
	if (bx < span || by < span || bx >= width - span || by >= height - span) return null;
	const side = 2 * REACH + 1;
	const z = new Float32Array(side * side);
	const n = look.length;
	let best = 0;
	for (let j = 0; j < side; j++)
		for (let i = 0; i < side; i++) {
			let [s, ss, st, k] = [0, 0, 0, 0];
			for (let y = -HALF; y <= HALF; y++) {
				let at = (by + j - REACH + y) * width + bx + i - REACH - HALF;
				for (let x = 0; x <= 2 * HALF; x++, at++, k++) {
					const v = data[at];
					s += v;
					ss += v * v;
					st += v * look[k];
				}
			}
			const scatter = ss - (s * s) / n;
			z[j * side + i] = scatter > 0 && length > 0 ? st / (Math.sqrt(scatter) * length) : -1;
			if (z[j * side + i] > z[best]) best = j * side + i;
		}
	const [i, j] = [best % side, Math.floor(best / side)];
	const peak = (before: number, at: number, after: number) => {
		const bend = before - 2 * at + after;
		return bend < 0 ? Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend))) : 0;
	};
	const fx = i > 0 && i < side - 1 ? peak(z[best - 1], z[best], z[best + 1]) : 0;
	const fy = j > 0 && j < side - 1 ? peak(z[best - side], z[best], z[best + side]) : 0;
	return { x: bx + i - REACH + fx, y: by + j - REACH + fy };
}

/** A picture laid back on the first, into `out`. */
export function unshaken(picture: Image, { x, y, roll }: Shift, out: Float32Array): void {
	const { width, height } = picture;
	const [cx, cy] = [width / 2, height / 2];
	for (let v = 0; v < height; v++)
		for (let u = 0; u < width; u++)
			out[v * width + u] = bilinear(picture, u + x - roll * (v - cy), v + y + roll * (u - cx));
}
