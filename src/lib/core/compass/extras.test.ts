import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { recordLoad, secondCompass, walkAbout } from '../../rig/surroundings';
import { DEG } from '../frames/angles';
import { apply, IDENTITY, transpose } from '../frames/mat3';
import { seededRng } from '../math/random';
import { fromYawPitchRoll, rotationZ } from '../frames/rotation';
import type { Vec3 } from '../frames/vec3';
import { reviewInterference } from './interference';
import { comparePair } from './pair';
import { surveySite } from './survey';

const FIELD: Vec3 = [17.5, -0.5, 46];
const codes = (a: { reasons: { code: string; level?: string | undefined }[] }) =>
	a.reasons.filter(({ level }) => level !== 'pass').map(({ code }) => code);

describe('throttle interference', () => {
	const run = (perLoadUt: Vec3, more = {}, seed = 1) => {
		const { t, x, y, z, load } = recordLoad(
			{ perLoadUt, noiseUt: 0.35, topLoad: 18, slipDeg: 0, ...more },
			FIELD,
			seededRng(seed),
		);
		return reviewInterference({
			mag: { t, x, y, z },
			load: { t, values: load },
			hoverLoad: 15,
			fullLoad: 40,
			horizontalUt: 17.5,
		});
	};
	it('is found within its stated uncertainty', () =>
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 400 }), evenly(-0.3, 0.3), (seed, k) => {
				const truth: Vec3 = [k, -k / 2, k / 3];
				const { perLoadUt, perLoadSigmaUt } = run(truth, {}, seed);
				truth.forEach((v, a) =>
					expect(Math.abs((perLoadUt?.[a] ?? NaN) - v)).toBeLessThan(5 * (perLoadSigmaUt?.[a] ?? 0)),
				);
			}),
			{ numRuns: 40 },
		));
	it('gives the heading error of the shift at hover power', () => {
		const answer = run([0.2, 0, 0]);
		expect(answer.hoverShiftUt).toBeCloseTo(3, 0.7);
		expect(answer.headingAtHoverDeg).toBeCloseTo(Math.asin(3 / 17.5) / DEG, -0.3);
		expect(answer.verdict).toBe('caution');
	});
	it('passes where it is small, fails where it is strong', () => {
		expect(run([0.01, 0, 0.02]).verdict).toBe('pass');
		expect(run([0.4, 0.3, 0]).reasons[0].code).toBe('interference-strong');
	});
	it('refuses a load that hardly changes, a stand that slipped, too few readings, loads that cannot be', () => {
		expect(codes(run([0.1, 0, 0], { topLoad: 4 }))).toEqual(['insufficient-load']);
		expect(codes(run([0.1, 0, 0], { slipDeg: 40 }))).toContain('insufficient-stillness');
		const few = { t: [0, 1], x: [1, 1], y: [1, 1], z: [1, 1] };
		const load = { t: [0, 1], values: [0, 1] };
		expect(codes(reviewInterference({ mag: few, load, hoverLoad: 1, fullLoad: 2, horizontalUt: 17 }))).toEqual([
			'insufficient-samples',
		]);
		expect(() => reviewInterference({ mag: few, load, hoverLoad: 3, fullLoad: 2, horizontalUt: 17 })).toThrow(
			'not above',
		);
		expect(() =>
			reviewInterference({ mag: few, load: { t: [0], values: [0, 1] }, hoverLoad: 1, fullLoad: 2, horizontalUt: 17 }),
		).toThrow('as many');
	});
});

describe('two compasses', () => {
	const turned = (seed: number) => {
		const rng = seededRng(seed);
		const t = Array.from({ length: 400 }, (_, k) => k / 20);
		const rows = t.map((s) =>
			apply(transpose(fromYawPitchRoll(0.7 * s, 0.9 * Math.sin(0.31 * s), 1.1 * Math.sin(0.23 * s))), FIELD),
		);
		const noisy = (k: number) => rows.map((r) => r[k] + 0.3 * rng.normal());
		return { t, x: noisy(0), y: noisy(1), z: noisy(2) };
	};
	it('that agree pass, whatever way the second is mounted', () =>
		fc.assert(
			fc.property(evenly(-180, 180), (yaw) => {
				const first = turned(3);
				const answer = comparePair(first, secondCompass(first, rotationZ(yaw * DEG), [0, 0, 0], seededRng(9)), 69);
				expect(answer.verdict).toBe('pass');
				expect(Math.abs(((answer.yawDeg ?? NaN) - yaw + 540) % 360) - 180).toBeCloseTo(0, 0);
			}),
			{ numRuns: 20 },
		));
	it('that are disturbed differ, and strongly enough they disagree', () => {
		const first = turned(4);
		const with_ = (bias: Vec3) => comparePair(first, secondCompass(first, IDENTITY, bias, seededRng(2)), 69);
		expect(with_([2, 0, 0]).verdict).toBe('caution');
		expect(with_([9, -6, 3]).reasons[0].code).toBe('compasses-disagree');
	});
	it('need enough readings and enough turning', () => {
		const still = { t: [...Array(60).keys()], x: Array(60).fill(17), y: Array(60).fill(0), z: Array(60).fill(46) };
		expect(codes(comparePair(still, still, null))).toEqual(['insufficient-coverage']);
		expect(codes(comparePair({ t: [0], x: [1], y: [1], z: [1] }, still, null))).toEqual(['insufficient-samples']);
	});
});

describe('a walk about the site', () => {
	const walk = (iron: Parameters<typeof walkAbout>[0], offset: Vec3 = [4, -3, 2], modelUt: number | null = 49.2) => {
		const { t, x, y, z, north, east } = walkAbout(iron, FIELD, offset, seededRng(11));
		return surveySite({ mag: { t, x, y, z }, track: { t, north, east }, modelUt });
	};
	it('finds clean ground even with an uncalibrated sensor', () => {
		expect(walk([]).verdict).toBe('pass');
		expect(walk([], [14, 9, -3]).reasons.map(({ code }) => code)).toContain('even');
	});
	it('finds iron where it lies', () => {
		const answer = walk([{ north: 12, east: 6, depthM: 1, momentUtM3: 14 }]);
		expect(answer.reasons[0].code).toBe('steel-here');
		expect(Math.hypot((answer.worstAt?.north ?? 0) - 12, (answer.worstAt?.east ?? 0) - 6)).toBeLessThan(1);
		expect(Math.hypot((answer.cleanAt?.north ?? 12) - 12, (answer.cleanAt?.east ?? 6) - 6)).toBeGreaterThan(3);
	});
	it('refuses ground that is disturbed all over, a step or two, and too little', () => {
		const yard = [...Array(36).keys()].map((k) => ({
			north: 4 * (k % 6),
			east: 4 * Math.floor(k / 6),
			depthM: 0.8,
			momentUtM3: k % 2 ? 30 : -30,
		}));
		expect(walk(yard).reasons[0].code).toBe('no-clean-ground');
		const { t, x, y, z } = walkAbout([], FIELD, [0, 0, 0], seededRng(1));
		const here = t.map(() => 0);
		expect(codes(surveySite({ mag: { t, x, y, z }, track: { t, north: here, east: here }, modelUt: null }))).toEqual([
			'insufficient-walk',
		]);
		expect(
			codes(
				surveySite({
					mag: { t: [0], x: [1], y: [1], z: [1] },
					track: { t: [0], north: [0], east: [0] },
					modelUt: null,
				}),
			),
		).toEqual(['insufficient-samples']);
		expect(() => surveySite({ mag: { t, x, y, z }, track: { t, north: [0], east: here }, modelUt: null })).toThrow(
			'as many',
		);
	});
});
