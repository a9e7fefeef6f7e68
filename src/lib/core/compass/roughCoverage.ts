import { EigenvalueDecomposition, Matrix, solve } from 'ml-matrix';
import type { Vec3 } from '../frames/vec3';
import { coverageOf, type Coverage } from './coverage';
import { middle, type Columns } from './samples';

/** Earth's field where no site tells it, µT: the middle of what there is on the ground (22 to 67). */
const USUAL_FIELD_UT = 48;
/** Enough readings to place a sphere. */
const MOST_READINGS = 1500;
const ROUNDS = 20;
/** A reading further from the sphere than this share of its radius tells no direction. */
const OFF_SPHERE = 0.3;

const thinned = (column: Float64Array): Float64Array => {
	const step = Math.ceil(column.length / MOST_READINGS);
	return column.filter((_, i) => i % step === 0);
};

/** Sum of squared distances from a sphere, and one step toward a smaller one. */
function look(c: Columns, centre: Vec3, radius: number): { squares: number; step: Vec3 } {
	const normal = Matrix.zeros(3, 3);
	const right = Matrix.zeros(3, 1);
	let squares = 0;
	for (let i = 0; i < c.x.length; i++) {
		const d: Vec3 = [c.x[i] - centre[0], c.y[i] - centre[1], c.z[i] - centre[2]];
		const distance = Math.hypot(...d);
		if (!(distance > 0)) continue;
		const off = distance - radius;
		squares += off * off;
		for (let a = 0; a < 3; a++) {
			right.set(a, 0, right.get(a, 0) + (d[a] / distance) * off);
			for (let b = 0; b < 3; b++) normal.set(a, b, normal.get(a, b) + (d[a] * d[b]) / distance ** 2);
		}
	}
	// A little of the unit matrix: what the readings leave open stays where it is.
	normal.add(Matrix.eye(3).mul(1e-3 * c.x.length));
	const [x, y, z] = solve(normal, right).to1DArray();
	return { squares, step: [x, y, z] };
}

function settled(c: Columns, from: Vec3, radius: number): { centre: Vec3; squares: number } {
	let centre = from;
	let { squares, step } = look(c, centre, radius);
	for (let round = 0; round < ROUNDS; round++) {
		const next: Vec3 = [centre[0] + step[0], centre[1] + step[1], centre[2] + step[2]];
		const found = look(c, next, radius);
		if (!(found.squares < squares * (1 - 1e-9))) break;
		[centre, squares, step] = [next, found.squares, found.step];
	}
	return { centre, squares };
}

/**
 * The centre of the sphere of a known radius that lies nearest to readings, µT: found for a ring, an arc and a heap of them too, where no
 * sphere of unknown radius can be fitted. Of a ring the centre may lie on either side, which covers the same.
 */
function centreOf(c: Columns, radius: number): Vec3 {
	const { centre, radius: reach } = middle(c);
	const spread = Matrix.zeros(3, 3);
	for (let i = 0; i < c.x.length; i++) {
		const d = [c.x[i] - centre[0], c.y[i] - centre[1], c.z[i] - centre[2]];
		for (let a = 0; a < 3; a++) for (let b = 0; b < 3; b++) spread.set(a, b, spread.get(a, b) + d[a] * d[b]);
	}
	const axes = new EigenvalueDecomposition(spread, { assumeSymmetric: true }).eigenvectorMatrix;
	const away = Math.sqrt(Math.max(0, radius ** 2 - reach ** 2));
	const starts = [0, 1, 2].flatMap((k) =>
		[away, -away].map((by): Vec3 => [
			centre[0] + by * axes.get(0, k),
			centre[1] + by * axes.get(1, k),
			centre[2] + by * axes.get(2, k),
		]),
	);
	return [centre, ...starts]
		.map((start) => settled(c, start, radius))
		.reduce((best, each) => (each.squares < best.squares ? each : best)).centre;
}

/**
 * What a turning covered, where no fit of it holds: about the centre of a sphere of the site's field strength. About the middle of the readings a
 * heap or an arc would seem to go all round.
 *
 * @param c readings, µT, in the magnetometer's axes
 * @param totalUt strength of the site's field, µT; null where no site is known
 */
export function roughCoverage(c: Columns, totalUt: number | null): Coverage {
	if (c.x.length === 0) return coverageOf(c.x, c.y, c.z);
	const few = { x: thinned(c.x), y: thinned(c.y), z: thinned(c.z) };
	// A log in another unit, or near iron, may span more than the field.
	const radius = Math.max(totalUt ?? USUAL_FIELD_UT, middle(few).radius);
	const centre = centreOf(few, radius);
	const onSphere = c.x.map((_, i) => {
		const distance = Math.hypot(c.x[i] - centre[0], c.y[i] - centre[1], c.z[i] - centre[2]);
		return Math.abs(distance / radius - 1) < OFF_SPHERE ? 1 : 0;
	});
	const about = (column: Float64Array, k: number) =>
		column.filter((_, i) => onSphere[i] === 1).map((value) => value - centre[k]);
	return coverageOf(about(c.x, 0), about(c.y, 1), about(c.z, 2));
}
