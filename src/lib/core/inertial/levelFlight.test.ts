import { describe, expect, it } from 'vitest';
import { seededRng } from '../math/random';
import { reviewLevelFlight } from './levelFlight';

/** Legs flown level at a shown pitch, with turns and a climb between them. */
function flight(pitchDeg: number, rollDeg: number, { legS = 12, legs = 4, gust = 0.8 } = {}) {
	const rng = seededRng(4);
	const log = {
		t: [] as number[],
		rollDeg: [] as number[],
		pitchDeg: [] as number[],
		heightM: [] as number[],
		headingDeg: [] as number[],
	};
	let [height, heading, k] = [60, 350, 0];
	const push = (pitch: number, roll: number, climb: number, turn: number) => {
		height += climb / 10;
		heading = (heading + turn / 10 + 360) % 360;
		log.t.push(k++ / 10);
		log.pitchDeg.push(pitch + gust * rng.normal());
		log.rollDeg.push(roll + gust * rng.normal());
		log.heightM.push(height + 0.05 * rng.normal());
		log.headingDeg.push(heading);
	};
	for (let leg = 0; leg < legs; leg++) {
		for (let i = 0; i < legS * 10; i++) push(pitchDeg, rollDeg, 0, 0);
		for (let i = 0; i < 60; i++) push(pitchDeg + 3, 30, 0.2, 25);
		for (let i = 0; i < 60; i++) push(pitchDeg + 9, 0, 2.5, 0);
	}
	return log;
}

describe('level from a flight', () => {
	it('is the attitude of the straight legs; turns and climbs are left out', () => {
		const answer = reviewLevelFlight(flight(5.5, -0.8), { rollDeg: 0, pitchDeg: 3 });
		expect(answer.shown?.pitchDeg).toBeCloseTo(5.5, 0);
		expect(answer.correction?.pitchDeg).toBeCloseTo(-2.5, 0);
		expect(answer.correction?.rollDeg).toBeCloseTo(0.8, 0);
		expect(Math.abs((answer.shown?.pitchDeg ?? 0) - 5.5)).toBeLessThan(4 * (answer.sigmaDeg?.pitchDeg ?? 0));
		expect(answer.levelS).toBeGreaterThan(35);
		expect(answer.levelS).toBeLessThan(55);
		expect(answer.reasons[0].code).toBe('level-off-in-flight');
		// More than two degrees are entered in steps: the first one is said.
		expect(answer.reasons[0].next).toMatch(/^Enter roll \+0\.[6-9]°, pitch −2\.0° first, at most 2° at a time/);
	});

	it('that is as wanted passes', () => {
		expect(reviewLevelFlight(flight(3.1, 0.1), { rollDeg: 0, pitchDeg: 3 }).verdict).toBe('pass');
	});

	it('of too little level flight is refused', () => {
		const answer = reviewLevelFlight(flight(3, 0, { legS: 5, legs: 2 }), { rollDeg: 0, pitchDeg: 3 });
		expect(answer.reasons[0].code).toBe('insufficient-level-flight');
		expect(answer.correction).toBeNull();
	});
});
