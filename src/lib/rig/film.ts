import type { Frame } from '../core/film/frame';
import type { Rng } from '../core/math/random';

export type Scene = 'sky' | 'field' | 'trees';

/** How a film is taken. */
export interface Camera {
	width: number;
	height: number;
	framesPerS: number;
	/** Focal length, pixels. */
	fPx: number;
	/** How steeply it looks up, degrees; 90 on its back. */
	elevationDeg: number;
	/** From the phone to the middle of the hover, metres. */
	distanceM: number;
	/** Movement of the hand, pixels rms. */
	shakePx: number;
}

export interface Filmed {
	/** From motor to motor, metres. */
	spanM: number;
	/** Grey of the airframe: a dark one is 40, a white one 230. */
	grey: number;
	scene: Scene;
	/** Where it is at a time about the middle of its hover: right, forward (away from the phone), up, metres. */
	at(tS: number): { right: number; forward: number; up: number };
	durationS: number;
}

/** Places in between of a lattice of random values: leaves and clouds. */
function texture(rng: Rng, cell: number): (x: number, y: number) => number {
	const SIDE = 64;
	const lattice = Float32Array.from({ length: SIDE * SIDE }, () => rng.normal());
	const at = (i: number, j: number) => lattice[(((j % SIDE) + SIDE) % SIDE) * SIDE + (((i % SIDE) + SIDE) % SIDE)];
	return (x, y) => {
		const [cx, cy] = [x / cell, y / cell];
		const [i, j] = [Math.floor(cx), Math.floor(cy)];
		const [fx, fy] = [cx - i, cy - j];
		const top = at(i, j) + fx * (at(i + 1, j) - at(i, j));
		const bottom = at(i, j + 1) + fx * (at(i + 1, j + 1) - at(i, j + 1));
		return top + fy * (bottom - top);
	};
}

const clampByte = (value: number) => Math.max(0, Math.min(255, Math.round(value)));

/** Where an aircraft is seen: pixels of the picture, and its width from motor to motor. */
export function seenAt(
	{ right, forward, up }: { right: number; forward: number; up: number },
	{ width, height, fPx, elevationDeg, distanceM }: Camera,
	spanM: number,
): { u: number; v: number; widthPx: number } {
	const [c, s] = [Math.cos((elevationDeg * Math.PI) / 180), Math.sin((elevationDeg * Math.PI) / 180)];
	const depth = distanceM + forward * c + up * s;
	const rise = up * c - forward * s;
	return {
		u: width / 2 + (fPx * right) / depth,
		v: height / 2 - (fPx * rise) / depth,
		widthPx: (fPx * spanM) / depth,
	};
}

/** A rendered film of a hover: background that stirs, turning propellers, noise, a slow change of exposure, the hand. */
export function renderFilm(
	filmed: Filmed,
	camera: Camera,
	rng: Rng,
): { frames: () => Generator<Frame>; first: ReturnType<typeof seenAt> } {
	const { width, height, framesPerS } = camera;
	const coarse = texture(rng, filmed.scene === 'sky' ? 90 : 26);
	const fine = texture(rng, filmed.scene === 'trees' ? 5 : 9);
	const hand = Array.from({ length: 6 }, () => ({
		hz: 0.3 + 2 * rng.uniform(),
		phase: 6.3 * rng.uniform(),
		by: rng.normal(),
	}));
	const seed = Math.floor(rng.uniform() * 1e9) + 1;
	const backAt = (x: number, y: number, t: number): number => {
		if (filmed.scene === 'sky') return 185 - 30 * (y / height) + 7 * coarse(x + 1.5 * t, y);
		if (filmed.scene === 'field') return 120 + 16 * coarse(x, 2 * y) + 9 * fine(x, y);
		return 85 + 20 * coarse(x + 0.8 * Math.sin(1.3 * t), y) + 17 * fine(x + 1.2 * Math.sin(2 * t + y / 30), y);
	};
	function* frames(): Generator<Frame> {
		let noise = seed;
		const count = Math.floor(filmed.durationS * framesPerS);
		for (let k = 0; k < count; k++) {
			const tS = k / framesPerS;
			const { u, v, widthPx: w } = seenAt(filmed.at(tS), camera, filmed.spanM);
			const sway = (axis: number) =>
				camera.shakePx *
				0.6 *
				hand
					.slice(3 * axis, 3 * axis + 3)
					.reduce((sum, { hz, phase, by }) => sum + by * Math.sin(6.283 * hz * tS + phase), 0);
			const [sx, sy] = camera.shakePx > 0 ? [sway(0), sway(1)] : [0, 0];
			const exposure = 1 + 0.04 * Math.sin(tS / 5);
			const grey = new Uint8Array(width * height);
			const spin = 40 * tS;
			for (let y = 0; y < height; y++)
				for (let x = 0; x < width; x++) {
					const [px, py] = [x - sx, y - sy];
					let value = backAt(px, py, tS);
					const [a, b] = [(px - u) / w, (py - v) / w];
					if (Math.abs(a) < 0.75 && Math.abs(b) < 0.45) {
						const body = (a / 0.2) ** 2 + (b / 0.13) ** 2;
						const arm = Math.abs(b + 0.03) < 0.045 && Math.abs(a) < 0.52;
						const motor = ((Math.abs(a) - 0.5) / 0.07) ** 2 + ((b + 0.04) / 0.09) ** 2;
						const disc = ((Math.abs(a) - 0.5) / 0.24) ** 2 + ((b + 0.11) / 0.05) ** 2;
						if (body < 1 || arm || motor < 1) value = filmed.grey + 12 * (a + b);
						else if (disc < 1) value += 0.3 * (filmed.grey - value) * (0.6 + 0.4 * Math.sin(spin + 9 * a));
					}
					// A cheap, even noise: its sum of two bytes is nearly normal.
					noise = (Math.imul(noise, 1664525) + 1013904223) | 0;
					const stir = ((noise >>> 24) + ((noise >>> 16) & 255) - 255) / 70;
					grey[y * width + x] = clampByte(value * exposure + stir);
				}
			yield { grey, width, height, tS };
		}
	}
	return { frames, first: seenAt(filmed.at(0), camera, filmed.spanM) };
}
