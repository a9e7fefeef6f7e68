import { describe, expect, it } from 'vitest';
import { DEG } from '../frames/angles';
import { seededRng, type Rng } from '../math/random';
import { findHorizon } from './horizon';
import type { Picture } from './picture';

const [WIDTH, HEIGHT] = [640, 427];
type Colour = readonly [number, number, number];

const mix = (a: Colour, b: Colour, share: number): Colour => [
	a[0] + (b[0] - a[0]) * share,
	a[1] + (b[1] - a[1]) * share,
	a[2] + (b[2] - a[2]) * share,
];

/** Drawn by a shade for each pixel, told how far it lies below the horizon; camera noise on top. */
function view(tiltDeg: number, row: number, rng: Rng, shade: (x: number, below: number) => Colour): Picture {
	const rgb = new Uint8Array(WIDTH * HEIGHT * 3);
	for (let y = 0; y < HEIGHT; y++)
		for (let x = 0; x < WIDTH; x++) {
			const noise = 2.5 * rng.normal();
			shade(x, y - row - Math.tan(tiltDeg * DEG) * (x - WIDTH / 2)).forEach((value, k) => {
				rgb[3 * (y * WIDTH + x) + k] = Math.max(0, Math.min(255, Math.round(value + noise)));
			});
		}
	return { width: WIDTH, height: HEIGHT, rgb, fullWidth: WIDTH, fullHeight: HEIGHT };
}

const HIGH: Colour = [95, 140, 200];
const LOW: Colour = [190, 205, 220];
const sky = (below: number) => mix(LOW, HIGH, Math.min(1, -below / 260));
const soft = (below: number, px: number) => Math.max(0, Math.min(1, 0.5 + below / (2 * px)));
/** Waves of many lengths, finer towards the horizon. */
const waves = (x: number, below: number, size: number) =>
	size * (Math.sin(x / 9 + 700 / (below + 8)) + Math.sin(x / 23 - 1900 / (below + 12)));

const drawn: Record<string, (tiltDeg: number, seed: number) => Picture> = {
	'a hazy sea': (tiltDeg, seed) =>
		view(tiltDeg, 190, seededRng(seed), (x, below) => {
			const sea = mix([168, 184, 200], [90, 115, 140], Math.min(1, Math.max(0, below) / 200));
			const rough = waves(x, Math.max(0, below), 2 + Math.max(0, below) / 60);
			return mix(sky(below), [sea[0] + rough, sea[1] + rough, sea[2] + rough], soft(below, 4));
		}),
	'a sea under the sun': (tiltDeg, seed) => {
		const rng = seededRng(seed);
		return view(tiltDeg, 200, rng, (x, below) => {
			const sun = Math.exp(-(((x - 250) / 110) ** 2));
			const glow = mix(sky(below), [255, 245, 225], sun * Math.exp(below / 120));
			if (below <= 0) return glow;
			const glitter = rng.uniform() < 0.75 * sun ? 255 : 0;
			return mix([70, 95, 120], [glitter, glitter, glitter], glitter ? 0.9 : 0);
		});
	},
	'grass before a sea out of focus': (tiltDeg, seed) => {
		const rng = seededRng(seed);
		const picture = view(tiltDeg, 150, rng, (_, below) => mix(sky(below), [120, 165, 190], soft(below, 5)));
		for (let blade = 0; blade < 420; blade++) {
			const [root, lean, top] = [WIDTH * rng.uniform(), 80 * rng.normal(), HEIGHT * (0.2 + 0.7 * rng.uniform())];
			const light = 0.6 + 0.6 * rng.uniform();
			for (let y = Math.floor(top); y < HEIGHT; y++) {
				const share = (HEIGHT - y) / (HEIGHT - top);
				const x = Math.floor(root + lean * share * share);
				for (let wide = 0; wide < 1 + 3 * (1 - share); wide++)
					if (x + wide >= 0 && x + wide < WIDTH)
						[170, 150, 70].forEach((v, k) => (picture.rgb[3 * (y * WIDTH + x + wide) + k] = Math.min(255, v * light)));
			}
		}
		return picture;
	},
	'an airfield: far trees, a runway, a fence': (tiltDeg, seed) => {
		const rng = seededRng(seed);
		const trees = Array.from({ length: 16 }, () => [
			WIDTH * rng.uniform(),
			8 + 18 * rng.uniform(),
			5 + 9 * rng.uniform(),
		]);
		return view(tiltDeg, 180, rng, (x, below) => {
			const crown = Math.max(...trees.map(([at, wide, high]) => high * (1 - ((x - at) / wide) ** 2)));
			if (below < -Math.max(0, crown)) return sky(below);
			if (below < 0) return [50, 70, 50];
			const near = below - 0.12 * (x - WIDTH / 2);
			if (near > 90 && near < 135) return [150, 150, 148];
			if (x % 80 < 4 && below > 40 && below < 190) return [225, 225, 225];
			const rough = waves(x, below, 5);
			return [95 + rough, 125 + rough, 65 + rough];
		});
	},
	'a lake shore beyond a deck': (tiltDeg, seed) => {
		const rng = seededRng(seed);
		const trees = Array.from({ length: 40 }, () => [
			WIDTH * rng.uniform(),
			10 + 25 * rng.uniform(),
			2 + 4 * rng.uniform(),
		]);
		return view(tiltDeg, 110, rng, (x, below) => {
			const crown = Math.max(0, ...trees.map(([at, wide, high]) => high * (1 - ((x - at) / wide) ** 2)));
			const board = below - 90 + 0.1 * (x - WIDTH / 2);
			if (board > 0)
				return board % 34 < 5 ? [40, 30, 20] : mix([235, 210, 150], [200, 170, 120], Math.min(1, board / 200));
			const rough = waves(x, Math.max(0, below), 7);
			const lake: Colour = [95 + rough, 120 + rough, 140 + rough];
			return mix(sky(below + crown), below > 14 ? lake : [35, 50, 55], soft(below + crown, 4));
		});
	},
};

describe.each(Object.entries(drawn))('%s', (_, draw) => {
	it('gives its horizon within a degree, turned by up to twelve', () => {
		for (const [seed, tilt] of [-12, 0.4, 8].entries()) {
			const { tiltDeg, reasons } = findHorizon(draw(tilt, seed + 1));
			expect(tiltDeg, `${tilt}: ${reasons[0].text}`).not.toBeNull();
			expect(Math.abs((tiltDeg ?? NaN) - tilt), `turned by ${tilt}`).toBeLessThan(1);
		}
	});
});
