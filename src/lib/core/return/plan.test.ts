import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { wayHome as request, type WayHomeChange as Change } from '../../rig/wayHome';
import { planReturn } from './plan';
import { meanWind, triangle } from './wind';
import { geometry } from './sequence';

const codes = (change: Change) => planReturn(request(change)).reasons.map(({ code }) => code);
const calm = { speedMps: 0, gustMps: 0 };

describe('in calm air', () => {
	it('the legs are what a pilot would work out by hand', () => {
		const { legs, totalTimeS, landWithWh, reachable, verdict } = planReturn(request({ wind: calm }));
		expect(legs.map(({ name, timeS }) => [name, Math.round(timeS * 10) / 10])).toEqual([
			['climb', 5],
			['cruise', 50],
			['descend', 26.7],
		]);
		expect(totalTimeS).toBeCloseTo(5 + 50 + 40 / 1.5, 9);
		expect(landWithWh).toBeCloseTo(50 - (260 * 5 + 200 * 50 + (160 * 40) / 1.5) / 3600, 9);
		expect([reachable, verdict]).toEqual([true, 'pass']);
	});

	it('the reach is the same all round, and costs just what is left above the reserve', () => {
		const { reach } = planReturn(request({ wind: calm }));
		expect(reach).toHaveLength(360);
		const distances = reach.map(({ maxDistanceM }) => maxDistanceM);
		expect(Math.max(...distances) - Math.min(...distances)).toBeLessThan(0.01);
		const there = planReturn(request({ wind: calm, position: { distanceM: distances[0] } }));
		expect(there.landWithWh).toBeCloseTo(15, 4);
	});
});

describe('in wind', () => {
	it('closed form and a step integration of the wind triangle agree within 1 %', () => {
		fc.assert(
			fc.property(
				evenly(0, 7),
				evenly(0, 360),
				fc.boolean(),
				fc.constantFrom('ground' as const, 'air' as const),
				(speedMps, fromDeg, climbFirst, speedKind) => {
					const r = request({
						wind: { fromDeg, speedMps, gustMps: speedMps },
						settings: { climbFirst },
						aircraft: { speedKind },
					});
					const plan = planReturn(r);
					if (plan.totalTimeS === null) return true;
					// The sequence again, in steps of 20 ms.
					const { t } = geometry(62, 500);
					let [left, z, time] = [500, 25, 0];
					const dt = 0.02;
					while (left > 0 || z > 0) {
						const tri = triangle(r.aircraft, meanWind(r)(z), t);
						if (typeof tri === 'string') return false;
						if (z < 40 && left > 0) {
							z += 3 * dt;
							if (!climbFirst) left -= tri.groundMps * dt;
						} else if (left > 0) left -= tri.groundMps * dt;
						else z -= 1.5 * dt;
						time += dt;
					}
					return Math.abs(time / plan.totalTimeS - 1) < 0.01;
				},
			),
			{ numRuns: 40, seed: 5 },
		);
	});

	it('each way of being stopped has its code, and nothing is promised', () => {
		const head = { fromDeg: 242, gustMps: 0 };
		expect(codes({ wind: { ...head, speedMps: 20 } })[0]).toBe('wind-exceeds-airspeed');
		expect(codes({ aircraft: { speedKind: 'air' }, wind: { ...head, speedMps: 8.2 } })[0]).toBe('headwind-too-strong');
		const cross = planReturn(
			request({ aircraft: { speedKind: 'air', returnSpeedMps: 6 }, wind: { fromDeg: 332, speedMps: 6, gustMps: 0 } }),
		);
		expect(cross.reasons[0].code).toBe('crosswind-too-strong');
		expect([cross.totalWh, cross.landWithWh, cross.touchdown, cross.reachable, cross.turnBackAtS]).toEqual([
			null,
			null,
			null,
			false,
			0,
		]);
	});

	it('a gust only cautions', () => {
		const gusty = planReturn(request({ wind: { fromDeg: 242, speedMps: 5, gustMps: 14 } }));
		expect(gusty.reasons.map(({ code }) => code)).toContain('gust-stops-return');
		expect(gusty.verdict).toBe('caution');
	});
});

describe('what is in the way', () => {
	const tree = (heightM: number, distanceM = 250, bearingDeg = 62) => ({
		obstacles: [{ bearingDeg, distanceM, heightM, widthM: 10 }],
	});
	it.each([
		[38, 'obstacle-in-path', 2],
		[33, 'obstacle-close', 7],
		[20, 'returns-with-reserve', 20],
	])('a tree of %s m on the line gives %s', (height, code, clear) => {
		const plan = planReturn(request({ wind: calm, ...(tree(height) as Change) }));
		expect(plan.reasons[0].code).toBe(code);
		expect(plan.clearance.minM).toBeCloseTo(clear, 9);
		expect(plan.clearance.obstacle).toBe(0);
	});
	it('beside the landing place it counts with its whole height; far off the line not at all', () => {
		expect(planReturn(request(tree(8, 12, 200) as Change)).clearance.minM).toBeCloseTo(-8, 9);
		expect(planReturn(request(tree(90, 250, 100) as Change)).clearance.minM).toBeNull();
	});
});

