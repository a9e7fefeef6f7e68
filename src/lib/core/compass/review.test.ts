import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldAt } from '../earth/field';
import { inverse, apply, type Mat3 } from '../frames/mat3';
import { seededRng, type Rng } from '../math/random';
import type { Vec3 } from '../frames/vec3';
import { fitCompass } from './review';
import { fitMagnitude } from './magnitudeFit';
import { columnsOf } from './samples';
import { levelField, levelHeading } from './heading';
import { DEG } from '../frames/angles';

const SITE = { latDeg: 54.21, lonDeg: -3.06, altM: 12, date: '2026-05-14' };
const MODEL = fieldAt(SITE.latDeg, SITE.lonDeg, SITE.altM, SITE.date);
const F = MODEL.totalUt;

interface Truth {
	offset: Vec3;
	w: Mat3;
}

const truthOf = (rng: Rng): Truth => {
	const c = () => 0.03 * rng.normal();
	const [xy, xz, yz] = [c(), c(), c()];
	return {
		offset: [20 * rng.normal(), 20 * rng.normal(), 20 * rng.normal()],
		w: [
			[1 + c(), xy, xz],
			[xy, 1 + c(), yz],
			[xz, yz, 1 + c()],
		],
	};
};

function readings(truth: Truth, directions: Vec3[], noiseUt: number, rng: Rng) {
	const bend = inverse(truth.w);
	if (!bend) throw new Error('singular');
	const rows = directions.map((d) => {
		const size = Math.hypot(...d);
		const m = apply(bend, [(d[0] / size) * F, (d[1] / size) * F, (d[2] / size) * F]);
		return m.map((value, k) => value + truth.offset[k] + noiseUt * rng.normal());
	});
	return {
		t: rows.map((_, i) => i * 0.02),
		x: rows.map((r) => r[0]),
		y: rows.map((r) => r[1]),
		z: rows.map((r) => r[2]),
	};
}

const allRound = (n: number, rng: Rng): Vec3[] =>
	Array.from({ length: n }, () => [rng.normal(), rng.normal(), rng.normal()]);

const level = (n: number): Vec3[] =>
	Array.from({ length: n }, (_, i) => [0.4 * Math.cos(i * 0.1), 0.4 * Math.sin(i * 0.1), 0.9]);

describe('a compass turned all round', () => {
	it('is recovered within its stated uncertainty, whatever the offset and soft iron', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 1e6 }), fc.constantFrom(0.2, 0.6, 1.2), (seed, noise) => {
				const rng = seededRng(seed);
				const truth = truthOf(rng);
				const answer = fitCompass({ mag: readings(truth, allRound(800, rng), noise, rng), site: SITE });
				const { hardIronUt, uncertainty, softIron } = answer;
				if (!hardIronUt || !uncertainty || !softIron) return false;
				const within = hardIronUt.every((b, k) => Math.abs(b - truth.offset[k]) < 5 * uncertainty.hardIronUt[k]);
				const heading = levelHeadingError(truth, hardIronUt, softIron);
				return within && heading < 6 * uncertainty.headingDeg && answer.verdict === 'pass';
			}),
			{ numRuns: 25, seed: 4 },
		);
	});

	it('states an uncertainty that is neither boast nor excuse: error over sigma is near one on average', () => {
		let sum = 0;
		let count = 0;
		for (let seed = 1; seed <= 40; seed++) {
			const rng = seededRng(seed);
			const truth = truthOf(rng);
			const { hardIronUt, uncertainty } = fitCompass({ mag: readings(truth, allRound(400, rng), 0.8, rng) });
			if (!hardIronUt || !uncertainty) continue;
			hardIronUt.forEach((b, k) => {
				sum += ((b - truth.offset[k]) / uncertainty.hardIronUt[k]) ** 2;
				count++;
			});
		}
		expect(count).toBe(120);
		expect(Math.sqrt(sum / count)).toBeGreaterThan(0.8);
		expect(Math.sqrt(sum / count)).toBeLessThan(1.25);
	});

	it('is not bent by spikes, and counts them', () => {
		const rng = seededRng(11);
		const truth = truthOf(rng);
		const mag = readings(truth, allRound(1000, rng), 0.5, rng);
		for (let i = 0; i < 1000; i += 20) mag.x[i] += 60 + 20 * rng.uniform();
		const answer = fitCompass({ mag, site: SITE });
		expect(answer.rejected).toBeGreaterThanOrEqual(45);
		expect(answer.rejected).toBeLessThanOrEqual(55);
		answer.hardIronUt?.forEach((b, k) => expect(Math.abs(b - truth.offset[k])).toBeLessThan(0.3));
	});

	it('gives the same calibration in another order of readings', () => {
		const rng = seededRng(3);
		const truth = truthOf(rng);
		const mag = readings(truth, allRound(300, rng), 0.4, rng);
		const turned = { t: mag.t, x: mag.x.toReversed(), y: mag.y.toReversed(), z: mag.z.toReversed() };
		const [a, b] = [fitCompass({ mag }), fitCompass({ mag: turned })];
		a.hardIronUt?.forEach((value, k) => expect(b.hardIronUt?.[k]).toBeCloseTo(value, 2));
	});

	it('shifts with the offset and leaves the rest alone', () => {
		const rng = seededRng(8);
		const mag = readings(truthOf(rng), allRound(500, rng), 0.5, rng);
		const moved = { ...mag, y: mag.y.map((y) => y + 100) };
		const [a, b] = [fitCompass({ mag }), fitCompass({ mag: moved })];
		expect(b.hardIronUt?.[1]).toBeCloseTo((a.hardIronUt?.[1] ?? NaN) + 100, 3);
		expect(b.fieldUt).toBeCloseTo(a.fieldUt ?? NaN, 3);
	});

	it('says how wrong the heading was before: a known offset against a known horizontal field', () => {
		const rng = seededRng(21);
		const truth: Truth = {
			offset: [8, 0, 0],
			w: [
				[1, 0, 0],
				[0, 1, 0],
				[0, 0, 1],
			],
		};
		const { headingErrorDeg } = fitCompass({ mag: readings(truth, allRound(2000, rng), 0.1, rng), site: SITE });
		expect(headingErrorDeg?.before).toBeCloseTo(Math.asin(8 / MODEL.horizontalUt) / DEG, 0);
		expect(headingErrorDeg?.after).toBeLessThan(0.2);
	});
});

