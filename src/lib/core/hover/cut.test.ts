import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { rigHover, NO_FAULTS } from '../../rig/rig';
import { seededRng } from '../math/random';
import { between, cutFlight, cutRequest, isHoverAlone, longestHover, type Doing, type Piece } from './cut';
import type { LocalTrack } from './track';

interface Leg {
	seconds: number;
	/** Metres a second north, east, up; or a circle of a radius and a period. */
	by?: [number, number, number];
	circle?: { radiusM: number; periodS: number };
}

/** A flight made of legs, 5 points a second, with the wander of a fix. */
function flight(legs: readonly Leg[], { seed = 1, noiseM = 0.15, known = true } = {}): LocalTrack {
	const rng = seededRng(seed);
	const [t, north, east, up]: number[][] = [[], [], [], []];
	let [n, e, u, at, wn, we] = [0, 0, 0, 0, 0, 0];
	for (const { seconds, by = [0, 0, 0], circle } of legs) {
		const count = Math.round(seconds * 5);
		for (let k = 0; k < count; k++) {
			const turn = circle ? (2 * Math.PI * k) / 5 / circle.periodS : 0;
			const r = circle?.radiusM ?? 0;
			wn = 0.98 * wn + noiseM * 0.2 * rng.normal();
			we = 0.98 * we + noiseM * 0.2 * rng.normal();
			t.push(at);
			north.push(n + r * Math.sin(turn) + wn);
			east.push(e + r * (1 - Math.cos(turn)) + we);
			up.push(u + 0.05 * rng.normal());
			at += 0.2;
			[n, e, u] = [n + by[0] / 5, e + by[1] / 5, u + by[2] / 5];
		}
	}
	const of = (values: number[]) => Float64Array.from(values);
	return { t: of(t), north: of(north), east: of(east), up: of(up), aboveGround: known ? of(up) : null };
}
const STAND: Leg = { seconds: 8 };
const UP: Leg = { seconds: 5, by: [0, 0, 1.2] };
const DOWN: Leg = { seconds: 8, by: [0, 0, -0.75] };
const doings = (pieces: readonly Piece[]) => pieces.map(({ doing }) => doing);
const hovers = (pieces: readonly Piece[]) => pieces.filter(({ doing }) => doing === 'hover');

describe('a flight cut into what it was', () => {
	it('finds take-off, hover, leg out, leg back, hover, landing, and no leg in a hover', () => {
		const track = flight([
			STAND,
			UP,
			{ seconds: 60 },
			{ seconds: 20, by: [6, 0, 0] },
			{ seconds: 20, by: [-6, 0, 0] },
			{ seconds: 30 },
			DOWN,
			STAND,
		]);
		const pieces = cutFlight(track);
		expect(doings(pieces).filter((d) => d === 'ground')).toHaveLength(2);
		const [first, second] = hovers(pieces);
		expect(hovers(pieces)).toHaveLength(2);
		expect(Math.abs(first.fromS - 13)).toBeLessThan(5);
		expect(Math.abs(first.toS - 73)).toBeLessThan(3);
		expect(Math.abs(second.fromS - 113)).toBeLessThan(4);
		for (const hover of hovers(pieces)) expect(hover.netM).toBeLessThan(4);
		expect(longestHover(pieces)).toBe(first);
		expect(isHoverAlone(pieces)).toBe(false);
	});

	it('keeps a circling hover as one, however the compass is off', () => {
		for (const circle of [
			{ radiusM: 2, periodS: 6 },
			{ radiusM: 6, periodS: 12 },
			{ radiusM: 9, periodS: 14 },
		]) {
			const pieces = cutFlight(flight([STAND, UP, { seconds: 60, circle }, DOWN, STAND]));
			const hover = longestHover(pieces);
			expect(hover && hover.toS - hover.fromS, `radius ${circle.radiusM}`).toBeGreaterThan(45);
		}
	});

	it('never takes legs for a hover, whatever their speed, direction and turn', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 1e6 }), evenly(2.5, 15), evenly(0, 2 * Math.PI), (seed, speed, way) => {
				const [n, e] = [speed * Math.cos(way), speed * Math.sin(way)];
				const out: Leg = { seconds: 25, by: [n, e, 0] };
				const back: Leg = { seconds: 25, by: [-n, -e, 0] };
				const pieces = cutFlight(flight([STAND, UP, out, back, out, back, DOWN, STAND], { seed }));
				for (const hover of hovers(pieces)) expect(hover.wayM).toBeLessThan(60);
				const long = longestHover(pieces);
				expect(long === null || long.toS - long.fromS < 30).toBe(true);
			}),
			{ numRuns: 60 },
		);
	});

	it('ends a hover where a leg begins, to a few seconds, whatever the fix wanders', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 1e6 }), evenly(3, 12), evenly(0.05, 0.6), (seed, speed, noiseM) => {
				const leg: Leg = { seconds: 25, by: [speed, 0, 0] };
				const [hover] = hovers(cutFlight(flight([STAND, UP, { seconds: 40 }, leg], { seed, noiseM })));
				expect(Math.abs(hover.toS - 53)).toBeLessThanOrEqual(5);
			}),
			{ numRuns: 40 },
		);
	});

	it('covers the whole track without gap or overlap, in order', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 1e6 }), evenly(0, 8), (seed, speed) => {
				const track = flight([STAND, UP, { seconds: 25 }, { seconds: 15, by: [speed, 0, 0] }, DOWN], { seed });
				const pieces = cutFlight(track);
				pieces.forEach((piece, k) => {
					expect(piece.toS).toBeGreaterThan(piece.fromS - 1e-9);
					if (k > 0) expect(piece.fromS).toBeCloseTo(pieces[k - 1].toS, 6);
				});
				expect(pieces[0].fromS).toBe(track.t[0]);
			}),
			{ numRuns: 40 },
		);
	});

	it('takes a hover that was cut out before as it is, from every kind of practice hover', () => {
		for (const faults of [NO_FAULTS, { ...NO_FAULTS, headingErrorDeg: 45 }, { ...NO_FAULTS, weakSky: true }]) {
			const { log } = rigHover(3, faults, { hold: 'position' });
			const pieces = cutRequest({
				track: { t: log.t, north: log.north, east: log.east, up: log.up },
				hold: 'position',
			});
			expect(isHoverAlone(pieces), JSON.stringify(faults)).toBe(true);
		}
	});

	it('does not call the only height of a track the ground where nothing says so', () => {
		const pieces = cutFlight(flight([{ seconds: 60 }], { known: false }));
		expect(doings(pieces)).toEqual<Doing[]>(['hover']);
		expect(cutFlight(flight([]))).toEqual([]);
	});

	it('takes columns between two times, each by its own', () => {
		const request = {
			track: { t: [0, 1, 2, 3], north: [0, 1, 2, 3], east: [0, 0, 0, 0], up: [1, 1, 1, 1] },
			hold: 'position' as const,
			heading: { t: [0.5, 2.5], deg: [10, 20] },
			quality: { t: [0, 3], satellites: [9, 10] },
		};
		const got = between(request, 1, 2.6);
		expect(got.track.t).toEqual([1, 2]);
		expect(got.heading).toEqual({ t: [2.5], deg: [20] });
		expect(got.quality).toEqual({ t: [], satellites: [] });
	});
});
