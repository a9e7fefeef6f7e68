import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { wayHome } from '../../rig/wayHome';
import { outcomeOf, planReturn } from './plan';
import { planHome } from './planned';

const GRAVE = { pass: 0, caution: 1, fail: 2 };
const farthest = { distanceM: 400, heightM: 25, bearingDeg: null };
const known = { powerSigmaLn: 0.15 };

describe('the way home of a planned flight', () => {
	it('is judged from where it is worst off, whatever the wind', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 359 }),
				evenly(0, 9),
				fc.integer({ min: 0, max: 23 }),
				fc.integer({ min: 50, max: 900 }),
				(fromDeg, speedMps, k, distanceM) => {
					const request = wayHome({ wind: { fromDeg, speedMps, gustMps: speedMps } });
					const plan = planHome(request, { ...farthest, distanceM }, known);
					const other = outcomeOf({
						...request,
						usedWh: plan.out.wh,
						position: { ...request.position, bearingDeg: 15 * k, distanceM, heightM: 25 },
					});
					expect(GRAVE[plan.answer.verdict]).toBeGreaterThanOrEqual(GRAVE[other.verdict]);
					if (plan.answer.verdict === other.verdict)
						expect(plan.answer.landWithWh ?? -1e9).toBeLessThanOrEqual((other.landWithWh ?? -1e9) + 1e-9);
				},
			),
			{ numRuns: 60 },
		);
	});

	it('lies downwind where nothing stands in the way', () => {
		const { worst } = planHome(wayHome({ wind: { fromDeg: 240, speedMps: 5, gustMps: 6 } }), farthest, known);
		expect(worst).toMatchObject({ bearingDeg: 60, distanceM: 400, obstacle: null });
	});

	it('lies behind what is taller than the return height, though it stands nearer than the farthest place', () => {
		const obstacles = [{ bearingDeg: 200, distanceM: 120, heightM: 45, widthM: 20 }];
		const plan = planHome({ ...wayHome(), obstacles }, farthest, known);
		expect(plan.worst).toMatchObject({ obstacle: 0 });
		expect(Math.abs(plan.worst.bearingDeg - 200)).toBeLessThanOrEqual(15);
		expect(plan.answer.reasons[0].code).toBe('obstacle-in-path');
		const elsewhere = planHome({ ...wayHome(), obstacles }, { ...farthest, bearingDeg: 20 }, known);
		expect(elsewhere.answer.clearance.minM).toBeNull();
	});

	it('turns back earlier the worse its power is known, and at once where it comes home with its reserve only', () => {
		const sure = planHome(wayHome(), farthest, { powerSigmaLn: 0.02 });
		const unsure = planHome(wayHome(), farthest, { powerSigmaLn: 0.3 });
		expect(unsure.turnBack.s).toBeCloseTo(sure.turnBack.s, 9);
		expect(unsure.turnBack.carefulS).toBeLessThan(sure.turnBack.carefulS);
		expect(sure.turnBack.carefulS).toBeLessThan(sure.turnBack.s);
		const spent = planHome(wayHome(), farthest, { ...known, usedWh: 60 });
		expect(spent.turnBack.s).toBeCloseTo(spent.out.timeS, 9);
		expect(spent.answer.verdict).toBe('fail');
	});

	it('says of every action what it would do from the same place, and draws the way that is set', () => {
		const plan = planHome(wayHome({ settings: { action: 'land' } }), { ...farthest, bearingDeg: 62 }, known);
		expect(plan.actions.return.totalTimeS).toBeGreaterThan(plan.actions.land.totalTimeS ?? 0);
		expect(plan.actions['cut-motors'].touchdown?.impactMps).toBeGreaterThan(5);
		expect(plan.actions.hover.touchdown?.driftM).toBe(0);
		expect(plan.profile.at(-1)?.heightM).toBeCloseTo(0, 9);
		expect(plan.profile[0]).toMatchObject({ heightM: 25 });
	});

	it('is the planner’s own answer, only without the reach', () => {
		const request = wayHome();
		const { reach, ...rest } = planReturn(request);
		expect(reach).toHaveLength(360);
		expect(outcomeOf(request)).toEqual(rest);
	});
});
