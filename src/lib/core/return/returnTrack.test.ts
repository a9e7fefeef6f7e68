import { describe, expect, it } from 'vitest';
import { InputError } from '../finding/inputError';
import type { LocalTrack } from '../hover/track';
import { seededRng } from '../math/random';
import { phasesOfTrack } from './returnTrack';

/** Out north, a hover there, a return that climbs first, pauses over home and lands beside it; 5 points a second. */
function returned({ lands = true, comes = true, climbs = 10, offset = 2 } = {}): LocalTrack {
	const rng = seededRng(7);
	const [t, north, east, up]: number[][] = [[], [], [], []];
	let [n, e, u, at] = [0, 0, 0, 0];
	const go = (seconds: number, vn: number, ve: number, vu: number) => {
		for (let k = 0; k < seconds * 5; k++) {
			t.push(at);
			north.push(n + 0.1 * rng.normal());
			east.push(e + 0.1 * rng.normal());
			up.push(u + 0.05 * rng.normal());
			[n, e, u, at] = [n + vn / 5, e + ve / 5, u + vu / 5, at + 0.2];
		}
	};
	go(5, 0, 0, 0);
	go(10, 0, 0, 2);
	go(20, 5, 0, 0);
	go(10, 0, 0, 0);
	// Set off at 45 s.
	go(3, 0, 0, 0);
	go(5, 0, 0, climbs / 5);
	if (comes) go(20, -5, offset / 20, 0);
	if (comes) go(4, 0, 0, 0);
	if (comes && lands) go((20 + climbs) / 2, 0, 0, -2);
	if (comes && lands) go(6, 0, 0, 0);
	const of = (v: number[]) => Float64Array.from(v);
	return { t: of(t), north: of(north), east: of(east), up: of(up), aboveGround: of(up) };
}

describe('a return as its log has it', () => {
	it('shows when it turned, climbed, came overhead, came down, and where', () => {
		const { seenS, distanceM, heightM, landing } = phasesOfTrack(returned(), 45);
		expect(Math.abs(distanceM - 100)).toBeLessThan(1);
		expect(Math.abs(heightM - 20)).toBeLessThan(0.5);
		expect(Math.abs((seenS.turned ?? 0) - 7.5)).toBeLessThan(1.5);
		expect(Math.abs((seenS.climbed ?? 0) - 7.8)).toBeLessThan(1);
		expect(Math.abs((seenS.overhead ?? 0) - 27)).toBeLessThan(1.5);
		expect(Math.abs((seenS.descending ?? 0) - 33)).toBeLessThan(1.5);
		expect(Math.abs((seenS.down ?? 0) - 46.6)).toBeLessThan(1.5);
		expect(seenS.disarmed).toBeNull();
		expect(Math.abs((landing?.distanceM ?? 0) - 2)).toBeLessThan(0.6);
		expect(Math.abs((landing?.bearingDeg ?? 0) - 90)).toBeLessThan(20);
	});

	it('takes the last moment far out where nobody says when it was set off', () => {
		const { setOffS, seenS } = phasesOfTrack(returned());
		expect(setOffS).toBeGreaterThan(44);
		expect(setOffS).toBeLessThan(50);
		expect(seenS.turned).not.toBeNull();
	});

	it('claims nothing that the log does not show', () => {
		const stays = phasesOfTrack(returned({ comes: false }), 45);
		expect(Object.values(stays.seenS).filter((s) => s !== null).length).toBeLessThanOrEqual(1);
		expect(stays.landing).toBeNull();
		const hangs = phasesOfTrack(returned({ lands: false }), 45);
		expect(hangs.seenS.overhead).not.toBeNull();
		expect(hangs.seenS.down).toBeNull();
		expect(phasesOfTrack(returned({ climbs: 0 }), 45).seenS.climbed).toBeNull();
	});

	it('refuses a track that stays at home, and one of a few points', () => {
		const { t, north, east, up } = returned();
		const part = (to: number): LocalTrack => {
			const cut = (v: Float64Array) => v.subarray(0, to);
			return { t: cut(t), north: cut(north), east: cut(east), up: cut(up), aboveGround: cut(up) };
		};
		expect(() => phasesOfTrack(part(60))).toThrow(/stays at home/);
		expect(() => phasesOfTrack(part(5))).toThrow(InputError);
		const aloft = Float64Array.from(up, (u) => u + 10);
		expect(() => phasesOfTrack({ t, north, east, up: aloft, aboveGround: aloft })).toThrow(/begins in the air/);
	});
});
