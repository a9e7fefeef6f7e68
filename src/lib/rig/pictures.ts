import { DEG } from '../core/frames/angles';
import type { Rng } from '../core/math/random';
import type { Picture } from '../core/payload/picture';

/** A picture drawn pixel by pixel from a luma-and-tint function. */
function draw(width: number, height: number, at: (x: number, y: number) => readonly [number, number, number]): Picture {
	const rgb = new Uint8ClampedArray(3 * width * height);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			const [r, g, b] = at(x, y);
			const k = 3 * (y * width + x);
			rgb[k] = r;
			rgb[k + 1] = g;
			rgb[k + 2] = b;
		}
	return { width, height, rgb, fullWidth: width, fullHeight: height };
}

/** Sums of waves at random: texture without a pattern that repeats within a picture. */
function waves(rng: Rng, count: number, least: number, most: number): (x: number, y: number) => number {
	const parts = Array.from({ length: count }, () => {
		const k = least + (most - least) * rng.uniform();
		const angle = 2 * Math.PI * rng.uniform();
		return [k * Math.cos(angle), k * Math.sin(angle), 2 * Math.PI * rng.uniform()] as const;
	});
	return (x, y) => parts.reduce((sum, [a, b, c]) => sum + Math.sin(a * x + b * y + c), 0) / Math.sqrt(count);
}

/** A view over the saltings with the horizon tilted by a known angle, the right side lower where positive; `fog` hides it. */
export function horizonPicture(tiltDeg: number, rng: Rng, fog = false, width = 640, height = 420): Picture {
	const cloud = waves(rng, 7, 0.01, 0.05);
	const ground = waves(rng, 12, 0.08, 0.5);
	const slope = Math.tan(tiltDeg * DEG);
	const middle = height * 0.42;
	return draw(width, height, (x, y) => {
		const below = y - middle - slope * (x - width / 2);
		const grain = 4 * rng.normal();
		if (fog) return [176 + grain + 3 * cloud(x, y), 180 + grain, 184 + grain];
		const share = Math.max(0, Math.min(1, below + 0.5));
		const sky = [168 + 6 * cloud(x, y) - 0.05 * below, 190 + 4 * cloud(x, y), 214];
		const marsh = [96 + 16 * ground(x, y), 108 + 14 * ground(x, y), 84 + 10 * ground(x, y)];
		return [0, 1, 2].map((c) => sky[c] + share * (marsh[c] - sky[c]) + grain) as unknown as [number, number, number];
	});
}

/** Far roofs and masts drawn with a blur of so many pixels (standard deviation) across each edge. */
export function edgePicture(blurPx: number, rng: Rng, width = 480, height = 320): Picture {
	const blocks = Array.from({ length: 26 }, () => ({
		x: width * rng.uniform(),
		wide: 8 + 34 * rng.uniform(),
		top: height * (0.25 + 0.5 * rng.uniform()),
		luma: 40 + 70 * rng.uniform(),
	}));
	const step = (d: number) => 1 / (1 + Math.exp((-1.702 * d) / Math.max(0.25, blurPx)));
	return draw(width, height, (x, y) => {
		let luma = 196;
		for (const b of blocks) {
			const inside = step(x - b.x) * step(b.x + b.wide - x) * step(y - b.top);
			luma += inside * (b.luma - luma);
		}
		const grey = luma + 1.5 * rng.normal();
		return [grey, grey, grey + 4];
	});
}

export type Surface = 'grass' | 'mat' | 'water' | 'tiles' | 'dusk';

/** A landing surface seen straight down. */
export function surfacePicture(kind: Surface, rng: Rng, size = 256): Picture {
	const fine = waves(rng, 40, 0.25, 1.2);
	const coarse = waves(rng, 20, 0.05, 0.3);
	return draw(size, size, (x, y) => {
		const grain = 2 * rng.normal();
		if (kind === 'grass') {
			const v = 34 * fine(x, y) + 18 * coarse(x, y);
			return [86 + v + grain, 112 + v + grain, 60 + v / 2];
		}
		if (kind === 'dusk') {
			const v = 4 * fine(x, y);
			return [14 + v, 16 + v, 15 + v];
		}
		if (kind === 'water') return [118 + grain, 132 + grain + 2 * coarse(x, y), 140 + grain];
		if (kind === 'tiles') {
			const joint = x % 24 < 3 || y % 24 < 3;
			const v = joint ? 70 : 168;
			return [v + grain, v + grain, v + grain];
		}
		const spot = Math.hypot(x - size / 2, y - size / 2);
		const v = Math.floor(spot / 17) % 2 === 0 ? 30 : 214;
		const arm = Math.floor(((Math.atan2(y - size / 2, x - size / 2) + Math.PI) / Math.PI) * 5.5) % 2 === 0 ? 0 : 120;
		return [Math.abs(v - arm) + grain, v + grain, v + grain];
	});
}
