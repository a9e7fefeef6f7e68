import { CholeskyDecomposition, type Matrix } from 'ml-matrix';
import { DEG, wrapPi } from '../frames/angles';
import { apply, transpose, type Mat3 } from '../frames/mat3';
import { seededRng } from '../math/random';
import type { Vec3 } from '../frames/vec3';

/** A calibration as used for headings: m = W·(m_raw − b), |m| = F, and the rotation from sensor to body axes. */
export interface Calibration {
	offset: Vec3;
	w: Mat3;
	/** W's inverse. */
	wInverse: Mat3;
	fieldUt: number;
	rotation: Mat3;
}

const HEADINGS = 72;
const DRAWS = 128;
/** Fixed: the expected worst error must not change from run to run. */
const DRAW_SEED = 7_411;

/** Heading of a level body from the field in body axes (x forward, y right, z down), radians clockwise from magnetic north. */
export const levelHeading = (body: Vec3): number => Math.atan2(-body[1], body[0]);

/** The field in body axes of a level body at a heading, for field strength and inclination (down positive). */
export const levelField = (headingRad: number, fieldUt: number, inclinationRad: number): Vec3 => {
	const horizontal = fieldUt * Math.cos(inclinationRad);
	return [horizontal * Math.cos(headingRad), -horizontal * Math.sin(headingRad), fieldUt * Math.sin(inclinationRad)];
};

const aroundTheTurn = (inclinationRad: number, c: Calibration) =>
	Array.from({ length: HEADINGS }, (_, k) => {
		const headingRad = (2 * Math.PI * k) / HEADINGS;
		const sensor = apply(transpose(c.rotation), levelField(headingRad, c.fieldUt, inclinationRad));
		return { headingRad, sensor, raw: apply(c.wInverse, sensor) };
	});

/** Error in degrees (reported − true) of a level heading read from the raw sensor, for 72 headings of a full turn. */
export function uncorrectedErrors(c: Calibration, inclinationRad: number): { headingDeg: number; errorDeg: number }[] {
	return aroundTheTurn(inclinationRad, c).map(({ headingRad, raw }) => {
		const seen = apply(c.rotation, [raw[0] + c.offset[0], raw[1] + c.offset[1], raw[2] + c.offset[2]]);
		return { headingDeg: headingRad / DEG, errorDeg: wrapPi(levelHeading(seen) - headingRad) / DEG };
	});
}

/** Derivatives of the level heading (radians) by (b, W00, W11, W22, W01, W02, W12), one row per heading of the turn. */
export function headingGradients(c: Calibration, inclinationRad: number): Float64Array[] {
	return aroundTheTurn(inclinationRad, c).map(({ sensor, raw }) => {
		const [mx, my] = apply(c.rotation, sensor);
		const h2 = mx * mx + my * my;
		// dψ = (my·dmx − mx·dmy)/H² in body axes, brought back into sensor axes.
		const g = apply(transpose(c.rotation), [my / h2, -mx / h2, 0]);
		const row = new Float64Array(9);
		for (let k = 0; k < 3; k++) {
			row[k] = -(c.w[0][k] * g[0] + c.w[1][k] * g[1] + c.w[2][k] * g[2]);
			row[3 + k] = g[k] * raw[k];
		}
		row[6] = g[0] * raw[1] + g[1] * raw[0];
		row[7] = g[0] * raw[2] + g[2] * raw[0];
		row[8] = g[1] * raw[2] + g[2] * raw[1];
		return row;
	});
}

/** One standard deviation of a level heading in degrees at the worst heading of a full turn. */
export function headingSigmaDeg(gradients: Float64Array[], covariance: Matrix): number {
	let worst = 0;
	for (const g of gradients) {
		let variance = 0;
		for (let a = 0; a < 9; a++) for (let b = 0; b < 9; b++) variance += g[a] * covariance.get(a, b) * g[b];
		worst = Math.max(worst, variance);
	}
	return Math.sqrt(worst) / DEG;
}

/** Worst error of a level heading over a full turn, in degrees, as expected from the calibration's covariance. */
export function expectedWorstErrorDeg(gradients: Float64Array[], covariance: Matrix): number {
	const cholesky = new CholeskyDecomposition(covariance);
	if (!cholesky.isPositiveDefinite()) return NaN;
	const lower = cholesky.lowerTriangularMatrix;
	const rng = seededRng(DRAW_SEED);
	let sum = 0;
	for (let draw = 0; draw < DRAWS; draw++) {
		const normals = Array.from({ length: 9 }, () => rng.normal());
		const delta = normals.map((_, a) => normals.reduce((s, value, b) => s + (b <= a ? lower.get(a, b) * value : 0), 0));
		let worst = 0;
		for (const g of gradients) worst = Math.max(worst, Math.abs(delta.reduce((s, value, k) => s + value * g[k], 0)));
		sum += worst;
	}
	return sum / DRAWS / DEG;
}
