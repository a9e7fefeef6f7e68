import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { wayHome } from '../../rig/wayHome';
import type { ReturnAnswer, ReturnRequest } from '../../schema/return';
import { planReturn } from './plan';

/** Any way home that the request allows: aircraft, wind, settings, place and things in the way. */
const request = fc
	.record({
		airspeedMaxMps: evenly(8, 25),
		returnSpeedMps: evenly(4, 14),
		speedKind: fc.constantFrom('ground' as const, 'air' as const),
		speedMps: evenly(0, 12),
		gusts: evenly(0, 6),
		fromDeg: evenly(0, 359.9),
		returnHeightM: evenly(15, 110),
		climbFirst: fc.boolean(),
		bearingDeg: evenly(0, 359.9),
		distanceM: evenly(30, 1500),
		heightM: evenly(5, 100),
		usedWh: evenly(0, 30),
		obstacles: fc.array(
			fc.record({
				bearingDeg: evenly(0, 359.9),
				distanceM: evenly(5, 1200),
				heightM: evenly(1, 90),
			}),
			{ maxLength: 4 },
		),
	})
	.map((r) =>
		wayHome({
			aircraft: {
				airspeedMaxMps: r.airspeedMaxMps,
				returnSpeedMps: Math.min(r.returnSpeedMps, r.airspeedMaxMps),
				speedKind: r.speedKind,
			},
			wind: { fromDeg: r.fromDeg, speedMps: r.speedMps, gustMps: r.speedMps + r.gusts },
			settings: { returnHeightM: r.returnHeightM, climbFirst: r.climbFirst },
			position: { bearingDeg: r.bearingDeg, distanceM: r.distanceM, heightM: r.heightM },
			obstacles: r.obstacles as never,
			usedWh: r.usedWh as never,
		}),
	);

const turn = (deg: number, by: number) => (((deg + by) % 360) + 360) % 360;

/** The whole world turned about home. */
const turned = (r: ReturnRequest, by: number): ReturnRequest => ({
	...r,
	wind: { ...r.wind, fromDeg: turn(r.wind.fromDeg, by) },
	position: { ...r.position, bearingDeg: turn(r.position.bearingDeg, by) },
	obstacles: r.obstacles.map((o) => ({ ...o, bearingDeg: turn(o.bearingDeg, by) })),
});
/** The whole world seen in a mirror. */
const mirrored = (r: ReturnRequest): ReturnRequest => ({
	...r,
	wind: { ...r.wind, fromDeg: turn(-r.wind.fromDeg, 0) },
	position: { ...r.position, bearingDeg: turn(-r.position.bearingDeg, 0) },
	obstacles: r.obstacles.map((o) => ({ ...o, bearingDeg: turn(-o.bearingDeg, 0) })),
});

function expectAlike(a: ReturnAnswer, b: ReturnAnswer): void {
	expect(b.verdict).toBe(a.verdict);
	expect(b.reachable).toBe(a.reachable);
	expect(b.reasons.map(({ code }) => code)).toEqual(a.reasons.map(({ code }) => code));
	for (const key of ['totalTimeS', 'totalWh', 'landWithWh'] as const) {
		const [one, other] = [a[key], b[key]];
		if (one === null || other === null) expect(other).toBe(one);
		else expect(Math.abs(other - one)).toBeLessThan(1e-6 * Math.max(1, Math.abs(one)));
	}
}

describe('a way home', () => {
	it('is the same wherever north is', () => {
		fc.assert(
			fc.property(request, fc.integer({ min: 1, max: 359 }), (r, by) => {
				const [a, b] = [planReturn(r), planReturn(turned(r, by))];
				expectAlike(a, b);
				if (a.clearance.minM !== null) expect(b.clearance.minM).toBeCloseTo(a.clearance.minM, 6);
				for (const { bearingDeg, maxDistanceM } of a.reach.filter((_, k) => k % 30 === 0)) {
					const there = b.reach.find((other) => Math.abs(other.bearingDeg - turn(bearingDeg, by)) < 1e-6);
					expect(Math.abs((there?.maxDistanceM ?? NaN) - maxDistanceM)).toBeLessThan(0.01 + 1e-6 * maxDistanceM);
				}
			}),
			{ numRuns: 20, seed: 11 },
		);
	});

	it('is the same in a mirror', () => {
		fc.assert(
			fc.property(request, (r) => expectAlike(planReturn(r), planReturn(mirrored(r)))),
			{ numRuns: 20, seed: 11 },
		);
	});

	it('costs no less with more used, and lands with just that much less', () => {
		fc.assert(
			fc.property(request, evenly(0.1, 20), (r, more) => {
				const [a, b] = [planReturn(r), planReturn({ ...r, usedWh: r.usedWh + more })];
				expect(b.totalWh).toEqual(a.totalWh);
				if (a.landWithWh !== null && b.landWithWh !== null) expect(a.landWithWh - b.landWithWh).toBeCloseTo(more, 6);
				if (a.verdict === 'fail') expect(b.verdict).toBe('fail');
				for (let k = 0; k < a.reach.length; k += 45)
					expect(b.reach[k].maxDistanceM).toBeLessThanOrEqual(a.reach[k].maxDistanceM + 1e-6);
			}),
			{ numRuns: 20, seed: 11 },
		);
	});

	it('is no worse with a larger pack, and a thing in the way never makes it better', () => {
		const rank = { pass: 0, caution: 1, fail: 2 };
		fc.assert(
			fc.property(
				request,
				evenly(0, 40),
				fc.record({
					bearingDeg: evenly(0, 359),
					distanceM: evenly(5, 1000),
					heightM: evenly(1, 100),
				}),
				(r, more, thing) => {
					const plain = planReturn(r);
					const larger = planReturn({ ...r, pack: { ...r.pack, usableWh: r.pack.usableWh + more } });
					expect(rank[larger.verdict]).toBeLessThanOrEqual(rank[plain.verdict]);
					const blocked = planReturn({ ...r, obstacles: [...r.obstacles, { ...thing, widthM: 2 } as never] });
					expect(rank[blocked.verdict]).toBeGreaterThanOrEqual(rank[plain.verdict]);
					expect(blocked.clearance.minM ?? Infinity).toBeLessThanOrEqual((plain.clearance.minM ?? Infinity) + 1e-9);
				},
			),
			{ numRuns: 20, seed: 11 },
		);
	});

	it('adds up: its legs are its time and its energy, and nothing of them is negative', () => {
		fc.assert(
			fc.property(request, (r) => {
				const { legs, totalTimeS, totalWh, reasons, turnBackAtS } = planReturn(r);
				for (const { timeS, energyWh } of legs) expect(Math.min(timeS ?? 0, energyWh ?? 0)).toBeGreaterThanOrEqual(0);
				const sum = (values: (number | null)[]) => values.reduce<number>((a, b) => a + (b ?? 0), 0);
				if (totalTimeS !== null) expect(sum(legs.map(({ timeS }) => timeS))).toBeCloseTo(totalTimeS, 6);
				if (totalWh !== null) expect(sum(legs.map(({ energyWh }) => energyWh))).toBeCloseTo(totalWh, 6);
				expect(Number.isFinite(turnBackAtS)).toBe(true);
				for (const { text, next, level } of reasons) {
					expect(text.length).toBeGreaterThan(8);
					if (level !== 'pass') expect(next ?? '', text).not.toBe('');
				}
			}),
			{ numRuns: 25, seed: 11 },
		);
	});
});
