import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { InputError } from '../finding/inputError';
import { seededRng } from '../math/random';
import { landingOnPhoto, takenAs, type Pixel } from './markPhoto';

const TAP = { tapPx: 2, lookedSigmaDeg: 3 };
const size = { acrossM: 0.75, alongM: 0.75 };

/** A camera at a height, some metres before the mark, looking down by an angle: ground (right, away of the mark) into pixels. */
function camera(heightM: number, behindM: number, downDeg: number) {
	const [c, s] = [Math.cos((downDeg * Math.PI) / 180), Math.sin((downDeg * Math.PI) / 180)];
	return (right: number, away: number): Pixel => {
		const forward = away + behindM;
		const depth = forward * c + heightM * s;
		const down = -forward * s + heightM * c;
		return { x: 640 + (1000 * right) / depth, y: 480 + (1000 * down) / depth };
	};
}
const cornersBy = (see: ReturnType<typeof camera>) => [
	see(-0.375, -0.375),
	see(-0.375, 0.375),
	see(0.375, 0.375),
	see(0.375, -0.375),
];

describe('a landing on a photo of its mark', () => {
	it('is where it stands, from any place of the camera', () => {
		fc.assert(
			fc.property(
				evenly(1.2, 2.2),
				evenly(1, 4),
				evenly(15, 60),
				evenly(-3, 3),
				evenly(-0.5, 5),
				fc.integer({ min: 0, max: 359 }),
				(height, behind, down, right, away, looked) => {
					fc.pre(Math.hypot(right, away) > 0.05);
					const see = camera(height, behind, down);
					const got = landingOnPhoto(cornersBy(see), see(right, away), size, looked, TAP);
					expect(got.distanceM).toBeCloseTo(Math.hypot(right, away), 5);
					const bearing = (looked + (Math.atan2(right, away) * 180) / Math.PI + 720) % 360;
					expect(Math.abs(((got.bearingDeg - bearing + 540) % 360) - 180)).toBeLessThan(1e-3);
				},
			),
		);
	});

	it('says how well: taps that miss by two pixels scatter by the deviation that is said', () => {
		const rng = seededRng(4);
		const see = camera(1.6, 2.5, 30);
		const place = see(1.2, 1.5);
		const said = landingOnPhoto(cornersBy(see), place, size, 0, TAP);
		const jitter = ({ x, y }: Pixel) => ({ x: x + 2 * rng.normal(), y: y + 2 * rng.normal() });
		const off = Array.from({ length: 600 }, () => {
			const got = landingOnPhoto(cornersBy(see).map(jitter), jitter(place), size, 0, TAP);
			return got.distanceM - Math.hypot(1.2, 1.5);
		});
		const rms = Math.sqrt(off.reduce((sum, d) => sum + d * d, 0) / off.length);
		expect(rms / said.sigmaM).toBeGreaterThan(0.8);
		expect(rms / said.sigmaM).toBeLessThan(1.25);
	});

	it('is taken as no better than it is: near as by tape, farther as by paces, far as not measured', () => {
		const see = camera(1.7, 2, 30);
		const at = (right: number, away: number, tapPx: number) =>
			takenAs(landingOnPhoto(cornersBy(see), see(right, away), size, 0, { tapPx, lookedSigmaDeg: 2 }));
		expect(at(0.3, 0.4, 1)).toBe('tape');
		expect(at(0.6, 3, 2)).toBe('paces');
		expect(at(2, 18, 3)).toBeNull();
	});

	it('refuses corners that cross, a place in the sky, a mark without size', () => {
		const see = camera(1.6, 2.5, 20);
		const [a, b, c, d] = cornersBy(see);
		const on = see(1, 1);
		expect(() => landingOnPhoto([a, c, b, d], on, size, 0, TAP)).toThrow(InputError);
		expect(() => landingOnPhoto([a, b, c], on, size, 0, TAP)).toThrow(/Four corners/);
		expect(() => landingOnPhoto([a, b, c, d], { x: 640, y: -400 }, size, 0, TAP)).toThrow(/not on the ground/);
		expect(() => landingOnPhoto([a, b, c, d], on, { acrossM: 0, alongM: 1 }, 0, TAP)).toThrow(/more than nothing/);
	});
});
