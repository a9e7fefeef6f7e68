import { payload as say } from '$lib/messages/payload';
import type { HorizonAnswer } from '../../schema/horizon';
import { DEG } from '../frames/angles';
import { judge, reason } from '../finding/reasons';
import { refine, type Refined } from './horizonLine';
import { APART, coarse, columnsOf, layersOf, peaksOf, type Candidate, type Layer } from './horizonSearch';
import { horizonLimits as limits } from './limits';
import type { Picture } from './picture';

const MOST_DEG = 20;
/** Fine enough: half a step is within the first window of the refinement. */
const COARSE_DEG = 1.5;
const MIN_CONTRAST = 2;
/** Lines looked at closely in each layer. */
const MOST_LINES = 24;
/** Of them in each third of the height, so that what is sharp and near does not take the place of all that is far. */
const MOST_A_THIRD = 10;
/** Lines of two layers are one within this many degrees; each further layer that shows a line makes up for this share of its columns. */
const AGREES_DEG = 1.5;
const AGREES = 0.12;
/** As much where the step points one way along nearly all of the line: mist and haze have few sharp columns. */
const AGREES_ALL_ALONG = 0.2;
const ALL_ALONG = 0.99;
/** Rows from a line of each layer, from and to: there its two sides must still differ. */
const FAR_ROWS = [
	[6, 11],
	[4, 7],
	[3, 4],
] as const;
/** Share of the height: lines nearer to the rim are not looked at. */
const RIM = 0.1;
/**
 * Share of the columns that lie on the line: none of the confidence at the first, all at the second. Of each layer its
 * own: in a small picture much is straight.
 */
const TIGHT_RAMPS = [
	[0.3, 0.75],
	[0.45, 0.85],
	[0.55, 0.9],
] as const;
/**
 * A line that is to take the place of a nearer one: as clear as this, this share of the height above it, by layer, and of this
 * share of its strength. In the smallest a hill close above its shore looks straight.
 */
const SURE = [0.6, 0.6, 0.8] as const;
const HIGHER = [APART, APART, 3 * APART] as const;
const AS_STRONG = 0.3;
/** Above it, the picture is quieter than between the two by this factor. */
const QUIETER = 0.75;
/** A line this far up, this straight and of this share of the strength is the farther one whatever the clouds above it do. */
const FAR_UP = 3 * APART;
const STRAIGHT = 0.95;
const AS_CLEAR = 0.75;
/** A soft line is one only under a sky: as quiet as this, and quieter than what lies below by this factor. */
const SKY_UNREST = 9;
const SKY_QUIETER = 0.8;

const ramp = (value: number, low: number, high: number) => Math.max(0, Math.min(1, (value - low) / (high - low)));

const strengthOf = (r: Refined) => r.tight * r.spread * Math.log(1 + r.contrast) * r.polarity;

/** A line of one layer, its row and slope in the pixels of the first. */
interface Line extends Refined {
	layer: number;
	strength: number;
	/** Of its own layer alone, and with what the other layers show. */
	alone: number;
	confidence: number;
}

function confidenceOf(r: Refined, layer: number, agreeing: number): number {
	const [low, high] = TIGHT_RAMPS[layer];
	const all = Math.min(r.polarity, r.lasting) >= ALL_ALONG;
	const credit = agreeing * (all ? AGREES_ALL_ALONG : AGREES);
	return (
		ramp(r.tight + credit, low, high) *
		ramp(r.spread + credit, 0.5, 0.9) *
		ramp(r.contrast, MIN_CONTRAST, 5 * MIN_CONTRAST) *
		ramp(r.polarity, 0.4, 0.85) *
		ramp(r.lasting, 0.4, 0.7)
	);
}

function lineOf(r: Refined, layer: number): Line {
	const scale = 2 ** layer;
	return {
		...r,
		row: (r.row + 0.5) * scale - 0.5,
		layer,
		strength: strengthOf(r),
		alone: confidenceOf(r, layer, 0),
		confidence: 0,
	};
}

const same = (a: Line, b: Line, height: number) =>
	Math.abs(a.row - b.row) < 0.5 * APART * height &&
	Math.abs(Math.atan(a.slope) - Math.atan(b.slope)) < AGREES_DEG * DEG;

