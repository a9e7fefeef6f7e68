import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { drawGains, flyHover, type HoverTruth } from '../../rig/hover';
import { DEG } from '../frames/angles';
import { seededRng } from '../math/random';
import { reviewHover } from './review';

interface Track {
	t: number[];
	north: number[];
	east: number[];
	up: number[];
}

/** Any hover: calm or windy, its compass right or off, holding well or not. */
const flown = fc
	.record({
		seed: fc.integer({ min: 1, max: 1e6 }),
		compassErrorDeg: fc.constantFrom(0, 0, 12, -30, 48, -50),
		speedMps: evenly(0, 6),
		fromDeg: evenly(0, 359),
		bobbingM: fc.constantFrom(0, 0, 0.4),
		wander: evenly(0.1, 0.6),
	})
	.map(({ seed, compassErrorDeg, speedMps, fromDeg, bobbingM, wander }): Track => {
		const rng = seededRng(seed);
		const truth: HoverTruth = {
			hold: 'position',
			durationS: 60,
			rateHz: 5,
			heightM: 2.4,
			compassErrorDeg,
			wind: { fromDeg, speedMps, gustMps: 1.4 * speedMps },
			trim: { rollDeg: 0, pitchDeg: 0 },
			headingDeg: 30,
			fixNoiseM: 0.03,
			fixWanderM: wander,
			jump: { atS: 0, sizeM: 0 },
			bobbingM,
			pressureWanderM: 0.05,
		};
		const { t, north, east, up } = flyHover(truth, drawGains(rng), rng);
		return { t: [...t], north: [...north], east: [...east], up: [...up] };
	});

const review = (track: Track) => reviewHover({ track, hold: 'position' });
const turned = ({ t, north, east, up }: Track, deg: number): Track => {
	const [c, s] = [Math.cos(deg * DEG), Math.sin(deg * DEG)];
	return { t, north: north.map((n, k) => c * n - s * east[k]), east: north.map((n, k) => s * n + c * east[k]), up };
};
// The same hovers every time: turning moves a bubble a little, and one at its limit would be a coin’s throw.
const runs = { numRuns: 6, seed: 11 };

/** `share` is by how much the bubble may differ: its middle is the median of each axis, which turning moves a little. */
function expectSame(a: ReturnType<typeof review>, b: ReturnType<typeof review>, share = 1e-4): void {
	expect(b.verdict).toBe(a.verdict);
	expect(b.causes.map(({ code }) => code)).toEqual(a.causes.map(({ code }) => code));
	expect(b.spiral.present).toBe(a.spiral.present);
	const bubble = a.bubble.diameter95M ?? NaN;
	expect(Math.abs((b.bubble.diameter95M ?? NaN) - bubble)).toBeLessThan(share * bubble);
	expect(b.height.stdM).toBeCloseTo(a.height.stdM ?? NaN, 5);
	if (a.spiral.compassErrorDeg !== null) expect(b.spiral.compassErrorDeg).toBeCloseTo(a.spiral.compassErrorDeg, 1);
}

describe('a hover is judged the same', () => {
	it('wherever north is; only the way it drifts turns with it', () => {
		fc.assert(
			fc.property(flown, fc.integer({ min: 1, max: 359 }), (track, deg) => {
				const [a, b] = [review(track), review(turned(track, deg))];
				expectSame(a, b, 0.05);
				if (a.drift.towardDeg === null || b.drift.towardDeg === null) return;
				const apart = (((b.drift.towardDeg - a.drift.towardDeg - deg) % 360) + 540) % 360;
				expect(Math.abs(apart - 180)).toBeLessThan(0.01);
			}),
			runs,
		);
	});

	it('wherever it hovered, and whenever its clock began', () => {
		fc.assert(
			fc.property(flown, evenly(-500, 500), evenly(-500, 500), evenly(0, 1e5), (track, n, e, later) => {
				const moved = {
					t: track.t.map((v) => v + later),
					north: track.north.map((v) => v + n),
					east: track.east.map((v) => v + e),
					up: track.up,
				};
				expectSame(review(track), review(moved));
			}),
			runs,
		);
	});

	it('in a mirror, but for the sense of its circles and the sign of its compass error', () => {
		fc.assert(
			fc.property(flown, (track) => {
				const [a, b] = [review(track), review({ ...track, east: track.east.map((v) => -v) })];
				expect(b.spiral.present).toBe(a.spiral.present);
				expect(b.verdict).toBe(a.verdict);
				if (a.spiral.sense) expect(b.spiral.sense).toBe(a.spiral.sense === 'cw' ? 'ccw' : 'cw');
				if (a.spiral.compassErrorDeg !== null)
					expect(b.spiral.compassErrorDeg).toBeCloseTo(-a.spiral.compassErrorDeg, 1);
			}),
			runs,
		);
	});
});

describe('a hover that is worse', () => {
	it('wanders as much more as it is made to, and is never judged better for it', () => {
		const rank = { pass: 0, caution: 1, fail: 2 };
		fc.assert(
			fc.property(flown, evenly(1, 3), (track, k) => {
				const larger = { ...track, north: track.north.map((v) => k * v), east: track.east.map((v) => k * v) };
				const [a, b] = [review(track), review(larger)];
				expect(b.bubble.diameter95M).toBeCloseTo(k * (a.bubble.diameter95M ?? NaN), 4);
				if (!a.spiral.present && !b.spiral.present) expect(rank[b.verdict]).toBeGreaterThanOrEqual(rank[a.verdict]);
			}),
			runs,
		);
	});
});
