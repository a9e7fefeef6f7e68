import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { NO_FAULTS, rigHover } from '../../rig/rig';
import { DEG } from '../frames/angles';
import { compassErrorFromTilt } from './attitude';
import { reviewHover } from './review';
import { reviewLegs, type Leg } from './straightLeg';
import { compareTurnedHovers, type Drifting } from './twoHovers';

const request = (headingErrorDeg: number, seed: number, tilt: boolean) => {
	const { log } = rigHover(seed, { ...NO_FAULTS, headingErrorDeg, windMps: 4 }, { durationS: 60 });
	const { t, north, east, up, headingDeg, rollDeg, pitchDeg } = log;
	return {
		track: { t, north, east, up },
		hold: 'position' as const,
		heading: { t, deg: headingDeg },
		...(tilt ? { attitude: { t, rollDeg, pitchDeg } } : {}),
	};
};

describe('a hover with roll and pitch in the log', () => {
	it('tells the compass error with its sign, within its stated uncertainty', () => {
		for (const [error, seed] of [
			[40, 5],
			[-40, 6],
			[25, 7],
			[0, 8],
		]) {
			const { spiral } = reviewHover(request(error, seed, true));
			expect(Math.abs((spiral.compassErrorDeg ?? 99) - error)).toBeLessThan(3 * (spiral.compassErrorSigmaDeg ?? 0));
			expect(spiral.fromTilt).not.toBeNull();
		}
	});
	it('knows it better than from the track alone', () => {
		const [alone, both] = [false, true].map(
			(tilt) => reviewHover(request(20, 9, tilt)).spiral.compassErrorSigmaDeg ?? 99,
		);
		expect(both).toBeLessThan(alone);
	});
	it('raises no alarm over healthy hovers', () => {
		for (let seed = 20; seed < 32; seed++) expect(reviewHover(request(0, seed, true)).spiral.present).toBe(false);
	});
	it('is silent where heading and attitude do not cover the hover', () => {
		const { track, heading } = request(0, 3, false);
		const [t, north, east] = [track.t, track.north, track.east].map((v) => Float64Array.from(v));
		const attitude = { t: [0, 1, 2, 3], rollDeg: [0, 0, 0, 0], pitchDeg: [0, 0, 0, 0] };
		expect(compassErrorFromTilt(t, north, east, heading, undefined)).toBeNull();
		expect(compassErrorFromTilt(t, north, east, heading, attitude)).toBeNull();
	});
});

describe('a hover repeated with the nose turned', () => {
	const drift = (headingDeg: number, wind: [number, number], q: [number, number]): Drifting => {
		const [c, s] = [Math.cos(headingDeg * DEG), Math.sin(headingDeg * DEG)];
		return {
			headingDeg,
			northMps: wind[0] + q[0] * c - q[1] * s,
			eastMps: wind[1] + q[0] * s + q[1] * c,
			sigmaMps: 0.02,
		};
	};
	const speed = evenly(-2, 2);
	it('tells wind and trim apart exactly, for any of both', () =>
		fc.assert(
			fc.property(speed, speed, speed, speed, fc.integer({ min: 0, max: 359 }), (wn, we, qf, qr, heading) => {
				const answer = compareTurnedHovers(
					drift(heading, [wn, we], [qf, qr]),
					drift(heading + 180, [wn, we], [qf, qr]),
				);
				expect(answer.wind?.speedMps).toBeCloseTo(Math.hypot(wn, we), 9);
				expect(answer.trim?.speedMps).toBeCloseTo(Math.hypot(qf, qr), 9);
				if (Math.abs(qr) > 0.01) expect(Math.sign(answer.trim?.rollDeg ?? 0)).toBe(Math.sign(qr));
			}),
		));
	it('says wind where nothing turns with the nose, trim where it does, and refuses a small turn', () => {
		expect(compareTurnedHovers(drift(0, [1, 0], [0, 0]), drift(180, [1, 0], [0, 0])).reasons[0].code).toBe('trim-none');
		expect(compareTurnedHovers(drift(0, [0, 0], [0.8, 0]), drift(180, [0, 0], [0.8, 0])).reasons[0].code).toBe(
			'level-trim',
		);
		expect(compareTurnedHovers(drift(0, [1, 0], [0, 0]), drift(30, [1, 0], [0, 0])).reasons[0].code).toBe(
			'insufficient-turn',
		);
	});
});

describe('straight legs in self-level', () => {
	const leg = (trueDeg: number, psi: number, wind: [number, number] = [0, 0]): Leg => ({
		northMps: 4 * Math.cos(trueDeg * DEG) + wind[0],
		eastMps: 4 * Math.sin(trueDeg * DEG) + wind[1],
		headingDeg: (trueDeg + psi + 360) % 360,
		lengthM: 10,
		sigmaMps: 0.1,
	});
	it('out and back tell the error whatever the wind', () =>
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 359 }),
				fc.integer({ min: -80, max: 80 }),
				evenly(-1, 1),
				(course, psi, w) => {
					const answer = reviewLegs(leg(course, psi, [w, -w]), leg(course + 180, psi, [w, -w]), null);
					expect(answer.compassErrorDeg).toBeCloseTo(psi, 6);
				},
			),
		));
	it('one alone carries the wind in its uncertainty', () => {
		const calm = reviewLegs(leg(30, 0), null, 0);
		const windy = reviewLegs(leg(30, 0), null, 2);
		expect(windy.sigmaDeg).toBeGreaterThan((calm.sigmaDeg ?? 0) + 8);
		expect(calm.verdict).toBe('pass');
		expect(windy.reasons[0].code).toBe('leg-loose');
	});
	it('fail at a large error and are refused when short, slow or not flown back', () => {
		expect(reviewLegs(leg(30, 40), leg(210, 40), null).reasons[0].code).toBe('compass-error');
		expect(reviewLegs({ ...leg(0, 0), lengthM: 3 }, null, 0).reasons[0].code).toBe('insufficient-leg');
		expect(reviewLegs({ ...leg(0, 0), northMps: 0.3 }, null, 0).reasons[0].code).toBe('insufficient-speed');
		expect(reviewLegs(leg(0, 0), leg(90, 0), 0).reasons[0].code).toBe('insufficient-turn');
	});
});
