import { Matrix } from 'ml-matrix';
import type { Columns } from './samples';

/** Offset b (3) and the upper triangle of W (00, 11, 22, 01, 02, 12) of a shell |W(m − b)| = 1. */
export type Parameters = Float64Array;

/** How many they are. */
export const PARAMETERS = 9;

/** What readings say about the parameters, each at its foot on the ellipsoid. Filled again and again: no reading allocates. */
export interface Evaluated {
	readings: number;
	/** Distance of each reading from the shell, outward along its normal, unit of the readings. */
	r: Float64Array;
	/**
	 * Derivatives of `r`, parameter by parameter: that of reading i by parameter k stands at k·readings + i. The first three
	 * are the shell's normal at the foot, pointing inward.
	 */
	j: Float64Array;
}

/** Room for what so many readings say. */
export const newEvaluated = (readings: number): Evaluated => ({
	readings,
	r: new Float64Array(readings),
	j: new Float64Array(readings * PARAMETERS),
});

/**
 * Residual (unit of m, along the ellipsoid's normal) and its derivatives at one reading, put into place i.
 * The length |W(m − b)| of a noisy reading is longer on average than the field's; that excess, s²·(tr W² − ûᵀW²û)/2n,
 * is taken out, and the derivatives are taken at the foot of the reading on the shell: both remove the bias that a
 * plain least-distance fit keeps.
 */
export function evaluate(
	p: Parameters,
	x: number,
	y: number,
	z: number,
	variance: number,
	{ readings, r, j }: Evaluated,
	i = 0,
): void {
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
	// One division each by n and g: thirteen would be half of the time.
	const perN = 1 / n;
	const e0 = u0 * perN;
	const e1 = u1 * perN;
	const e2 = u2 * perN;
	const q0 = w00 * e0 + w01 * e1 + w02 * e2;
	const q1 = w01 * e0 + w11 * e1 + w12 * e2;
	const q2 = w02 * e0 + w12 * e1 + w22 * e2;
	const gg = q0 * q0 + q1 * q1 + q2 * q2;
	const perG = 1 / Math.sqrt(gg);
	const trace = w00 * w00 + w11 * w11 + w22 * w22 + 2 * (w01 * w01 + w02 * w02 + w12 * w12);
	const residual = (n - 1 - (variance * (trace - gg) * perN) / 2) * perG;
	const d0 = q0 * perG;
	const d1 = q1 * perG;
	const d2 = q2 * perG;
	const f0 = v0 - residual * d0;
	const f1 = v1 - residual * d1;
	const f2 = v2 - residual * d2;
	r[i] = residual;
	j[i] = -d0;
	j[readings + i] = -d1;
	j[2 * readings + i] = -d2;
	j[3 * readings + i] = e0 * f0 * perG;
	j[4 * readings + i] = e1 * f1 * perG;
	j[5 * readings + i] = e2 * f2 * perG;
	j[6 * readings + i] = (e0 * f1 + e1 * f0) * perG;
	j[7 * readings + i] = (e0 * f2 + e2 * f0) * perG;
	j[8 * readings + i] = (e1 * f2 + e2 * f1) * perG;
}

/** What one reading at (x, y, z) would say about (b, W): its row of derivatives, in the unit of the readings. */
export function informationRow(p: Parameters, x: number, y: number, z: number): Float64Array {
	const one = newEvaluated(1);
	evaluate(p, x, y, z, 0, one);
	return one.j;
}

/** Adds weight·j·jᵀ of one reading, upper half only. */
export function accumulate(target: Float64Array, j: Float64Array, weight: number): void {
	for (let a = 0; a < PARAMETERS; a++) {
		const k = weight * j[a];
		for (let b = a; b < PARAMETERS; b++) target[a * PARAMETERS + b] += k * j[b];
	}
}

/** A square matrix of so many rows, the lower half filled in from the upper. */
export function symmetric(upper: Float64Array, size = PARAMETERS): Matrix {
	const m = Matrix.zeros(size, size);
	for (let a = 0; a < size; a++)
		for (let b = a; b < size; b++) {
			m.set(a, b, upper[a * size + b]);
			m.set(b, a, upper[a * size + b]);
		}
	return m;
}

/** Residual and derivatives of every reading against the shell of these parameters, into the room given. */
export function evaluateAll(p: Parameters, c: Columns, variance: number, out: Evaluated): void {
	for (let i = 0; i < out.readings; i++) evaluate(p, c.x[i], c.y[i], c.z[i], variance, out, i);
}

const columnsIn = ({ readings, j }: Evaluated): Float64Array[] =>
	Array.from({ length: PARAMETERS }, (_, k) => j.subarray(k * readings, (k + 1) * readings));

/** Σ w·a·b of three columns with three others, row by row. Nine sums abreast: one by itself would wait at every reading. */
function block(w: Float64Array, a: readonly Float64Array[], b: readonly Float64Array[]): number[] {
	// By name: in an array the sums would be stored and loaded at every reading.
	const a0 = a[0];
	const a1 = a[1];
	const a2 = a[2];
	const b0 = b[0];
	const b1 = b[1];
	const b2 = b[2];
	let s00 = 0;
	let s01 = 0;
	let s02 = 0;
	let s10 = 0;
	let s11 = 0;
	let s12 = 0;
	let s20 = 0;
	let s21 = 0;
	let s22 = 0;
	for (let i = 0; i < w.length; i++) {
		const weight = w[i];
		const x0 = weight * a0[i];
		const x1 = weight * a1[i];
		const x2 = weight * a2[i];
		const y0 = b0[i];
		const y1 = b1[i];
		const y2 = b2[i];
		s00 += x0 * y0;
		s01 += x0 * y1;
		s02 += x0 * y2;
		s10 += x1 * y0;
		s11 += x1 * y1;
		s12 += x1 * y2;
		s20 += x2 * y0;
		s21 += x2 * y1;
		s22 += x2 * y2;
	}
	return [s00, s01, s02, s10, s11, s12, s20, s21, s22];
}

/** Σ w·r·j by each parameter. */
export function slopes(all: Evaluated, weights: Float64Array): Float64Array {
	const columns = columnsIn(all);
	const out = new Float64Array(PARAMETERS);
	for (let k = 0; k < PARAMETERS; k += 3)
		out.set(block(weights, [all.r, all.r, all.r], columns.slice(k, k + 3)).slice(0, 3), k);
	return out;
}

/** Upper triangle of the weighted normal matrix Σ w·jᵀj, block by block. */
export function normalMatrix(all: Evaluated, weights: Float64Array): Float64Array {
	const columns = columnsIn(all);
	const normal = new Float64Array(PARAMETERS * PARAMETERS);
	for (let a = 0; a < PARAMETERS; a += 3)
		for (let b = a; b < PARAMETERS; b += 3)
			block(weights, columns.slice(a, a + 3), columns.slice(b, b + 3)).forEach((sum, k) => {
				normal[(a + Math.floor(k / 3)) * PARAMETERS + b + (k % 3)] = sum;
			});
	return normal;
}
