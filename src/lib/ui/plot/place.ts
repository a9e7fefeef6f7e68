/** Height of a label's line on a plot, px. */
export const LABEL_LINE = 16;
/** Mean width of a letter at a plot's size of text, px. */
const LETTER = 7.2;

/** How wide a label is drawn, px, near enough to keep labels apart. */
export const labelWidth = (text: string): number => LETTER * text.length + 6;

/**
 * Heights of labels as near as can be to where they are wanted, a line apart and between `low` and `high`; where they do not
 * all fit they stand evenly. Given and returned in any order, px from the top.
 */
export function spread(wanted: readonly number[], low: number, high: number, apart = LABEL_LINE): number[] {
	const step = wanted.length > 1 ? Math.min(apart, (high - low) / (wanted.length - 1)) : apart;
	const order = wanted.map((_, k) => k).sort((a, b) => wanted[a] - wanted[b]);
	const placed = [...wanted];
	let least = low;
	for (const k of order) {
		placed[k] = Math.max(wanted[k], least);
		least = placed[k] + step;
	}
	let most = high;
	for (const k of order.reverse()) {
		placed[k] = Math.min(placed[k], most);
		most = placed[k] - step;
	}
	return placed;
}

/** Rows for labels that stand beside marks from left to right, so that none runs into the next: the row of each. */
export function rowsOf(labels: readonly { from: number; to: number }[]): number[] {
	const ends: number[] = [];
	const rows = labels.map(() => 0);
	for (const k of labels.map((_, i) => i).sort((a, b) => labels[a].from - labels[b].from)) {
		const free = ends.findIndex((end) => end <= labels[k].from);
		rows[k] = free < 0 ? ends.length : free;
		ends[rows[k]] = labels[k].to;
	}
	return rows;
}

export interface Box {
	x: number;
	y: number;
	width: number;
	height: number;
}

const overlap = (a: Box, b: Box) =>
	Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
	Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/** Sides of a point that a label is tried at, in this order. */
const SIDES = [
	[1, -1],
	[-1, -1],
	[1, 1],
	[-1, 1],
	[1, 0],
	[-1, 0],
	[0, -1],
	[0, 1],
] as const;
/** Rings about the point, px. */
const RINGS = [8, 22, 38];

/**
 * Where labels of points stand inside a square of `size` px, each beside its point and off the others and the `taken` boxes,
 * as far as there is room. Boxes in the order of the points.
 */
export function placeLabels(
	points: readonly { x: number; y: number; label: string }[],
	size: number,
	taken: readonly Box[] = [],
): Box[] {
	const full: Box[] = [...taken, ...points.map(({ x, y }) => ({ x: x - 6, y: y - 6, width: 12, height: 12 }))];
	return points.map(({ x, y, label }) => {
		const [width, height] = [labelWidth(label), LABEL_LINE];
		const tried = RINGS.flatMap((ring) =>
			SIDES.map(([sx, sy]) => ({
				x: x + sx * ring - (sx < 0 ? width : sx === 0 ? width / 2 : 0),
				y: y + sy * ring - (sy < 0 ? height : sy === 0 ? height / 2 : 0),
				width,
				height,
			})),
		);
		const cost = (box: Box) => {
			const inside = overlap(box, { x: 0, y: 0, width: size, height: size });
			return full.reduce((sum, other) => sum + overlap(box, other), 2 * (width * height - inside));
		};
		let best = tried[0];
		for (const box of tried) if (cost(box) < cost(best) - 1e-9) best = box;
		full.push(best);
		return best;
	});
}
