import { extent } from 'd3-array';
import { scaleLinear, scaleLog, type ScaleContinuousNumeric } from 'd3-scale';

export interface Point {
	x: number;
	y: number;
}

export type Scale = ScaleContinuousNumeric<number, number>;

/** Whether a point can be drawn: finite, and above zero on an axis of powers. */
export const drawable = (log: boolean) => (p: Point) =>
	Number.isFinite(p.x) && Number.isFinite(p.y) && (!log || (p.x > 0 && p.y > 0));

/** A scale from what is shown to pixels; null where nothing spans it. */
export function scaleOver(values: Iterable<number>, range: readonly [number, number], log: boolean): Scale {
	const [low = 0, high = 1] = extent(values);
	const pad = low === high ? Math.abs(low) * 0.1 || 1 : 0;
	return (log ? scaleLog() : scaleLinear())
		.domain(log ? [low, low === high ? high * 2 : high] : [low - pad, high + pad])
		.range(range);
}

/** The upright scale: air above and below, from zero where the values come near it. */
export function heightScale(values: readonly number[], range: readonly [number, number], log: boolean): Scale {
	const [low = 0, high = 1] = extent(values);
	if (log)
		return scaleLog()
			.domain([low * 0.8, high * 1.25])
			.range(range);
	const pad = (high - low || Math.abs(high) || 1) * 0.08;
	return scaleLinear()
		.domain([low >= 0 && low < pad * 4 ? 0 : low - pad, high + pad])
		.nice(4)
		.range(range);
}

const LEADS = [[1, 2, 5], [1, 3], [1]];

/** At most about so many ticks at round values: on an axis of powers at 1, 2, 5, at 1, 3, or at powers of ten. */
export function ticksOf(scale: Scale, most: number, log: boolean): number[] {
	if (!log) return scale.ticks(most);
	const [low, high] = scale.domain();
	const powers = Array.from(
		{ length: Math.ceil(Math.log10(high)) - Math.floor(Math.log10(low)) + 1 },
		(_, k) => Math.floor(Math.log10(low)) + k,
	);
	for (const leads of LEADS) {
		const ticks = powers.flatMap((p) => leads.map((v) => Number(`${v}e${p}`))).filter((v) => v >= low && v <= high);
		if (ticks.length <= most || leads.length === 1)
			return ticks.filter((_, k) => k % Math.ceil(ticks.length / most) === 0);
	}
	return [];
}

/** A tick's value as short as it is exact. */
export const tickText = (v: number): string =>
	(Math.abs(v) >= 1e5 || (v !== 0 && Math.abs(v) < 1e-3) ? v.toExponential(0) : String(v)).replace('-', '−');

/** A value read off: four digits. */
export const readText = (v: number | null): string =>
	v === null || !Number.isFinite(v) ? '–' : Number(v.toPrecision(4)).toString().replace('-', '−');

/** The drawn point nearest to a place along the axis; null where none is. */
export function nearest(points: readonly Point[], x: number, ok: (p: Point) => boolean): Point | null {
	let best: Point | null = null;
	for (const p of points) if (ok(p) && (!best || Math.abs(p.x - x) < Math.abs(best.x - x))) best = p;
	return best;
}

/** What is seen of an axis after coming nearer by `times` about a place, kept inside the whole. */
export function zoomed(
	[from, to]: readonly [number, number],
	[low, high]: readonly [number, number],
	about: number,
	times: number,
): [number, number] {
	const width = Math.min(high - low, (to - from) / times);
	const share = to > from ? (about - from) / (to - from) : 0.5;
	const left = Math.min(Math.max(low, about - share * width), high - width);
	return [left, left + width];
}

/** A value read off with the name and unit of its axis, as in `time, s`; a label without a comma is a unit alone. */
export function readAxis(label: string, v: number): string {
	const at = label.lastIndexOf(', ');
	const [name, unit] = at < 0 ? ['', label] : [`${label.slice(0, at)} `, label.slice(at + 2)];
	return `${name}${readText(v)} ${unit}`.trim();
}
