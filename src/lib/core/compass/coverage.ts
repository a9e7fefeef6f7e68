import { DEG } from '../frames/angles';
import type { Vec3 } from '../frames/vec3';

/** Bands of equal height on the sphere have equal area (Archimedes); 6 bands of 12 sectors make 72 equal cells. */
const BANDS = 6;
const SECTORS = 12;
export const COVERAGE_CELLS = BANDS * SECTORS;

const PROBES = 400;
const GOLDEN_ANGLE = Math.PI * (3 - Math.sqrt(5));

/** Directions spread evenly over the sphere (Fibonacci lattice). */
export const evenDirections = (count: number): Vec3[] =>
	Array.from({ length: count }, (_, k) => {
		const z = 1 - (2 * k + 1) / count;
		const r = Math.sqrt(1 - z * z);
		return [r * Math.cos(GOLDEN_ANGLE * k), r * Math.sin(GOLDEN_ANGLE * k), z];
	});

const probes = evenDirections(PROBES);

/** Cell of a direction (unit vector), 0..71. */
export function cellOf(x: number, y: number, z: number): number {
	const band = Math.min(BANDS - 1, Math.floor(((1 - z) / 2) * BANDS));
	const sector = Math.min(SECTORS - 1, Math.floor(((Math.atan2(y, x) + Math.PI) / (2 * Math.PI)) * SECTORS));
	return band * SECTORS + sector;
}

const cellCentre = (cell: number): Vec3 => {
	const z = 1 - (2 * (Math.floor(cell / SECTORS) + 0.5)) / BANDS;
	const angle = -Math.PI + ((cell % SECTORS) + 0.5) * ((2 * Math.PI) / SECTORS);
	const r = Math.sqrt(1 - z * z);
	return [r * Math.cos(angle), r * Math.sin(angle), z];
};

export interface Coverage {
	/** Share of the 72 equal-area cells that hold a reading. */
	fraction: number;
	/** Angular radius of the largest cap of the sphere without a reading, degrees. */
	largestGapDeg: number;
	/** Centres of the cells without a reading, unit vectors, the one furthest from any reading first. */
	emptyDirections: Vec3[];
}

/** Coverage of the sphere by directions given as columns (need not be unit length). Frame: that of the columns. */
export function coverageOf(x: Float64Array, y: Float64Array, z: Float64Array): Coverage {
	// One representative per fine cell keeps the search for gaps independent of the number of readings.
	const fine = new Map<number, Vec3>();
	const seen = new Uint8Array(COVERAGE_CELLS);
	for (let i = 0; i < x.length; i++) {
		const n = Math.sqrt(x[i] * x[i] + y[i] * y[i] + z[i] * z[i]);
		if (!(n > 0)) continue;
		const [dx, dy, dz] = [x[i] / n, y[i] / n, z[i] / n];
		seen[cellOf(dx, dy, dz)] = 1;
		const key = (Math.round(dx * 12) * 32 + Math.round(dy * 12)) * 32 + Math.round(dz * 12);
		if (!fine.has(key)) fine.set(key, [dx, dy, dz]);
	}
	const points = [...fine.values()];
	const gapOf = (d: Vec3) => {
		let nearest = -1;
		for (const p of points) nearest = Math.max(nearest, p[0] * d[0] + p[1] * d[1] + p[2] * d[2]);
		return Math.acos(Math.max(-1, Math.min(1, nearest))) / DEG;
	};
	const empty = Array.from({ length: COVERAGE_CELLS }, (_, cell) => cell).filter((cell) => !seen[cell]);
	return {
		fraction: 1 - empty.length / COVERAGE_CELLS,
		largestGapDeg: points.length === 0 ? 180 : Math.max(...probes.map(gapOf)),
		emptyDirections: empty
			.map((cell) => ({ direction: cellCentre(cell), gap: gapOf(cellCentre(cell)) }))
			.sort((a, b) => b.gap - a.gap)
			.map(({ direction }) => direction),
	};
}
