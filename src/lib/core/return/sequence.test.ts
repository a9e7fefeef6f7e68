import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { wayHome } from '../../rig/wayHome';
import type { ReturnRequest } from '../../schema/return';
import { geometry, returnSequence } from './sequence';
import { cruisePower, meanWind, triangle } from './wind';

/** A climb on the way home, from low down into a wind that grows with height, short enough at times to be home before its top. */
const climbing = fc
	.record({
		fromDeg: evenly(0, 360),
		speedMps: evenly(0, 11),
		shearExponent: evenly(0, 0.4),
		heightM: evenly(0, 18),
		returnHeightM: evenly(20, 120),
		distanceM: evenly(1, 600),
		climbMps: evenly(0.5, 6),
		speedKind: fc.constantFrom('ground' as const, 'air' as const),
	})
	.map(({ fromDeg, speedMps, shearExponent, heightM, returnHeightM, distanceM, climbMps, speedKind }) =>
		wayHome({
			aircraft: { speedKind, climbMps },
			wind: { fromDeg, speedMps, gustMps: speedMps, shearExponent },
			settings: { climbFirst: false, returnHeightM, minDistanceM: 0 },
			position: { bearingDeg: 62, distanceM, heightM },
		}),
	);

/** The same flight again in steps of milliseconds: how far the climb takes, its energy, where it is home or stopped. */
function stepped(r: ReturnRequest) {
	const { t } = geometry(r.position.bearingDeg, r.position.distanceM);
	const wind = meanWind(r);
	const dt = 2e-3;
	const more = Math.max(0, r.aircraft.climbW - r.aircraft.hoverW);
	let [z, left, joules] = [r.position.heightM, r.position.distanceM, 0];
	const top = Math.max(z, r.settings.returnHeightM);
	while (z < top && left > 0) {
		const tri = triangle(r.aircraft, wind(z + (r.aircraft.climbMps * dt) / 2), t);
		if (typeof tri === 'string') return { stopped: tri, z, left, wh: NaN };
		const part = Math.min(dt, left / tri.groundMps, (top - z) / r.aircraft.climbMps);
		left -= tri.groundMps * part;
		z += r.aircraft.climbMps * part;
		joules += (cruisePower(r.aircraft, tri.airMps) + more) * part;
	}
	return { stopped: null, z, left: Math.max(0, left), wh: joules / 3600 };
}

describe('a climb on the way home', () => {
	it('takes the distance and the energy that a flight in small steps takes, wherever it is home', () => {
		let home = 0;
		let stops = 0;
		fc.assert(
			fc.property(climbing, (r) => {
				const wind = meanWind(r);
				if (Math.hypot(...wind(r.settings.returnHeightM)) >= r.aircraft.airspeedMaxMps * 0.99) return;
				const flown = stepped(r);
				const { legs, stopped, path } = returnSequence(r, wind, r.position, true);
				if (flown.stopped) {
					stops++;
					// Where the wind grows past a limit within one step of the sum, either may see it first.
					expect(stopped).not.toBeNull();
					return;
				}
				if (stopped) return; // stopped later, on the level
				const [climb] = legs;
				expect(climb.name).toBe('climb-return');
				expect(climb.energyWh).toBeCloseTo(flown.wh, 2);
				expect(climb.groundMps * climb.timeS).toBeCloseTo(r.position.distanceM - flown.left, 0);
				expect(path[1][2]).toBeCloseTo(flown.z, 1);
				if (flown.left === 0) {
					home++;
					expect(legs.map(({ name }) => name)).toEqual(['climb-return', 'descend']);
				}
			}),
			{ numRuns: 300, seed: 17 },
		);
		// The draws reach both of the ways a climb can end early.
		expect(home).toBeGreaterThan(20);
		expect(stops).toBeGreaterThan(5);
	});

	it('in calm air is a right-angled triangle', () => {
		const r = wayHome({
			aircraft: { climbMps: 2, returnSpeedMps: 10 },
			wind: { speedMps: 0, gustMps: 0 },
			settings: { climbFirst: false, returnHeightM: 60, minDistanceM: 0 },
			position: { distanceM: 500, heightM: 20 },
		});
		const { legs } = returnSequence(r, meanWind(r), r.position, true);
		expect(legs[0]).toMatchObject({ name: 'climb-return', timeS: 20, groundMps: expect.closeTo(10, 9) });
		expect(legs[1]).toMatchObject({ name: 'cruise', timeS: expect.closeTo(30, 9) });
	});
});

describe('what the sequence leaves out', () => {
	const legsOf = (change: Parameters<typeof wayHome>[0], near = true) => {
		const r = wayHome({ wind: { speedMps: 0, gustMps: 0 }, ...change });
		return returnSequence(r, meanWind(r), r.position, near).legs.map(({ name }) => name);
	};
	it('nearer than the minimum distance it comes down where it is, unless the rule is left out', () => {
		const near = { settings: { minDistanceM: 20 }, position: { distanceM: 15, heightM: 30 } };
		expect(legsOf(near)).toEqual(['descend']);
		expect(legsOf(near, false)).toEqual(['climb', 'cruise', 'descend']);
	});
	it('at the height already it does not climb; above home it does not cruise; on the ground it does nothing', () => {
		const settings = { minDistanceM: 0, returnHeightM: 40 };
		expect(legsOf({ settings, position: { distanceM: 100, heightM: 40 } })).toEqual(['cruise', 'descend']);
		expect(legsOf({ settings, position: { distanceM: 100, heightM: 70 } })).toEqual(['cruise', 'descend']);
		expect(legsOf({ settings, position: { distanceM: 0, heightM: 50 } })).toEqual(['descend']);
		expect(legsOf({ settings: { minDistanceM: 5 }, position: { distanceM: 0, heightM: 0 } })).toEqual([]);
	});
	it('above home and too low it climbs first only where it is told to', () => {
		const position = { distanceM: 0, heightM: 10 };
		expect(legsOf({ settings: { minDistanceM: 0, climbFirst: true }, position })).toEqual(['climb', 'descend']);
		expect(legsOf({ settings: { minDistanceM: 0, climbFirst: false }, position })).toEqual(['descend']);
	});
	it('a wind above the greatest airspeed stops it near home too, and the path still tells where it would come down', () => {
		const r = wayHome({
			wind: { speedMps: 30, gustMps: 30 },
			settings: { minDistanceM: 50 },
			position: { distanceM: 20 },
		});
		const { stopped, totalWh, path, nearer } = returnSequence(r, meanWind(r), r.position, true);
		expect([stopped, totalWh, nearer]).toEqual(['wind-exceeds-airspeed', null, true]);
		expect(path.at(-1)?.[2]).toBe(0);
	});
});
