import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { DEG } from '../frames/angles';
import { seededRng } from '../math/random';
import { reviewHover } from './review';

/**
 * A minute without position hold, the nose turning evenly: air that blows with (wind) and a trim that pushes toward the
 * nose (trim, m/s once the drag holds it), by integrating v' = k·(wind + trim·e^{iψ} − v) in steps of a hundredth.
 */
function turning(windMps: [number, number], trimMps: number, turnDegPerS: number, seed = 1) {
	const rng = seededRng(seed);
	const k = 0.28;
	let [n, e] = [0, 0];
	let [vn, ve] = windMps;
	const track = { t: [] as number[], north: [] as number[], east: [] as number[], up: [] as number[] };
	const heading = { t: [] as number[], deg: [] as number[] };
	for (let i = 0; i <= 6000; i++) {
		const t = i / 100;
		const psi = turnDegPerS * t * DEG;
		vn += (k * (windMps[0] + trimMps * Math.cos(psi) - vn)) / 100;
		ve += (k * (windMps[1] + trimMps * Math.sin(psi) - ve)) / 100;
		n += vn / 100;
		e += ve / 100;
		if (i % 20 !== 0) continue;
		track.t.push(t);
		track.north.push(n + 0.03 * rng.normal());
		track.east.push(e + 0.03 * rng.normal());
		track.up.push(2 + 0.03 * rng.normal());
		heading.t.push(t);
		heading.deg.push((turnDegPerS * t) % 360);
	}
	return reviewHover({ track, heading, hold: 'height' });
}

const likely = (answer: ReturnType<typeof reviewHover>, code: string) =>
	answer.causes.find((cause) => cause.code === code)?.probability ?? NaN;

describe('a drift while the nose turns', () => {
	it('that keeps its course is wind, whatever its direction', () => {
		fc.assert(
			fc.property(evenly(0.9, 4), evenly(0, 360), fc.constantFrom(-12, -6, 6, 12), (speed, toDeg, rate) => {
				const answer = turning([speed * Math.cos(toDeg * DEG), speed * Math.sin(toDeg * DEG)], 0, rate);
				expect(likely(answer, 'wind-drift')).toBeGreaterThan(0.9);
				expect(likely(answer, 'level-trim')).toBeLessThan(0.2);
			}),
			{ numRuns: 20, seed: 4 },
		);
	});

	it('that turns with the nose is trim', () => {
		for (const rate of [-12, -6, 6, 12]) {
			const answer = turning([0, 0], 1.2, rate);
			expect(likely(answer, 'level-trim')).toBeGreaterThan(0.9);
			expect(likely(answer, 'wind-drift')).toBeLessThan(0.2);
			expect(answer.reasons.map(({ code }) => code)).toContain('level-trim');
		}
	});

	it('with both says both', () => {
		const answer = turning([1.5, -1], 1.5, 9);
		expect(likely(answer, 'wind-drift')).toBeGreaterThan(0.9);
		expect(likely(answer, 'level-trim')).toBeGreaterThan(0.9);
	});

	it('turned too little does not tell them apart', () => {
		const answer = turning([1.5, 0], 0, 0.5);
		expect(likely(answer, 'wind-drift')).toBeLessThanOrEqual(0.8);
		expect(likely(answer, 'level-trim')).toBeCloseTo(likely(answer, 'wind-drift'), 9);
	});
});
