import { blurInto, type Frame, type Image } from './frame';

/** Where the aircraft was marked: its middle and its width from motor to motor, pixels of the frame. */
export interface Mark {
	u: number;
	v: number;
	widthPx: number;
}

/** What is behind the aircraft, learnt as the film goes, and how often each pixel was seen of it. */
export interface Background {
	image: Image;
	seen: Float32Array;
}

/** Every so manieth pixel is enough to tell how bright a picture is. */
const STRIDE = 8;
const SEEN_AT_FIRST = 5;
/** Grey levels by which the aircraft must stand out where it was marked; less, and it is in the background itself. */
const STANDS_OUT = 5;
/** The aircraft stands out from the median by less than this share of what it does from its surroundings: it is in the median. */
const LEAKS = 0.75;
const RIM = 5;
const BLEND = 0.04;
const DARK = 8;

/** Brightness of one picture against another: the middle of the ratios of a part of their pixels. */
function ratio(a: Float32Array, b: Float32Array, offset: number, seen?: Float32Array): number {
	const out = new Float32Array(Math.ceil(a.length / STRIDE));
	let n = 0;
	for (let i = 0; i < a.length; i += STRIDE) if (!seen || seen[i] > 0) out[n++] = (a[i] + offset) / (b[i] + offset);
	return n > 0 ? out.subarray(0, n).sort()[n >> 1] : 1;
}

/** The background from pictures spread over the film (their pixel-wise median), with the marked aircraft taken out where it is in it. */
export function firstBackground(spread: readonly Frame[], first: Frame, mark: Mark): Background {
	const { width, height } = first;
	const n = width * height;
	const spare = new Float32Array(n);
	const blurred = spread.map((frame) => {
		const out = new Float32Array(n);
		blurInto(frame, spare, out);
		return out;
	});
	for (const own of blurred.slice(1)) {
		const r = ratio(blurred[0], own, 1);
		for (let i = 0; i < n; i++) own[i] *= r;
	}
	const data = new Float32Array(n);
	const count = blurred.length;
	const column = new Float32Array(count);
	for (let i = 0; i < n; i++) {
		for (let k = 0; k < count; k++) {
			// Insertion keeps the column in order: it is short.
			let at = k;
			const value = blurred[k][i];
			while (at > 0 && column[at - 1] > value) column[at] = column[--at];
			column[at] = value;
		}
		data[i] = count % 2 ? column[count >> 1] : (column[count / 2 - 1] + column[count / 2]) / 2;
	}
	const background = { image: { data, width, height }, seen: new Float32Array(n).fill(SEEN_AT_FIRST) };
	const now = new Float32Array(n);
	blurInto(first, spare, now);
	const rims = { image: { data: data.slice(), width, height }, seen: background.seen.slice() };
	refill(rims, mark);
	const [out, most] = [background, rims].map(({ image }) => standsOut(image, now, mark));
	// Where it dwelt, the median holds a part of it: then what is about it tells better what is behind it.
	return out < STANDS_OUT || out < LEAKS * most ? rims : background;
}

/** Mean difference between a picture and the background where the aircraft was marked. */
function standsOut({ data, width, height }: Image, now: Float32Array, { u, v, widthPx: w }: Mark): number {
	const [a, b] = [0.5 * w + 1, 0.3 * w + 1];
	let [sum, count] = [0, 0];
	for (let y = Math.max(0, Math.ceil(v - b)); y <= Math.min(height - 1, v + b); y++)
		for (let x = Math.max(0, Math.ceil(u - a)); x <= Math.min(width - 1, u + a); x++) {
			if (((x - u) / a) ** 2 + ((y - v) / b) ** 2 > 1) continue;
			sum += Math.abs(now[y * width + x] - data[y * width + x]);
			count++;
		}
	return count > 0 ? sum / count : 0;
}

/** Half axes of the box about an aircraft so many pixels wide. */
export const boxOf = (widthPx: number): [number, number] => [0.95 * widthPx + 2, 0.62 * widthPx + 2];

/** Fills the box about the mark from its rims: left to right and top to bottom, half and half. */
function refill({ image: { data, width, height }, seen }: Background, { u, v, widthPx }: Mark): void {
	const [a, b] = boxOf(widthPx);
	const x0 = Math.max(1, Math.floor(u - a));
	const x1 = Math.min(width - 2, Math.ceil(u + a));
	const y0 = Math.max(1, Math.floor(v - b));
	const y1 = Math.min(height - 2, Math.ceil(v + b));
	const mean = (x: number, y: number, dx: number, dy: number) => {
		let [sum, count] = [0, 0];
		for (let k = -(RIM >> 1); k <= RIM >> 1; k++) {
			const [px, py] = [x + k * dx, y + k * dy];
			if (px < 0 || py < 0 || px >= width || py >= height) continue;
			sum += data[py * width + px];
			count++;
		}
		return sum / count;
	};
	const left = Array.from({ length: y1 - y0 + 1 }, (_, k) => mean(x0 - 1, y0 + k, 0, 1));
	const right = left.map((_, k) => mean(x1 + 1, y0 + k, 0, 1));
	const top = Array.from({ length: x1 - x0 + 1 }, (_, k) => mean(x0 + k, y0 - 1, 1, 0));
	const bottom = top.map((_, k) => mean(x0 + k, y1 + 1, 1, 0));
	for (let y = y0; y <= y1; y++)
		for (let x = x0; x <= x1; x++) {
			const [fx, fy] = [(x - x0) / Math.max(1, x1 - x0), (y - y0) / Math.max(1, y1 - y0)];
			const across = left[y - y0] + fx * (right[y - y0] - left[y - y0]);
			const down = top[x - x0] + fy * (bottom[x - x0] - top[x - x0]);
			data[y * width + x] = (across + down) / 2;
			seen[y * width + x] = 0;
		}
}

/** The picture's own exposure taken out, in place: pictures of one scene are alike but for the aircraft. */
export function levelTo({ image, seen }: Background, picture: Float32Array): void {
	const g = Math.max(0.6, Math.min(1.6, ratio(picture, image.data, DARK, seen)));
	for (let i = 0; i < picture.length; i++) picture[i] = (picture[i] + DARK) / g - DARK;
}

/** Learns a picture outside the box about the aircraft. */
export function learn({ image, seen }: Background, picture: Float32Array, { u, v, widthPx }: Mark): void {
	const [a, b] = boxOf(widthPx);
	const { data, width, height } = image;
	for (let y = 0; y < height; y++) {
		const inside = Math.abs(y - v) <= b;
		const [from, to] = inside ? [Math.floor(u - a), Math.ceil(u + a)] : [width, width];
		for (let x = 0; x < width; x++) {
			if (x >= from && x <= to) continue;
			const i = y * width + x;
			const share = seen[i] === 0 ? 1 : Math.max(BLEND, 1 / (seen[i] + 1));
			data[i] += share * (picture[i] - data[i]);
			seen[i]++;
		}
	}
}
