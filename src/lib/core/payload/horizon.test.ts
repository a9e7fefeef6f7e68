import { describe, expect, it } from 'vitest';
import { DEG } from '../frames/angles';
import { seededRng } from '../math/random';
import { horizonPicture } from '../../rig/pictures';
import { findHorizon } from './horizon';
import type { Picture } from './picture';

/** A drawn picture: sky gradient over textured ground, with a known tilt. */
function draw(tiltDeg: number, seed: number, { contrast = 50, width = 480, height = 320 } = {}): Picture {
	const rng = seededRng(seed);
	const rgb = new Uint8Array(width * height * 3);
	const middle = height * (0.4 + 0.2 * rng.uniform());
	const slope = Math.tan(tiltDeg * DEG);
	const waves = Array.from({ length: 6 }, () => [
		0.02 + 0.2 * rng.uniform(),
		0.05 + 0.4 * rng.uniform(),
		6.3 * rng.uniform(),
	]);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			const below = y - (middle + slope * (x - width / 2));
			const texture = waves.reduce((sum, [a, b, c]) => sum + Math.sin(a * x + b * y + c), 0);
			const noise = 4 * rng.normal();
			const ground = Math.max(0, Math.min(1, below + 0.5));
			const sky = 190 - 0.12 * y + noise;
			const land = 190 - contrast + 9 * texture + noise;
			const value = (1 - ground) * sky + ground * land;
			const i = 3 * (y * width + x);
			rgb[i] = Math.max(0, Math.min(255, value - 8 * (1 - ground)));
			rgb[i + 1] = Math.max(0, Math.min(255, value));
			rgb[i + 2] = Math.max(0, Math.min(255, value + 14 * (1 - ground)));
		}
	return { width, height, rgb, fullWidth: 4 * width, fullHeight: 4 * height };
}

describe('a picture with a horizon', () => {
	it.each([-14, -6.3, -1.2, 0, 0.7, 3.9, 11])(
		'of %s° is measured to a tenth of a degree, right side lower positive',
		(tilt) => {
			const answer = findHorizon(draw(tilt, 3));
			expect(Math.abs((answer.tiltDeg ?? 99) - tilt)).toBeLessThan(0.1);
			expect(answer.sigmaDeg).toBeLessThan(0.3);
			expect(answer.verdict).toBe(Math.abs(tilt) > 0.6 ? 'caution' : 'pass');
		},
	);

	it('gives its line in the pixels of the picture as posted', () => {
		const { line } = findHorizon(draw(5, 2));
		if (!line) throw new Error('no line');
		expect([line[0], line[2]]).toEqual([0, 1920]);
		expect(Math.atan2(line[3] - line[1], line[2] - line[0]) / DEG).toBeCloseTo(5, 1);
	});

	it('mirrors with the picture', () => {
		const picture = draw(4, 5);
		const mirrored = { ...picture, rgb: new Uint8Array(picture.rgb.length) };
		for (let y = 0; y < picture.height; y++)
			for (let x = 0; x < picture.width; x++)
				for (let k = 0; k < 3; k++)
					mirrored.rgb[3 * (y * picture.width + x) + k] =
						picture.rgb[3 * (y * picture.width + picture.width - 1 - x) + k];
		expect(findHorizon(mirrored).tiltDeg).toBeCloseTo(-(findHorizon(picture).tiltDeg ?? NaN), 1);
	});
});

/** Bands from top to bottom, each from a row at the middle, with its slope, shade and roughness. */
function banded(bands: { from: number; tiltDeg: number; shade: number; rough: number }[], seed = 1): Picture {
	const rng = seededRng(seed);
	const [width, height] = [480, 320];
	const rgb = new Uint8Array(width * height * 3);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			const reached = bands.filter(({ from, tiltDeg }) => y >= from + Math.tan(tiltDeg * DEG) * (x - width / 2));
			const { shade, rough } = reached[reached.length - 1] ?? bands[0];
			const value = Math.max(0, Math.min(255, shade + rough * rng.normal()));
			rgb.fill(value, 3 * (y * width + x), 3 * (y * width + x) + 3);
		}
	return { width, height, rgb, fullWidth: width, fullHeight: height };
}

describe('a sharp shore below a horizon', () => {
	const sky = { from: -500, tiltDeg: 0, shade: 205, rough: 1.5 };
	const sea = { from: 120, tiltDeg: 2, shade: 160, rough: 5 };
	const beach = { from: 210, tiltDeg: -4, shade: 245, rough: 12 };

	it('does not take its place: the line higher up is quieter above', () => {
		expect(findHorizon(banded([sky, sea, beach])).tiltDeg).toBeCloseTo(2, 1);
	});

	it('is taken where there is nothing above it', () => {
		expect(findHorizon(banded([{ ...sea, from: -500 }, beach])).tiltDeg).toBeCloseTo(-4, 1);
	});
});

describe('a skyline above a waterline', () => {
	/** The hills end at one angle, the water at another; either may be the horizon of the place. */
	const views = [-1.9, -1, 1.2, 1.9].flatMap((apart) =>
		[1, 2, 3].map((seed) => {
			const hills = { from: 150, tiltDeg: 1.5 + apart, shade: 120, rough: 9 };
			const water = { from: 178, tiltDeg: 1.5, shade: 170, rough: 4 };
			return {
				apart,
				answer: findHorizon(banded([{ from: -500, tiltDeg: 0, shade: 205, rough: 1.5 }, hills, water], seed)),
			};
		}),
	);
	it('carries the doubt which of the two it is', () => {
		for (const { apart, answer } of views) {
			const off = Math.min(Math.abs((answer.tiltDeg ?? NaN) - 1.5), Math.abs((answer.tiltDeg ?? NaN) - 1.5 - apart));
			expect(off).toBeLessThan(0.3);
			expect(3 * (answer.sigmaDeg ?? 0)).toBeGreaterThan(Math.abs(apart));
		}
	});
	it('carries none where both lie alike', () => {
		const level = { from: -500, tiltDeg: 0, shade: 205, rough: 1.5 };
		const hills = { from: 150, tiltDeg: 1.5, shade: 120, rough: 9 };
		expect(findHorizon(banded([level, hills, { ...hills, from: 178, shade: 170 }])).sigmaDeg).toBeLessThan(0.2);
	});
});

