import { payload as say } from '$lib/messages/payload';
import type { TextureAnswer } from '../../schema/payload';
import { InputError } from '../finding/inputError';
import { atLeast, atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { mean, quantile } from '../math/statistics';
import { payloadLimits as limits } from './limits';
import { greyOf, type Grey, type Picture } from './picture';

const WIDE = 192;
const BLOCK = 12;
/** Smaller eigenvalue of the structure tensor above which a block has a corner to follow (Shi and Tomasi 1994), luma². */
const CORNER = 60;
const LEAST_PX = 64;

/** The picture brought to a small width by averaging: a downward camera sees no more. */
function shrunk(picture: Picture): Grey {
	const whole = greyOf(picture, 0, 0, picture.width, picture.height);
	const k = Math.max(1, Math.floor(Math.min(picture.width, picture.height) / WIDE));
	const width = Math.floor(picture.width / k);
	const height = Math.floor(picture.height / k);
	const values = new Float32Array(width * height);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			let sum = 0;
			for (let b = 0; b < k; b++)
				for (let a = 0; a < k; a++) sum += whole.values[(y * k + b) * picture.width + x * k + a];
			values[y * width + x] = sum / (k * k);
		}
	return { width, height, values };
}

/** Share of blocks with a corner in them. */
function cornerShare({ width, height, values }: Grey): number {
	let blocks = 0;
	let good = 0;
	for (let y0 = 1; y0 + BLOCK < height - 1; y0 += BLOCK)
		for (let x0 = 1; x0 + BLOCK < width - 1; x0 += BLOCK) {
			let [xx, xy, yy] = [0, 0, 0];
			for (let y = y0; y < y0 + BLOCK; y++)
				for (let x = x0; x < x0 + BLOCK; x++) {
					const k = y * width + x;
					const gx = (values[k + 1] - values[k - 1]) / 2;
					const gy = (values[k + width] - values[k - width]) / 2;
					xx += gx * gx;
					xy += gx * gy;
					yy += gy * gy;
				}
			const n = BLOCK * BLOCK;
			const half = (xx + yy) / 2 / n;
			const least = half - Math.hypot((xx - yy) / 2 / n, xy / n);
			blocks++;
			if (least > CORNER) good++;
		}
	return blocks > 0 ? good / blocks : 0;
}

/** Best normalised correlation of the picture with itself moved by 8 to 48 pixels: near 1 where a pattern repeats. */
function repetition({ width, height, values }: Grey): number {
	const m = mean(values);
	let best = 0;
	const steps: [number, number][] = [];
	for (let d = 8; d <= 48; d += 1) steps.push([d, 0], [0, d], [d, d]);
	for (const [dx, dy] of steps) {
		let [ab, aa, bb] = [0, 0, 0];
		for (let y = 0; y + dy < height; y += 2)
			for (let x = 0; x + dx < width; x += 2) {
				const a = values[y * width + x] - m;
				const b = values[(y + dy) * width + x + dx] - m;
				ab += a * b;
				aa += a * a;
				bb += b * b;
			}
		if (aa > 0 && bb > 0) best = Math.max(best, ab / Math.sqrt(aa * bb));
	}
	return best;
}

/**
 * Whether a downward camera can hold on to a surface: corners to follow, contrast, light, and a pattern that does not repeat.
 * A picture taken from hand height, straight down.
 * @throws InputError where the picture is too small.
 */
export function scoreTexture(picture: Picture): TextureAnswer {
	if (Math.min(picture.width, picture.height) < LEAST_PX)
		throw new InputError('too-small', 'picture', `The picture must be at least ${LEAST_PX} pixels each way.`);
	const grey = shrunk(picture);
	const found = {
		cornerShare: cornerShare(grey),
		contrast: quantile(grey.values, 0.95) - quantile(grey.values, 0.05),
		repetition: repetition(grey),
		brightness: mean(grey.values),
	};
	return {
		...found,
		...judge([
			atLeast(found.brightness, {
				fail: { limit: limits.brightness, says: say('too-dark') },
				pass: say('light-enough'),
			}),
			found.cornerShare < limits.cornerFailShare.value
				? reason('fail', say('featureless'), { value: found.cornerShare, limit: limits.cornerFailShare })
				: atLeast(found.cornerShare, {
						caution: { limit: limits.cornerShare, says: say('few-features') },
						pass: say('features'),
					}),
			atMost(found.repetition, {
				caution: { limit: limits.repetition, says: say('repeats') },
				pass: say('distinct'),
			}),
		]),
	};
}
