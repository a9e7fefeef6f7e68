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
	const pick = (column: Float64Array) => column.filter((_, i) => i % step === 0);
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
