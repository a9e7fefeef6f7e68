import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRng } from '../math/random';
import type { Vec3 } from '../frames/vec3';
import { coverageOf, evenDirections } from './coverage';
import { roughCoverage } from './roughCoverage';

const FIELD_UT = 49;

const columns = (points: readonly Vec3[]) => ({
	x: Float64Array.from(points, ([x]) => x),
	y: Float64Array.from(points, ([, y]) => y),
	z: Float64Array.from(points, ([, , z]) => z),
});
/** Directions of an arc about the vertical, at a height above the horizon, degrees. */
const arc = (degrees: number, heightDeg: number): Vec3[] =>
	Array.from({ length: 600 }, (_, k) => {
		const [a, h] = [(k / 600) * degrees * (Math.PI / 180), heightDeg * (Math.PI / 180)];
		return [Math.cos(h) * Math.cos(a), -Math.cos(h) * Math.sin(a), Math.sin(h)];
	});
const cap = (degrees: number): Vec3[] =>
	evenDirections(2500).filter(([, , z]) => z > Math.cos((degrees * Math.PI) / 180));

/** What the readings of these directions seem to cover, and what they do. */
function both(directions: readonly Vec3[], offset: Vec3, seed: number, siteUt: number | null) {
	const rng = seededRng(seed);
	const noisy = directions.map((d): Vec3 => {
		const read = (k: number) => offset[k] + FIELD_UT * d[k] + 0.5 * rng.normal();
		return [read(0), read(1), read(2)];
	});
	const truth = columns(directions);
	return { rough: roughCoverage(columns(noisy), siteUt), truth: coverageOf(truth.x, truth.y, truth.z) };
}

const iron = fc.double({ min: -80, max: 80, noNaN: true });

describe('coverage of a record that is not fitted', () => {
	it.each<[string, Vec3[]]>([
		['a heap: held still', arc(0.001, 68)],
		['an arc', arc(40, 20)],
		['a sixth of a turn in a steep field', arc(60, 68)],
		['a level turn', arc(360, 68)],
		['a level turn in a flat field', arc(360, 17)],
		['a cap', cap(40)],
		['half of the sphere', cap(90)],
	])('is not overstated by much for %s, wherever the iron puts it', (_, directions) => {
		fc.assert(
			fc.property(fc.tuple(iron, iron, iron), fc.integer({ min: 1, max: 1e6 }), fc.boolean(), (offset, seed, known) => {
				const { rough, truth } = both(directions, offset, seed, known ? FIELD_UT : null);
				expect(rough.fraction - truth.fraction).toBeLessThan(0.18);
				expect(rough.fraction - truth.fraction).toBeGreaterThan(-0.1);
				expect(Math.abs(rough.largestGapDeg - truth.largestGapDeg)).toBeLessThan(15);
			}),
			{ numRuns: 12 },
		);
	});
	it('of nothing is nothing', () => {
		expect(roughCoverage(columns([]), null)).toMatchObject({ fraction: 0, largestGapDeg: 180 });
	});
});
