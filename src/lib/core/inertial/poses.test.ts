import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { seededRng } from '../math/random';
import type { Vec3 } from '../frames/vec3';
import { FACE_UP, FACES, faceOf, posesOf, stillWindows } from './poses';

const G = 9.80665;

interface Hold {
	up: Vec3;
	seconds: number;
}

/** Holds with a second of shaking before each and after the last; where each hold lies. */
function stream(holds: Hold[], { hz = 100, noise = 0.03, seed = 1, shake = 1 } = {}) {
	const rng = seededRng(seed);
	const rows: Vec3[] = [];
	const truth: { from: number; to: number }[] = [];
	const shaking = () => {
		for (let k = 0; k < hz; k++) rows.push([shake * rng.normal(), shake * rng.normal(), G + shake * rng.normal()]);
	};
	for (const { up, seconds } of holds) {
		shaking();
		const from = rows.length / hz;
		for (let k = 0; k <= seconds * hz; k++)
			rows.push([G * up[0] + noise * rng.normal(), G * up[1] + noise * rng.normal(), G * up[2] + noise * rng.normal()]);
		truth.push({ from, to: (rows.length - 1) / hz });
	}
	shaking();
	const column = (a: number) => Float64Array.from(rows, (row) => row[a]);
	return { columns: { t: rows.map((_, k) => k / hz), x: column(0), y: column(1), z: column(2) }, truth };
}

describe('a hold in a stream', () => {
	it('is found from one second on, at any rate and noise, to within a tenth of a second', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 1, max: 9999 }),
				fc.constantFrom(20, 50, 100, 200),
				fc.constantFrom(0.01, 0.05, 0.15),
				evenly(1.1, 3),
				(seed, hz, noise, seconds) => {
					const { columns, truth } = stream(
						FACES.map((face) => ({ up: FACE_UP[face], seconds })),
						{ hz, noise, seed, shake: 2 },
					);
					const found = stillWindows(columns);
					expect(found.length).toBe(6);
					found.forEach(({ tStart, tEnd }, k) => {
						expect(Math.abs(tStart - truth[k].from)).toBeLessThanOrEqual(0.1 + 1 / hz);
						expect(Math.abs(tEnd - truth[k].to)).toBeLessThanOrEqual(0.1 + 1 / hz);
					});
				},
			),
			{ numRuns: 40, seed: 3 },
		);
	});

	it('shorter than a second is a movement that paused', () => {
		const { columns } = stream([
			{ up: FACE_UP.belly, seconds: 2 },
			{ up: FACE_UP.nose, seconds: 0.7 },
		]);
		expect(stillWindows(columns).length).toBe(1);
	});

	it('that creeps is cut until each part holds still', () => {
		const n = 600;
		const lean = (k: number) => (0.5 * k) / n;
		const columns = {
			t: Array.from({ length: n }, (_, k) => k / 100),
			x: Float64Array.from({ length: n }, (_, k) => G * Math.sin(lean(k))),
			y: new Float64Array(n),
			z: Float64Array.from({ length: n }, (_, k) => -G * Math.cos(lean(k))),
		};
		for (const { tStart, tEnd } of stillWindows(columns)) expect(tEnd - tStart).toBeLessThan(2);
	});

	it('does not reach across a pause of the log', () => {
		const { columns } = stream(
			FACES.map((face) => ({ up: FACE_UP[face], seconds: 2.5 })),
			{ shake: 2 },
		);
		const whole = stillWindows(columns);
		// From the middle of the first hold to the middle of the second nothing was logged.
		const [from, to] = [0, 1].map((k) => (whole[k].tStart + whole[k].tEnd) / 2);
		const kept = columns.t.map((t) => t < from || t > to);
		const cut = (values: ArrayLike<number>) => Float64Array.from(values).filter((_, i) => kept[i]);
		const found = stillWindows({ t: cut(columns.t), x: cut(columns.x), y: cut(columns.y), z: cut(columns.z) });
		expect(found.length).toBeGreaterThanOrEqual(5);
		for (const { tStart, tEnd, mean } of found) {
			expect(tStart < from && tEnd > to).toBe(false);
			expect(Math.abs(Math.hypot(...mean) - G)).toBeLessThan(0.1);
		}
	});

	it('in which a gyro turns is none, though gravity stands still', () => {
		const { columns } = stream([{ up: FACE_UP.belly, seconds: 3 }]);
		const rate = Float64Array.from(columns.t, () => 0.5);
		expect(stillWindows(columns).length).toBe(1);
		expect(stillWindows({ ...columns, rate })).toEqual([]);
	});
});

describe('the face of a hold', () => {
	it('is the one that points down, up to thirty degrees off', () => {
		for (const face of FACES) {
			const [x, y, z] = FACE_UP[face];
			expect(faceOf([G * x, G * y, G * z])).toEqual({ face, tiltDeg: 0 });
		}
		expect(faceOf([0.45 * G, 0, -0.89 * G])?.face).toBe('belly');
		expect(faceOf([0.7 * G, 0, -0.7 * G])).toBeNull();
	});

	it('lifted and put down again is another hold; a knock within a hold is not', () => {
		const held = (tStart: number, tEnd: number) => ({
			tStart,
			tEnd,
			mean: FACE_UP.belly,
			samples: 100,
			stillnessMps2: 0,
		});
		const found = (...windows: ReturnType<typeof held>[]) => posesOf(windows).poses.map(({ tEnd }) => tEnd);
		expect(found(held(0, 2), held(2.3, 4))).toEqual([4]);
		expect(found(held(0, 2), held(3, 4.5))).toEqual([2, 4.5]);
	});

	it('held twice in a row is two, as with another between', () => {
		const { columns } = stream([
			{ up: FACE_UP.belly, seconds: 1.5 },
			{ up: FACE_UP.belly, seconds: 1.5 },
			{ up: FACE_UP.nose, seconds: 1.5 },
			{ up: FACE_UP.belly, seconds: 1.5 },
		]);
		expect(posesOf(stillWindows(columns)).poses.map(({ face }) => face)).toEqual(['belly', 'belly', 'nose', 'belly']);
	});

	it('between two is named as lying between', () => {
		const { columns } = stream([{ up: [Math.SQRT1_2, 0, -Math.SQRT1_2], seconds: 2 }]);
		const { poses, between } = posesOf(stillWindows(columns));
		expect(poses).toEqual([]);
		expect(between.length).toBe(1);
	});
});
