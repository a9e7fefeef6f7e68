import { payload as say } from '$lib/messages/payload';
import type { Area, SharpnessAnswer } from '../../schema/payload';
import { InputError } from '../finding/inputError';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { median, quantile, robustSigma } from '../math/statistics';
import { payloadLimits as limits } from './limits';
import { greyOf, type Grey, type Picture } from './picture';

/** Edges stronger than this share of the strongest are measured. */
const STRONG = 0.35;
const LEAST_STEP = 18;
const MOST_EDGES = 4000;
const REACH_PX = 14;

/** Width of the step through (x, y) along one direction, 10 to 90 %, in pixels; null where it is no clean step. */
function stepWidth(
	{ width, height, values }: Grey,
	x: number,
	y: number,
	dx: number,
	dy: number,
	rise: number,
): number | null {
	const at = (k: number) => {
		const px = x + k * dx;
		const py = y + k * dy;
		return px < 0 || py < 0 || px >= width || py >= height ? null : values[py * width + px];
	};
	const climb = (sign: number) => {
		let last = at(0) ?? 0;
		let k = 0;
		for (let step = 1; step <= REACH_PX; step++) {
			const next = at(sign * step);
			if (next === null || (next - last) * sign * rise <= 0) break;
			last = next;
			k = step;
		}
		return { level: last, k };
	};
	const high = climb(1);
	const low = climb(-1);
	const step = Math.abs(high.level - low.level);
	if (step < LEAST_STEP || high.k === REACH_PX || low.k === REACH_PX) return null;
	// Where the profile passes 10 and 90 %, to a fraction of a pixel.
	const crossing = (share: number) => {
		const target = low.level + share * (high.level - low.level);
		for (let k = -low.k; k < high.k; k++) {
			const [a, b] = [at(k) ?? 0, at(k + 1) ?? 0];
			if ((a - target) * (b - target) <= 0 && a !== b) return k + (target - a) / (b - a);
		}
		return null;
	};
	const [from, to] = [crossing(0.1), crossing(0.9)];
	return from === null || to === null ? null : to - from;
}

/**
 * Sharpness of a chosen area: the median width of its cleanest edges, 10 to 90 %, pixels, with its uncertainty. A camera that
 * is in focus draws edges of about two pixels. An area without edges says nothing and is refused.
 * @throws InputError where the area lies outside the picture.
 */
export function measureSharpness(picture: Picture, area: Area): SharpnessAnswer {
	if (area.x + area.width > picture.width || area.y + area.height > picture.height)
		throw new InputError('area', 'area', 'The chosen area lies outside the picture.');
	const grey = greyOf(picture, area.x, area.y, area.width, area.height);
	const { width, height, values } = grey;
	const gx = new Float32Array(values.length);
	const gy = new Float32Array(values.length);
	const size = new Float32Array(values.length);
	for (let y = 1; y < height - 1; y++)
		for (let x = 1; x < width - 1; x++) {
			const k = y * width + x;
			gx[k] = (values[k + 1] - values[k - 1]) / 2;
			gy[k] = (values[k + width] - values[k - width]) / 2;
			size[k] = Math.max(Math.abs(gx[k]), Math.abs(gy[k]));
		}
	const threshold = STRONG * quantile(size, 0.999);
	const widths: number[] = [];
	const stride = Math.max(1, Math.floor((width * height) / 400_000));
	for (let y = 1; y < height - 1 && widths.length < MOST_EDGES; y += stride)
		for (let x = 1; x < width - 1; x++) {
			const k = y * width + x;
			if (size[k] < threshold || threshold <= 0) continue;
			const across = Math.abs(gx[k]) >= Math.abs(gy[k]);
			const [dx, dy] = across ? [1, 0] : [0, 1];
			// Only edges nearly square to the direction measured: a slanting one looks wider than it is.
			if (Math.min(Math.abs(gx[k]), Math.abs(gy[k])) > 0.5 * size[k]) continue;
			// The steepest pixel of the step only, so that each step counts once.
			const before = size[k - dx - dy * width];
			const after = size[k + dx + dy * width];
			if (size[k] < before || size[k] <= after) continue;
			const wide = stepWidth(grey, x, y, dx, dy, Math.sign(across ? gx[k] : gy[k]));
			if (wide !== null) widths.push(wide);
		}
	const contrast = quantile(values, 0.98) - quantile(values, 0.02);
	if (widths.length < limits.fewestEdges.value)
		return {
			edgePx: null,
			edgeSigmaPx: null,
			edges: widths.length,
			contrast,
			...judge([reason('fail', say('insufficient-edges'), { value: widths.length, limit: limits.fewestEdges })]),
		};
	const edgePx = median(widths);
	const edgeSigmaPx = (1.25 * robustSigma(widths)) / Math.sqrt(widths.length);
	return {
		edgePx,
		edgeSigmaPx,
		edges: widths.length,
		contrast,
		...judge([
			edgePx > limits.edgeFailPx.value
				? reason('fail', say('blurred'), { value: edgePx, limit: limits.edgeFailPx })
				: atMost(edgePx, {
						caution: { limit: limits.edgePx, says: say('soft') },
						pass: say('sharp'),
					}),
		]),
	};
}
