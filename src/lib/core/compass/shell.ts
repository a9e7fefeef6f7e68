import { Matrix } from 'ml-matrix';
import type { Columns } from './samples';
import type { Parameters } from './start';

/** Offset b (3) and the upper triangle of W (6). */
export const PARAMETERS = 9;

/** What one reading says about the parameters, at its foot on the ellipsoid. Reused, so that no sample allocates. */
export interface Row {
	r: number;
	j: Float64Array;
	foot: Float64Array;
	normal: Float64Array;
}

/** Room for one reading's residual, derivatives, foot on the shell and normal there, to be filled again. */
export const newRow = (): Row => ({
	r: 0,
	j: new Float64Array(PARAMETERS),
	foot: new Float64Array(3),
	normal: new Float64Array(3),
});

/**
 * Residual (unit of m, along the ellipsoid's normal) and its derivatives at one reading.
 * The length |W(m − b)| of a noisy reading is longer on average than the field's; that excess, s²·(tr W² − ûᵀW²û)/2n,
 * is taken out, and the derivatives are taken at the foot of the reading on the shell: both remove the bias that a
 * plain least-distance fit keeps.
 */
export function evaluate(p: Parameters, x: number, y: number, z: number, variance: number, row: Row): void {
	// By index: array destructuring would run an iterator for every sample.
	const w00 = p[3];
	const w11 = p[4];
	const w22 = p[5];
	const w01 = p[6];
	const w02 = p[7];
	const w12 = p[8];
	const v0 = x - p[0];
	const v1 = y - p[1];
	const v2 = z - p[2];
	const u0 = w00 * v0 + w01 * v1 + w02 * v2;
	const u1 = w01 * v0 + w11 * v1 + w12 * v2;
	const u2 = w02 * v0 + w12 * v1 + w22 * v2;
	const n = Math.sqrt(u0 * u0 + u1 * u1 + u2 * u2) || 1e-12;
	const e0 = u0 / n;
	const e1 = u1 / n;
	const e2 = u2 / n;
	const q0 = w00 * e0 + w01 * e1 + w02 * e2;
	const q1 = w01 * e0 + w11 * e1 + w12 * e2;
	const q2 = w02 * e0 + w12 * e1 + w22 * e2;
	const gg = q0 * q0 + q1 * q1 + q2 * q2;
	const g = Math.sqrt(gg);
	const trace = w00 * w00 + w11 * w11 + w22 * w22 + 2 * (w01 * w01 + w02 * w02 + w12 * w12);
	row.r = (n - 1 - (variance * (trace - gg)) / (2 * n)) / g;
	const d0 = q0 / g;
	const d1 = q1 / g;
	const d2 = q2 / g;
	const f0 = v0 - row.r * d0;
	const f1 = v1 - row.r * d1;
	const f2 = v2 - row.r * d2;
	const j = row.j;
	j[0] = -d0;
	j[1] = -d1;
	j[2] = -d2;
	j[3] = (e0 * f0) / g;
	j[4] = (e1 * f1) / g;
	j[5] = (e2 * f2) / g;
	j[6] = (e0 * f1 + e1 * f0) / g;
	j[7] = (e0 * f2 + e2 * f0) / g;
	j[8] = (e1 * f2 + e2 * f1) / g;
	row.foot[0] = f0 + p[0];
	row.foot[1] = f1 + p[1];
	row.foot[2] = f2 + p[2];
	row.normal[0] = d0;
	row.normal[1] = d1;
	row.normal[2] = d2;
}

/** What one reading at (x, y, z) would say about (b, W): its row of derivatives, in the unit of the readings. */
export function informationRow(p: Parameters, x: number, y: number, z: number): Float64Array {
	const row = newRow();
	evaluate(p, x, y, z, 0, row);
	return row.j;
}

/** Adds weight·j·jᵀ of one reading, upper half only. */
export function accumulate(target: Float64Array, j: Float64Array, weight: number): void {
	for (let a = 0; a < PARAMETERS; a++) {
		const k = weight * j[a];
		for (let b = a; b < PARAMETERS; b++) target[a * PARAMETERS + b] += k * j[b];
	}
}

/** The lower half filled in from the upper. */
export function symmetric(upper: Float64Array): Matrix {
	const m = Matrix.zeros(PARAMETERS, PARAMETERS);
	for (let a = 0; a < PARAMETERS; a++)
		for (let b = a; b < PARAMETERS; b++) {
			m.set(a, b, upper[a * PARAMETERS + b]);
			m.set(b, a, upper[a * PARAMETERS + b]);
		}
	return m;
}

export interface Evaluated {
	r: Float64Array;
	/** Nine columns: the derivatives by each parameter. */
	j: Float64Array[];
}

/** Room for what `evaluateAll` finds, for so many readings. */
export const newEvaluated = (n: number): Evaluated => ({
	r: new Float64Array(n),
	j: Array.from({ length: PARAMETERS }, () => new Float64Array(n)),
});

/** Residual and derivatives of every reading against the shell of these parameters, into the room given. */
export function evaluateAll(p: Parameters, c: Columns, variance: number, out: Evaluated): void {
	const row = newRow();
	const { r, j } = out;
	for (let i = 0; i < r.length; i++) {
		evaluate(p, c.x[i], c.y[i], c.z[i], variance, row);
		r[i] = row.r;
		for (let k = 0; k < PARAMETERS; k++) j[k][i] = row.j[k];
	}
}

function dot(a: Float64Array, b: Float64Array): number {
	let sum = 0;
	for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
	return sum;
}

/**
 * Weighted normal matrix Σ w·jᵀj (upper triangle) and, where `gradient` is given, Σ w·r·j. Column by column: a reading
 * at a time is four times slower.
 */
export function normalEquations(
	{ r, j }: Evaluated,
	weights: Float64Array,
	normal: Float64Array,
	gradient?: Float64Array,
): void {
	const weighted = new Float64Array(r.length);
	for (let a = 0; a < PARAMETERS; a++) {
		const column = j[a];
		for (let i = 0; i < weighted.length; i++) weighted[i] = weights[i] * column[i];
		for (let b = a; b < PARAMETERS; b++) normal[a * PARAMETERS + b] = dot(weighted, j[b]);
		if (gradient) gradient[a] = dot(weighted, r);
	}
}
