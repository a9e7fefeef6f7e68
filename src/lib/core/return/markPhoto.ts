import { Matrix, solve } from 'ml-matrix';
import { InputError } from '../finding/inputError';
import { wrap360 } from '../frames/angles';
import { MEASURED_BY } from './landingLimits';

/** A place in a picture, pixels: x to the right, y down. */
export interface Pixel {
	x: number;
	y: number;
}

/** A flat mark with four corners, as it lies. */
export interface MarkSize {
	/** Along the edge that is nearest to the camera, and away from it, metres. */
	acrossM: number;
	alongM: number;
}

export interface PhotoLanding {
	/** From the middle of the mark to the place, metres, with its standard deviation. */
	distanceM: number;
	sigmaM: number;
	/** From true north, degrees. */
	bearingDeg: number;
	bearingSigmaDeg: number;
}

/** Corners of the mark about its middle, metres: right and away, as they are asked for. */
const cornersOf = ({ acrossM: w, alongM: l }: MarkSize): readonly [number, number][] => [
	[-w / 2, -l / 2],
	[-w / 2, l / 2],
	[w / 2, l / 2],
	[w / 2, -l / 2],
];

/** Cross product of the two edges at a corner: its sign says which way round the corners go. */
const bend = (a: Pixel, b: Pixel, c: Pixel) => (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);

/** The eight numbers of the map from the ground's metres into the picture. */
function homography(corners: readonly Pixel[], size: MarkSize): number[] {
	const rows: number[][] = [];
	const right: number[][] = [];
	for (const [k, [x, y]] of cornersOf(size).entries()) {
		const { x: u, y: v } = corners[k];
		rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
		right.push([u], [v]);
	}
	return solve(new Matrix(rows), new Matrix(right)).to1DArray();
}

/** A place of the picture on the ground, metres right and away from the middle of the mark. */
function onGround([a, b, c, d, e, f, g, h]: readonly number[], { x: u, y: v }: Pixel): [number, number] {
	const [p, q, r] = [a - u * g, b - u * h, u - c];
	const [s, t, w] = [d - v * g, e - v * h, v - f];
	const det = p * t - q * s;
	return [(r * t - q * w) / det, (p * w - r * s) / det];
}

/**
 * Where an aircraft stands from the middle of a mark of known size, from one picture of both on flat ground: the four corners of the mark
 * (near left, far left, far right, near right) and the place under the aircraft, in pixels. `lookedDeg` is where the picture was taken
 * toward, across the near edge, from true north. `tapPx` is how well a place is hit, one standard deviation; the answer's deviations
 * are what that does to it, place by place.
 * @throws InputError where the corners do not go round a mark, the place lies beyond the horizon, or a size is not positive.
 */
export function landingOnPhoto(
	corners: readonly Pixel[],
	place: Pixel,
	size: MarkSize,
	lookedDeg: number,
	{ tapPx, lookedSigmaDeg }: { tapPx: number; lookedSigmaDeg: number },
): PhotoLanding {
	if (!(size.acrossM > 0 && size.alongM > 0))
		throw new InputError('size', 'size', 'The mark’s width and length must be more than nothing.');
	if (corners.length !== 4) throw new InputError('corners', 'corners', 'Four corners of the mark are needed.');
	const bends = corners.map((_, k) => bend(corners[k], corners[(k + 1) % 4], corners[(k + 2) % 4]));
	if (!(bends.every((b) => b > 0) || bends.every((b) => b < 0)))
		throw new InputError(
			'corners',
			'corners',
			'The corners do not go round the mark: near left, far left, far right, near right.',
		);
	const solveFor = (at: readonly Pixel[], p: Pixel) => onGround(homography(at, size), p);
	const h = homography(corners, size);
	const [right, away] = onGround(h, place);
	// On the ground in front of the camera the map's denominator keeps the sign that it has on the mark.
	if (!(1 + h[6] * right + h[7] * away > 0) || !Number.isFinite(right + away))
		throw new InputError(
			'place',
			'place',
			'This place is not on the ground before the camera: press below the aircraft.',
		);
	const distanceM = Math.hypot(right, away);
	let [along2, across2] = [0, 0];
	const unit = distanceM > 0 ? [right / distanceM, away / distanceM] : [1, 0];
	for (let k = 0; k < 5; k++)
		for (const axis of ['x', 'y'] as const) {
			const moved = [...corners, place].map((p, j) => (j === k ? { ...p, [axis]: p[axis] + tapPx } : p));
			const [r, a] = solveFor(moved.slice(0, 4), moved[4]);
			const [dr, da] = [r - right, a - away];
			along2 += (dr * unit[0] + da * unit[1]) ** 2;
			across2 += (da * unit[0] - dr * unit[1]) ** 2;
		}
	const turn = distanceM > 0 ? (Math.sqrt(across2) / distanceM) * (180 / Math.PI) : 180;
	return {
		distanceM,
		sigmaM: Math.sqrt(along2),
		bearingDeg: wrap360(lookedDeg + (Math.atan2(right, away) * 180) / Math.PI),
		bearingSigmaDeg: Math.min(180, Math.hypot(turn, lookedSigmaDeg)),
	};
}

/** The coarsest usual way of measuring that a photo is no worse than: what its landing is taken as beside the others. */
export function takenAs({ distanceM, sigmaM, bearingSigmaDeg }: PhotoLanding): 'tape' | 'paces' | null {
	const acrossM = (distanceM * Math.min(90, bearingSigmaDeg) * Math.PI) / 180;
	const within = ({ share, turn, leastM }: (typeof MEASURED_BY)['paces' | 'tape']) =>
		sigmaM <= Math.hypot(share * distanceM, leastM) && acrossM <= Math.hypot(turn * distanceM, leastM);
	return within(MEASURED_BY.tape) ? 'tape' : within(MEASURED_BY.paces) ? 'paces' : null;
}