describe('other actions', () => {
	it('nearer than the minimum it lands where it is', () => {
		const plan = planReturn(request({ position: { distanceM: 12 } }));
		expect(plan.legs.map(({ name }) => name)).toEqual(['descend']);
		expect(plan.touchdown?.distanceM).toBeCloseTo(12, 9);
		expect(plan.reasons.map(({ code }) => code)).toContain('nearer-than-minimum');
	});
	it('landing drifts with the wind, as far as the mean wind over the height carries it', () => {
		const plan = planReturn(
			request({ settings: { action: 'land' }, wind: { speedMps: 4, gustMps: 4, shearExponent: 0 } }),
		);
		expect(plan.touchdown?.driftM).toBeCloseTo((4 * 25) / 1.5, 6);
		expect(plan.reasons.map(({ code }) => code)).toContain('lands-away-from-home');
	});
	it('a hover lands with exactly the reserve', () => {
		const plan = planReturn(request({ settings: { action: 'hover' }, wind: calm }));
		expect(plan.landWithWh).toBeCloseTo(15, 9);
		expect(plan.reasons.map(({ code }) => code)).not.toContain('reserve-violated');
	});
	it('a hover that cannot hold its place against the wind says where it is carried', () => {
		const storm = { fromDeg: 270, speedMps: 21, gustMps: 21, shearExponent: 0 };
		const plan = planReturn(request({ settings: { action: 'hover' }, wind: storm, position: { bearingDeg: 90 } }));
		expect(plan.reasons.map(({ code }) => code)).toEqual(
			expect.arrayContaining(['wind-exceeds-airspeed', 'lands-away-from-home']),
		);
		expect([plan.touchdown, plan.reachable, plan.legs]).toEqual([null, false, []]);
		// Backwards by what the wind has more than its airspeed, for as long as the pack and the way down take.
		const { aircraft, position, pack, usedWh } = request({ settings: { action: 'hover' }, wind: storm });
		const downS = position.heightM / aircraft.descentMps;
		const leftWh = pack.usableWh * (1 - pack.reservePct / 100) - usedWh - (aircraft.descentW * downS) / 3600;
		const hoverS = (leftWh * 3600) / aircraft.hoverW;
		const carried = position.distanceM + (21 - aircraft.airspeedMaxMps) * (hoverS + downS);
		expect(plan.carried?.distanceM).toBeCloseTo(carried, 3);
		expect(plan.carried?.bearingDeg).toBeCloseTo(90, 6);
	});
	it('cut motors fall, at most at terminal speed, and never pass', () => {
		const plan = planReturn(request({ settings: { action: 'cut-motors' }, position: { heightM: 300 }, wind: calm }));
		// Without wind the speed after a fall with quadratic drag is vt·√(1 − e^(−2gh/vt²)).
		const impact = (h: number) => 20 * Math.sqrt(1 - Math.exp((-2 * 9.80665 * h) / 400));
		expect(plan.touchdown?.impactMps).toBeCloseTo(impact(300), 6);
		expect([plan.verdict, plan.reachable, plan.clearance.minM]).toEqual(['fail', false, null]);
		const low = planReturn(request({ settings: { action: 'cut-motors' }, position: { heightM: 1 }, wind: calm }));
		expect(low.touchdown?.impactMps).toBeCloseTo(impact(1), 6);
	});
	it('what is light as paper sinks with the wind, whatever its terminal speed, and is never lost in the figures', () => {
		const fall = (terminalMps: number) =>
			planReturn(
				request({
					aircraft: { terminalMps },
					settings: { action: 'cut-motors' },
					position: { heightM: 40, distanceM: 0, groundSpeedMps: 0 },
					wind: { speedMps: 6, gustMps: 8, fromDeg: 270 },
				}),
			).touchdown;
		for (const terminalMps of [0.001, 0.1, 0.5, 1.9]) {
			const { driftM = NaN, impactMps = NaN } = fall(terminalMps) ?? {};
			expect(driftM * terminalMps).toBeCloseTo((fall(0.1)?.driftM ?? NaN) * 0.1, 6);
			expect(impactMps).toBeGreaterThanOrEqual(terminalMps);
		}
		// On either side of where the speed of the start counts, the same place.
		expect((fall(1.999)?.driftM ?? NaN) / (fall(2.001)?.driftM ?? NaN)).toBeCloseTo(1, 1);
	});
});

describe('energy', () => {
	it.each([
		[59, 'pack-empty-before-home'],
		[42, 'reserve-violated'],
		[39.2, 'margin-thin'],
	])('with %s Wh used: %s', (usedWh, code) => {
		expect(codes({ usedWh, wind: calm } as Change)).toContain(code);
	});
	it('a pack below its reserve before the way home is used up, and says so', () => {
		const [worst] = planReturn(request({ usedWh: 46, wind: calm } as Change)).reasons;
		expect([worst.code, worst.text]).toEqual(['reserve-violated', expect.stringContaining('below the reserve')]);
	});
	it('turning back at the latest moment lands with exactly the reserve', () => {
		const first = planReturn(request({ wind: calm }));
		const later = planReturn(request({ wind: calm, usedWh: 10 + (first.turnBackAtS * 180) / 3600 } as Change));
		expect(later.landWithWh).toBeCloseTo(15, 9);
	});
});