describe('a line along the rim', () => {
	it.each([12, 308])('at row %i of 320, a shelf or a frame, is refused', (from) => {
		const shelf = banded([
			{ from: -500, tiltDeg: 0, shade: 200, rough: 2 },
			{ from, tiltDeg: 0, shade: 90, rough: 8 },
		]);
		expect(findHorizon(shelf).reasons[0].code).toBe('insufficient-horizon');
	});
});

describe('a cable or a rail', () => {
	const sky = { from: -500, tiltDeg: 0, shade: 190, rough: 2 };
	const across = (thickPx: number) =>
		banded([sky, { from: 150, tiltDeg: 9, shade: 70, rough: 2 }, { ...sky, from: 150 + thickPx, tiltDeg: 9 }]);

	it.each([3, 4])('%i pixels thick, the same sky on both its sides, is no horizon', (thickPx) => {
		expect(findHorizon(across(thickPx)).reasons[0].code).toBe('insufficient-horizon');
	});

	it('does not take the place of the horizon below it', () => {
		const cable = { from: 100, tiltDeg: 9, shade: 70, rough: 2 };
		const answer = findHorizon(
			banded([sky, cable, { ...sky, from: 104, tiltDeg: 9 }, { from: 210, tiltDeg: -1, shade: 120, rough: 8 }]),
		);
		expect(answer.tiltDeg).toBeCloseTo(-1, 0);
	});
});

describe('the uncertainty', () => {
	/** A ridge: the edge wanders by some pixels over some hundred. */
	const ridge = (sizePx: number, seed: number) => {
		const rng = seededRng(seed);
		const picture = banded([{ from: -500, tiltDeg: 0, shade: 200, rough: 2 }], seed);
		const phase = rng.uniform() * 6.28;
		const edge = (x: number) => 160 + sizePx * (Math.sin(x / 37 + phase) + 0.6 * Math.sin(x / 90 + 2 * phase));
		for (let y = 0; y < picture.height; y++)
			for (let x = 0; x < picture.width; x++)
				if (y >= edge(x)) picture.rgb.fill(80 + 8 * rng.normal(), 3 * (y * 480 + x), 3 * (y * 480 + x) + 3);
		return findHorizon(picture);
	};

	it('grows with the waviness of the line, and covers what it does to the tilt', () => {
		const still = ridge(0, 1).sigmaDeg ?? NaN;
		const wavy = [1, 2, 3, 4, 5, 6].map((seed) => ridge(1.2, seed));
		for (const { tiltDeg, sigmaDeg } of wavy) {
			expect(sigmaDeg).toBeGreaterThan(1.5 * still);
			expect(Math.abs(tiltDeg ?? NaN)).toBeLessThan(4 * (sigmaDeg ?? 0));
		}
	});
});

/** Leaves and stones: overlapping discs of any size and shade, no line anywhere. */
function clutter(seed: number): Picture {
	const rng = seededRng(seed);
	const [width, height] = [400, 300];
	const rgb = new Uint8Array(width * height * 3).fill(110);
	for (let k = 0; k < 500; k++) {
		const [cx, cy, r] = [width * rng.uniform(), height * rng.uniform(), 4 + 30 * rng.uniform() ** 2];
		const shade = [0, 1, 2].map(() => 40 + 170 * rng.uniform());
		for (let y = Math.max(0, Math.floor(cy - r)); y < Math.min(height, cy + r); y++)
			for (let x = Math.max(0, Math.floor(cx - r)); x < Math.min(width, cx + r); x++)
				if ((x - cx) ** 2 + (y - cy) ** 2 < r * r) shade.forEach((v, c) => (rgb[3 * (y * width + x) + c] = v));
	}
	return { width, height, rgb, fullWidth: width, fullHeight: height };
}

describe('a picture without one', () => {
	it('is refused, never given a made-up angle', () => {
		for (let seed = 1; seed <= 6; seed++) {
			const answer = findHorizon(clutter(seed));
			expect(answer.reasons[0].code).toBe('insufficient-horizon');
			expect([answer.tiltDeg, answer.sigmaDeg, answer.line]).toEqual([null, null, null]);
		}
		const flat = { width: 200, height: 150, rgb: new Uint8Array(90_000).fill(120), fullWidth: 200, fullHeight: 150 };
		expect(findHorizon(flat).verdict).toBe('fail');
		expect(findHorizon({ ...flat, width: 20, height: 20 }).verdict).toBe('fail');
	});
});

describe('the rig’s own views over the saltings', () => {
	it('give back the tilt they were drawn with', () => {
		for (const tilt of [-6, -1.3, 0, 2.2, 9]) {
			const answer = findHorizon(horizonPicture(tilt, seededRng(31)));
			expect(Math.abs((answer.tiltDeg ?? 99) - tilt)).toBeLessThan(0.3);
		}
	});
	it('in fog show no horizon', () =>
		expect(findHorizon(horizonPicture(2, seededRng(7), true)).reasons[0].code).toBe('insufficient-horizon'));
});
