import { describe, expect, it } from 'vitest';
import { drawGains, flyHover } from '../../rig/hover';
import { NO_FAULTS, rigHover } from '../../rig/rig';
import { seededRng } from '../math/random';
import { detectCircling } from './circling';

/** Two minutes in still air: past the edge of the loop the circle is so regular that its spectrum is a line. */
function calmCircle(seed: number, headingErrorDeg: number) {
	const { truth } = rigHover(seed, { ...NO_FAULTS, headingErrorDeg, windMps: 0 });
	const rng = seededRng(seed);
	const { t, north, east } = flyHover({ ...truth, durationS: 120 }, drawGains(rng), rng);
	return detectCircling(Float64Array.from(t), Float64Array.from(north), Float64Array.from(east));
}

describe('a steady circle in still air', () => {
	// Each of these was once taken for a small error, or for one of the other sign, by a fit that stayed in a hollow.
	it.each([
		[120006, 50],
		[120009, -50],
		[120015, -50],
		[120018, 50],
		[120033, -50],
		[120039, -50],
	])('of seed %i shows its compass error of %i°, sign and all', (seed, errorDeg) => {
		const found = calmCircle(seed, errorDeg);
		expect(found.present).toBe(true);
		expect(Math.sign(found.compassErrorDeg)).toBe(Math.sign(errorDeg));
		expect(found.sense).toBe(errorDeg > 0 ? 'cw' : 'ccw');
		expect(Math.abs(found.compassErrorDeg - errorDeg)).toBeLessThan(3 * found.compassErrorSigmaDeg);
	});
});

describe('the estimate', () => {
	it('is the same circle mirrored for an error of the other sign', () => {
		const { truth } = rigHover(7, { ...NO_FAULTS, headingErrorDeg: 35, windMps: 4 });
		const rng = seededRng(7);
		const { t, north, east } = flyHover({ ...truth, durationS: 60 }, drawGains(rng), rng);
		const [time, n, e] = [t, north, east].map((column) => Float64Array.from(column));
		const right = detectCircling(time, n, e);
		const left = detectCircling(
			time,
			n,
			e.map((value) => -value),
		);
		expect(left.compassErrorDeg).toBeCloseTo(-right.compassErrorDeg, 1);
		expect(left.compassErrorSigmaDeg).toBeCloseTo(right.compassErrorSigmaDeg, 1);
		expect(left.evidence).toBeCloseTo(right.evidence, 1);
	});

	it('does not care where the track lies or how the axes are turned', () => {
		const { truth } = rigHover(8, { ...NO_FAULTS, headingErrorDeg: 25, windMps: 4 });
		const rng = seededRng(8);
		const { t, north, east } = flyHover({ ...truth, durationS: 60 }, drawGains(rng), rng);
		const time = Float64Array.from(t);
		const a = detectCircling(time, Float64Array.from(north), Float64Array.from(east));
		const [c, s] = [Math.cos(0.7), Math.sin(0.7)];
		const b = detectCircling(
			time,
			Float64Array.from(north, (n, i) => 40 + c * n - s * east[i]),
			Float64Array.from(east, (e, i) => -15 + s * north[i] + c * e),
		);
		expect(b.compassErrorDeg).toBeCloseTo(a.compassErrorDeg, 2);
		expect(b.evidence).toBeCloseTo(a.evidence, 2);
	});

	it('tells how far it has come', () => {
		const { truth } = rigHover(9, { ...NO_FAULTS, windMps: 4 });
		const rng = seededRng(9);
		const { t, north, east } = flyHover({ ...truth, durationS: 30 }, drawGains(rng), rng);
		const told: number[] = [];
		detectCircling(
			...([t, north, east].map((x) => Float64Array.from(x)) as [Float64Array, Float64Array, Float64Array]),
			(x) => told.push(x),
		);
		expect(told.length).toBeGreaterThan(20);
		expect([...told].sort((a, b) => a - b)).toEqual(told);
		expect(told[told.length - 1]).toBeCloseTo(1, 9);
	});
});
