import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { apply, transpose, type Mat3 } from '../frames/mat3';
import { RIGHT_ANGLE_ROTATIONS } from '../frames/rotation';
import type { Vec3 } from '../frames/vec3';
import { seededRng } from '../math/random';
import { fitCompass } from './review';

interface Cloud {
	t: number[];
	rows: Vec3[];
}

/** Any whole turn: offset, gains, noise, spikes. */
const clouds = fc
	.record({
		seed: fc.integer({ min: 1, max: 1e6 }),
		n: fc.integer({ min: 250, max: 500 }),
		noise: evenly(0.1, 1),
		spikes: fc.integer({ min: 0, max: 4 }),
	})
	.map(({ seed, n, noise, spikes }): Cloud => {
		const rng = seededRng(seed);
		const offset = [0, 1, 2].map(() => 20 * rng.normal());
		const gain = [0, 1, 2].map(() => 1 + 0.05 * rng.normal());
		const rows = Array.from({ length: n }, (): Vec3 => {
			const d = [rng.normal(), rng.normal(), rng.normal()];
			const size = Math.hypot(...d);
			return d.map((v, k) => (48 * v * gain[k]) / size + offset[k] + noise * rng.normal()) as unknown as Vec3;
		});
		for (let k = 0; k < spikes; k++) rows[Math.floor(n * rng.uniform())] = [300 * rng.normal(), 300 * rng.normal(), 80];
		return { t: rows.map((_, i) => 0.02 * i), rows };
	});

const fit = ({ t, rows }: Cloud) =>
	fitCompass({ mag: { t, x: rows.map((r) => r[0]), y: rows.map((r) => r[1]), z: rows.map((r) => r[2]) } });
const moved = ({ t, rows }: Cloud, by: (row: Vec3) => Vec3): Cloud => ({ t, rows: rows.map(by) });
/** Within so much of one another, place by place; a refusal only where the other is refused too. */
function near(a: readonly number[] | null, b: readonly number[] | null, within: number): void {
	expect(b === null).toBe(a === null);
	a?.forEach((v, k) => expect(Math.abs(v - (b?.[k] ?? NaN))).toBeLessThan(within));
}
// The same clouds every time: a reading at the edge of being left out would be a coin’s throw.
const runs = { numRuns: 15, seed: 11 };

describe('a compass calibration', () => {
	it('turns with the board: offsets as the axes, soft iron as a matrix, the same noise and verdict', () => {
		fc.assert(
			fc.property(clouds, fc.constantFrom(...RIGHT_ANGLE_ROTATIONS), (cloud, r: Mat3) => {
				const [a, b] = [fit(cloud), fit(moved(cloud, (row) => apply(r, row)))];
				expect(b.verdict).toBe(a.verdict);
				if (!a.hardIronUt || !b.hardIronUt || !a.softIron || !b.softIron)
					return expect(b.hardIronUt).toEqual(a.hardIronUt);
				near(apply(r, a.hardIronUt), b.hardIronUt, 0.01);
				expect(b.fieldUt).toBeCloseTo(a.fieldUt ?? NaN, 2);
				expect(b.noiseUt).toBeCloseTo(a.noiseUt ?? NaN, 2);
				// W of the turned board is R·W·Rᵀ.
				const turned = a.softIron.map((row) => apply(r, row as unknown as Vec3));
				const whole = transpose(transpose(turned as unknown as Mat3).map((row) => apply(r, row)) as unknown as Mat3);
				whole.forEach((row, i) => near(row, b.softIron?.[i] ?? null, 0.002));
			}),
			runs,
		);
	});

	it('moves with what is added to every reading, and nothing else of it does', () => {
		fc.assert(
			fc.property(
				clouds,
				fc.tuple(
					fc.integer({ min: -90, max: 90 }),
					fc.integer({ min: -90, max: 90 }),
					fc.integer({ min: -90, max: 90 }),
				),
				(cloud, by) => {
					const [a, b] = [fit(cloud), fit(moved(cloud, (row) => row.map((v, k) => v + by[k]) as unknown as Vec3))];
					expect(b.verdict).toBe(a.verdict);
					if (!a.hardIronUt || !b.hardIronUt) return expect(b.hardIronUt).toEqual(a.hardIronUt);
					near(
						a.hardIronUt.map((v, k) => v + by[k]),
						b.hardIronUt,
						0.01,
					);
					expect(b.fieldUt).toBeCloseTo(a.fieldUt ?? NaN, 2);
					expect(b.uncertainty?.headingDeg).toBeCloseTo(a.uncertainty?.headingDeg ?? NaN, 2);
				},
			),
			runs,
		);
	});

	it('is the same whichever reading came first', () => {
		fc.assert(
			fc.property(clouds, (cloud) => {
				const [a, b] = [fit(cloud), fit({ t: cloud.t, rows: cloud.rows.toReversed() })];
				expect(b.verdict).toBe(a.verdict);
				near(a.hardIronUt, b.hardIronUt, 0.01);
				expect(b.rejected).toBe(a.rejected);
			}),
			runs,
		);
	});

	it('knows its offsets better from more readings of the same kind', () => {
		const rng = seededRng(5);
		const of = (n: number) => {
			const rows = Array.from({ length: n }, (): Vec3 => {
				const d = [rng.normal(), rng.normal(), rng.normal()];
				const size = Math.hypot(...d);
				return d.map((v, k) => (48 * v) / size + [3, -8, 12][k] + 0.5 * rng.normal()) as unknown as Vec3;
			});
			return fit({ t: rows.map((_, i) => 0.02 * i), rows });
		};
		const sigmas = [200, 800, 3200].map((n) => Math.hypot(...(of(n).uncertainty?.hardIronUt ?? [NaN])));
		expect(sigmas[0] / sigmas[1]).toBeGreaterThan(1.5);
		expect(sigmas[0] / sigmas[1]).toBeLessThan(2.7);
		expect(sigmas[1] / sigmas[2]).toBeGreaterThan(1.5);
		expect(sigmas[1] / sigmas[2]).toBeLessThan(2.7);
	});
});
