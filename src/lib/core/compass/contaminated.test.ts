import { describe, expect, it } from 'vitest';
import { seededRng, type Rng } from '../math/random';
import { fitCompass } from './review';

type Turning = (share: number, rng: Rng) => number[];

const anywhere: Turning = (_, rng) => [rng.normal(), rng.normal(), rng.normal()];
const withinOf =
	(least: number): Turning =>
	(share, rng) => {
		for (;;) {
			const d = anywhere(share, rng);
			if (d[2] > least * Math.hypot(...d)) return d;
		}
	};
/** Level turns only: the field's vertical part never changes its place. */
const yawOnly: Turning = (share) => [0.5 * Math.cos(20 * share), 0.5 * Math.sin(20 * share), 0.87];
/** Level turns, then turns about the nose: two circles. */
const twoCircles: Turning = (share) =>
	share < 0.5 ? yawOnly(share, seededRng(1)) : [0.87, 0.5 * Math.cos(20 * share), 0.5 * Math.sin(20 * share)];
/** Level turns while rocked by 30°: a thin, winding line. */
const rocked: Turning = (share) => {
	const a = 31 * share;
	const tilt = 0.5 * Math.sin(21 * share);
	const [s, c] = [Math.sin(tilt), Math.cos(tilt)];
	return [0.5 * Math.cos(a), 0.5 * Math.sin(a) * c - 0.87 * s, 0.87 * c + 0.5 * Math.sin(a) * s];
};

/** A turning with its truth: field 30 to 60 µT, offset some 30 µT, soft iron some per cent, spikes of 40 µT. */
function recordOf(turning: Turning, seed: number) {
	const rng = seededRng(seed);
	const n = [60, 150, 400, 1200, 3000][seed % 5];
	const noiseUt = [0.2, 0.5, 1, 2][seed % 4];
	const spikes = [0, 0, 0.05, 0.15][(seed >> 2) % 4];
	const fieldUt = 30 + 30 * rng.uniform();
	const offset = [0, 1, 2].map(() => 30 * rng.normal());
	const gain = [0, 1, 2].map(() => 1 + 0.08 * rng.normal());
	const [xy, xz, yz] = [0, 1, 2].map(() => 0.04 * rng.normal());
	const rows = [
		[gain[0], xy, xz],
		[xy, gain[1], yz],
		[xz, yz, gain[2]],
	];
	const mag = { t: [] as number[], x: [] as number[], y: [] as number[], z: [] as number[] };
	for (let i = 0; i < n; i++) {
		const d = turning(i / n, rng);
		const k = fieldUt / Math.hypot(...d);
		const spike = rng.uniform() < spikes ? 40 : 0;
		const read = rows.map(
			(row, a) =>
				k * (row[0] * d[0] + row[1] * d[1] + row[2] * d[2]) + offset[a] + noiseUt * rng.normal() + spike * rng.normal(),
		);
		mag.t.push(i / 50);
		mag.x.push(read[0]);
		mag.y.push(read[1]);
		mag.z.push(read[2]);
	}
	return { mag, offset, fieldUt };
}

const SEEDS = Array.from({ length: 20 }, (_, k) => 7 + 101 * k + (k % 4));

/** Of every record that is answered: how many of its sigmas the offset is off, and of the passes, by which share of the field. */
function judged(turning: Turning) {
	return SEEDS.map((seed) => {
		const { mag, offset, fieldUt } = recordOf(turning, seed);
		const answer = fitCompass({ mag });
		if (!answer.hardIronUt || !answer.uncertainty) return { refused: true, sigmas: 0, passed: false, wrongPass: false };
		const off = Math.hypot(...answer.hardIronUt.map((value, k) => value - offset[k]));
		return {
			refused: false,
			sigmas: off / Math.hypot(...answer.uncertainty.hardIronUt),
			passed: answer.verdict === 'pass',
			wrongPass: answer.verdict === 'pass' && off > 0.05 * fieldUt,
		};
	});
}

describe('records of any length, noise and share of spikes', () => {
	it.each([
		['turned all round', anywhere, 1.4, 0],
		['turned over one half', withinOf(0), 2, 2],
		['rocked while turning', rocked, 3.5, 12],
	] as const)('%s: no wrong pass, and errors of the size that is stated', (_, turning, mostRms, mostRefused) => {
		const all = judged(turning);
		const answered = all.filter(({ refused }) => !refused);
		expect(all.filter(({ wrongPass }) => wrongPass)).toEqual([]);
		expect(all.length - answered.length).toBeLessThanOrEqual(mostRefused);
		const rms = Math.sqrt(answered.reduce((sum, { sigmas }) => sum + sigmas ** 2, 0) / answered.length);
		expect(rms).toBeLessThan(mostRms);
	});

	it.each([
		['level turns only', yawOnly],
		['two circles', twoCircles],
	] as const)('%s: spikes are no turning, and no share of them makes up for it', (_, turning) => {
		const answered = judged(turning).filter(({ refused }) => !refused);
		expect(answered.length).toBeLessThanOrEqual(1);
		expect(answered.filter(({ passed }) => passed)).toEqual([]);
	});
});

describe('a single spike far from a narrow turning', () => {
	it('does not bend the shell to itself', () => {
		const { mag, offset } = recordOf(withinOf(0.35), 11);
		const clean = fitCompass({ mag });
		const far = { x: offset[0] - 60, y: offset[1] + 10, z: offset[2] - 45 };
		const bent = fitCompass({
			mag: { t: [...mag.t, 99], x: [...mag.x, far.x], y: [...mag.y, far.y], z: [...mag.z, far.z] },
		});
		for (let k = 0; k < 3; k++)
			expect(Math.abs((bent.hardIronUt?.[k] ?? NaN) - (clean.hardIronUt?.[k] ?? NaN))).toBeLessThan(
				clean.uncertainty?.hardIronUt[k] ?? 0,
			);
		expect(bent.rejected).toBe((clean.rejected ?? NaN) + 1);
	});
});