describe('turning that is not enough', () => {
	const refusal = (directions: Vec3[], noise: number, seed = 5) => {
		const rng = seededRng(seed);
		return fitCompass({ mag: readings(truthOf(rng), directions, noise, rng), site: SITE });
	};

	it('what was covered is told all the same', () => {
		const { coverage, hardIronUt } = refusal(level(900), 0.1);
		expect(hardIronUt).toBeNull();
		expect(coverage?.fraction).toBeGreaterThan(0.1);
		expect(coverage?.fraction).toBeLessThan(0.4);
		expect(coverage?.largestGapDeg).toBeGreaterThan(60);
		const still = fitCompass({ mag: { t: [0, 1, 2], x: [20, 20, 20], y: [0, 0, 0], z: [45, 45, 45] } });
		expect(still.coverage).toMatchObject({ fraction: 0, largestGapDeg: 180 });
	});

	it.each([0, 0.1, 0.5, 1.5])('a yaw-only rotation is refused at %s µT of noise', (noise) => {
		const answer = refusal(level(900), noise);
		expect(answer.verdict).toBe('fail');
		expect(answer.reasons[0].code).toMatch(/^insufficient-/);
		expect(answer.hardIronUt).toBeNull();
	});

	it.each([
		[0, 400],
		[0.1, 400],
		[0.5, 1000],
		[1, 6000],
	])('two flat turns about two axes are refused at %s µT, %s readings', (noise, n) => {
		for (let seed = 1; seed <= 10; seed++) {
			const nose: Vec3[] = level(n / 2).map(([a, b, c]) => [c, a, b]);
			const answer = refusal([...level(n / 2), ...nose], noise, seed);
			expect(answer.reasons[0].code).toMatch(/^insufficient-/);
		}
	});

	it('too few, all alike, and a resting sensor are each refused by name', () => {
		expect(refusal(allRound(12, seededRng(1)), 0.3).reasons[0].code).toBe('insufficient-samples');
		const same = { t: [...Array(100).keys()], x: Array(100).fill(20), y: Array(100).fill(3), z: Array(100).fill(40) };
		expect(fitCompass({ mag: same }).reasons[0].code).toBe('insufficient-variation');
		expect(refusal(Array(500).fill([1, 0, 0]), 0.5).reasons[0].code).toMatch(/^insufficient-/);
	});
});

describe('the place', () => {
	it('full of steel is never passed: the strength is compared before it is scaled to the site', () => {
		const rng = seededRng(2);
		const truth = truthOf(rng);
		const mag = readings(truth, allRound(800, rng), 0.3, rng);
		const strong = {
			t: mag.t,
			x: mag.x.map((v) => 1.3 * v),
			y: mag.y.map((v) => 1.3 * v),
			z: mag.z.map((v) => 1.3 * v),
		};
		const answer = fitCompass({ mag: strong, site: SITE });
		expect(answer.verdict).toBe('fail');
		expect(answer.reasons[0].code).toBe('field-off-site');
	});

	it('a date outside the model is an input error that names it', () => {
		const rng = seededRng(2);
		const mag = readings(truthOf(rng), allRound(100, rng), 0.3, rng);
		expect(() => fitCompass({ mag, site: { ...SITE, date: '2031-01-01' } })).toThrow(/2031-01-01/);
	});
});

describe('the fit of 1,500 readings', () => {
	it('reaches the Cramér–Rao bound within 15 %, the scatter of 25 runs included', () => {
		let ratio = 0;
		for (let seed = 1; seed <= 25; seed++) {
			const rng = seededRng(seed);
			const truth = truthOf(rng);
			const fit = fitMagnitude(columnsOf(readings(truth, allRound(1500, rng), 1, rng)));
			if (!fit?.covariance) throw new Error('no fit');
			// For directions all round and W near 1 the bound of b is σ·√(3/n) on each axis.
			const bound = Math.sqrt(3 / 1500);
			ratio += fit.offset.reduce((s, b, k) => s + ((b - truth.offset[k]) / bound) ** 2, 0) / 3 / 25;
		}
		expect(Math.sqrt(ratio)).toBeLessThan(1.15);
	});
});

function levelHeadingError(truth: Truth, b: readonly number[], softIron: Mat3): number {
	const bend = inverse(truth.w);
	if (!bend) return Infinity;
	let worst = 0;
	for (let k = 0; k < 36; k++) {
		const psi = (k * 10 - 175) * DEG;
		const raw = apply(bend, levelField(psi, F, MODEL.inclinationDeg * DEG));
		const v: Vec3 = [raw[0] + truth.offset[0] - b[0], raw[1] + truth.offset[1] - b[1], raw[2] + truth.offset[2] - b[2]];
		worst = Math.max(worst, Math.abs(levelHeading(apply(softIron, v)) - psi) / DEG);
	}
	return worst;
}
