import { median } from '../math/statistics';

/** Magnetometer readings as columns, one unit throughout. */
export interface Columns {
	x: Float64Array;
	y: Float64Array;
	z: Float64Array;
}

/** Three axes copied into columns of their own. */
export const columnsOf = (series: { x: ArrayLike<number>; y: ArrayLike<number>; z: ArrayLike<number> }): Columns => ({
	x: Float64Array.from(series.x),
	y: Float64Array.from(series.y),
	z: Float64Array.from(series.z),
});

/** Every k-th sample so that at most `most` are left: enough for a start, cheap enough to try many. */
export function thinned(c: Columns, most: number): Columns {
	const step = Math.ceil(c.x.length / most);
	if (step <= 1) return c;
	const pick = (column: Float64Array) => {
		const out = new Float64Array(Math.ceil(column.length / step));
		for (let k = 0; k < out.length; k++) out[k] = column[k * step];
		return out;
	};
	return { x: pick(c.x), y: pick(c.y), z: pick(c.z) };
}

/** Middle and size of a cloud of readings, robust against spikes; size 0 when all are alike. */
export function middle(c: Columns): { centre: [number, number, number]; radius: number } {
	const centre: [number, number, number] = [median(c.x), median(c.y), median(c.z)];
	const distance = new Float64Array(c.x.length);
	for (let i = 0; i < distance.length; i++)
		distance[i] = Math.sqrt((c.x[i] - centre[0]) ** 2 + (c.y[i] - centre[1]) ** 2 + (c.z[i] - centre[2]) ** 2);
	return { centre, radius: median(distance) };
}

/** Readings about a centre, in units of a radius. */
export function centred(c: Columns, centre: readonly number[], radius: number): Columns {
	const of = (column: Float64Array, middle: number) => {
		const out = new Float64Array(column.length);
		for (let i = 0; i < out.length; i++) out[i] = (column[i] - middle) / radius;
		return out;
	};
	return { x: of(c.x, centre[0]), y: of(c.y, centre[1]), z: of(c.z, centre[2]) };
}
