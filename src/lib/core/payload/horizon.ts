import type { HorizonAnswer } from '../../schema/horizon';
import { DEG } from '../frames/angles';
import { judge, reason } from '../frames/reasons';
import { refine, type Refined } from './horizonLine';
import { APART, channelsOf, coarse, peaksOf, type Candidate, type Channel } from './horizonSearch';
import { horizonLimits as limits } from './limits';
import type { Picture } from './picture';

const MOST_DEG = 20;
/** Fine enough: half a step is within the first window of the refinement. */
const COARSE_DEG = 1.5;
const MIN_CONTRAST = 2;
/** Lines looked at closely. */
const MOST_LINES = 8;
/** Share of the height: lines nearer to the rim are not looked at. */
const RIM = 0.1;
const QUIETER = 0.75;
/** A line that is to take the place of a stronger one must be as clear as this, and of this share of its strength. */
const SURE = 0.85;
const AS_STRONG = 0.5;
/** Share of the columns that lie on the line: none of the confidence at the first, all at the second. */
const TIGHT_RAMP = [0.3, 0.75] as const;

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