/** What several layers show, each softer than the one before, is less likely an accident of one. */
function agreed(lines: Line[], height: number): Line[] {
	return lines.map((line) => {
		const layers = new Set(
			lines.filter((l) => l.strength >= AS_STRONG * line.strength && same(l, line, height)).map((l) => l.layer),
		);
		return { ...line, confidence: confidenceOf(line, line.layer, layers.size - 1) };
	});
}

const strongestOf = (lines: Line[]) =>
	lines.reduce<Line | null>((best, line) => (best && best.strength >= line.strength ? best : line), null);

/** The best candidates, each of another line: one a place and angle. */
function distinct(candidates: Candidate[], height: number): Candidate[] {
	const out: Candidate[] = [];
	const third = (row: number) => Math.floor((3 * row) / height);
	for (const c of [...candidates].sort((a, b) => b.score - a.score)) {
		if (out.length === MOST_LINES) break;
		if (out.filter((o) => third(o.row) === third(c.row)).length >= MOST_A_THIRD) continue;
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

/** Every clear line of one layer. Edges of tables, frames and shelves run along the rim: no horizon could be judged there. */
function linesOf({ width, height, channels }: Layer, layer: number, progress: (share: number) => void): Line[] {
	const candidates: Candidate[] = [];
	const columns = channels.map((channel) => columnsOf(channel, width, height, Math.tan(MOST_DEG * DEG)));
	for (let deg = -MOST_DEG; deg <= MOST_DEG; deg += COARSE_DEG) {
		progress((deg + MOST_DEG) / (2 * MOST_DEG));
		columns.forEach((channel, index) => candidates.push(...peaksOf(coarse(channel, deg, index), height)));
	}
	return distinct(candidates, height)
		.map((candidate) => refine(channels[candidate.channel], width, height, candidate, FAR_ROWS[layer]))
		.filter((r) => r !== null)
		.filter((r) => Math.abs(Math.atan(r.slope) / DEG) <= MOST_DEG && r.row > RIM * height && r.row < (1 - RIM) * height)
		.map((r) => lineOf(r, layer));
}

/** Mean step between neighbouring pixels on each side of a line. */
function unrestOf({ width, height, channels: [lightness] }: Layer, { row, slope }: Line) {
	const sides = { above: { sum: 0, count: 0 }, below: { sum: 0, count: 0 } };
	for (let x = 2; x < width - 2; x += 3) {
		const middle = Math.round(row + slope * (x - width / 2));
		for (let y = 2; y < height - 2; y += 2) {
			if (Math.abs(y - middle) < 5) continue;
			const at = y * width + x;
			const side = y < middle ? sides.above : sides.below;
			side.sum +=
				Math.abs(lightness[at + 1] - lightness[at - 1]) + Math.abs(lightness[at + width] - lightness[at - width]);
			side.count++;
		}
	}
	const mean = ({ sum, count }: { sum: number; count: number }) => (count > 0 ? sum / count : Infinity);
	return { above: mean(sides.above), below: mean(sides.below) };
}

/**
 * A shore, a deck or a wall is often sharper than the horizon: a clear line higher up, the picture above it quieter than
 * between the two, is the farther one and is taken instead. So is one that is straight, almost as strong and far up, whatever
 * the picture above it.
 */
function farthest(strongest: Line, lines: Line[], first: Layer): Line {
	const clear = lines
		.filter((l) => l.alone >= SURE[l.layer] && l.strength >= AS_STRONG * strongest.strength)
		.sort((a, b) => b.row - a.row);
	let best = strongest;
	for (const line of clear) {
		if (line.row > best.row - HIGHER[line.layer] * first.height) continue;
		const [above, whole] = [unrestOf(first, line).above, unrestOf(first, best).above];
		const between = (whole * best.row - above * line.row) / (best.row - line.row);
		const plain =
			line.tight >= STRAIGHT &&
			line.strength >= AS_CLEAR * strongest.strength &&
			line.row < best.row - FAR_UP * first.height;
		if (plain || above < QUIETER * between) best = line;
	}
	return best;
}

/** The strongest line of the sharp picture; where none is clear, of the softer ones under a sky. */
function strongestClear(lines: Line[], first: Layer): Line | null {
	const sharp = strongestOf(lines.filter(({ layer }) => layer === 0));
	if (sharp && sharp.alone >= limits.confidence.value) return sharp;
	const soft = strongestOf(
		lines.filter((line) => {
			if (line.confidence < limits.confidence.value) return false;
			const { above, below } = unrestOf(first, line);
			return above < SKY_UNREST && above < SKY_QUIETER * below;
		}),
	);
	return soft ?? sharp;
}

/** Lines further apart than this in angle, degrees, and in height, share of the picture, are no skyline and waterline of one view. */
const RIVAL_DEG = 6;
const RIVAL_HEIGHT = 0.15;
/** Standard deviation of the angle where either of two lines may be the horizon, as a share of the angle between them. */
const RIVAL_SHARE = 0.4;

/**
 * Standard deviation of the tilt, degrees: of the line's own fit, and of the doubt which line it is, where a second clear one at another angle
 * lies in the picture: a waterline under a skyline, a far shore.
 */
function sigmaOf(found: Line, lines: readonly Line[], height: number): number {
	const angle = ({ slope }: Line) => Math.atan(slope) / DEG;
	const apart = lines
		.filter((line) => line.alone >= SURE[line.layer] && line.strength >= AS_STRONG * found.strength)
		.filter((line) => Math.abs(line.row - found.row) <= RIVAL_HEIGHT * height)
		.map((line) => Math.abs(angle(line) - angle(found)))
		.filter((deg) => deg <= RIVAL_DEG);
	return Math.hypot(found.sigmaDeg, RIVAL_SHARE * Math.max(0, ...apart));
}

/**
 * Tilt of the horizon in a picture, degrees, positive where the right side is lower; refused where no clear line is
 * found. The picture is best about 640 pixels wide. Sheared row steps in three channels, sharp and twice
 * softened, refined by columns. `progress` is told the share done, 0..1.
 */
export function findHorizon(picture: Picture, progress?: (share: number) => void): HorizonAnswer {
	const { width, height } = picture;
	const refuse = (text: string, confidence: number | null): HorizonAnswer => ({
		tiltDeg: null,
		sigmaDeg: null,
		confidence,
		line: null,
		...judge([
			reason('fail', say('insufficient-horizon', { problem: text }), {
				value: confidence ?? undefined,
				limit: limits.confidence,
			}),
		]),
	});
	if (width < 64 || height < 64) return refuse('The picture is too small.', null);
	const layers = layersOf(picture, TIGHT_RAMPS.length);
	const lines = agreed(
		layers.flatMap((layer, index) =>
			linesOf(layer, index, (share) => progress?.(index === 0 ? 0.75 * share : 0.75 + 0.1 * (index - 1 + share))),
		),
		height,
	);
	const strongest = strongestClear(lines, layers[0]);
	if (!strongest) return refuse('No line was found right across the picture.', 0);
	const r = farthest(strongest, lines, layers[0]);
	const { confidence } = r;
	if (confidence < limits.confidence.value) return refuse('No clear horizon was found.', confidence);
	const tiltDeg = Math.atan((r.slope * picture.fullHeight * width) / (height * picture.fullWidth)) / DEG;
	const [kx, ky] = [picture.fullWidth / width, picture.fullHeight / height];
	const at = (x: number) => (r.row + 0.5 + r.slope * (x - width / 2)) * ky;
	const sigmaDeg = sigmaOf(r, lines, height);
	const level = Math.abs(tiltDeg) <= limits.tiltDeg.value + sigmaDeg;
	return {
		tiltDeg,
		sigmaDeg,
		confidence,
		line: [0, at(0), width * kx, at(width)],
		...judge([
			level
				? reason('pass', say('horizon-level'), { value: tiltDeg, limit: limits.tiltDeg })
				: reason('caution', say('horizon-tilted', { tiltDeg }), { value: tiltDeg, limit: limits.tiltDeg }),
			reason('pass', say('horizon-clear'), { value: confidence, limit: limits.confidence }),
		]),
	};
}
