import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { unwrapDeg, wrap360, wrapPi } from './angles';
import { dayOf } from '../../words/calendar';
import { interpolate } from '../math/interpolate';
import { IDENTITY, apply, determinant, inverse, multiply, transpose, type Mat3 } from './mat3';
import { seededRng } from '../math/random';
import { aboutAxis, fromYawPitchRoll, RIGHT_ANGLE_ROTATIONS, toYawPitchRoll } from './rotation';
import { median, quantile, robustSigma } from '../math/statistics';
import { formatQuantity, fromUnit, toUnit } from '../../words/units';
import { angleBetween } from './vec3';

const angle = evenly(-3.1, 3.1);
const near = (a: Mat3, b: Mat3) => a.every((row, i) => row.every((value, j) => Math.abs(value - b[i][j]) < 1e-9));

describe('rotations', () => {
	it('yaw, pitch and roll come back from the matrix', () => {
		fc.assert(
			fc.property(angle, evenly(-1.5, 1.5), angle, (yaw, pitch, roll) => {
				const back = toYawPitchRoll(fromYawPitchRoll(yaw, pitch, roll));
				return near(fromYawPitchRoll(back.yawRad, back.pitchRad, back.rollRad), fromYawPitchRoll(yaw, pitch, roll));
			}),
		);
	});

	it('at pitch 90° the matrix still comes back', () => {
		const r = fromYawPitchRoll(0.7, Math.PI / 2, 0);
		const { yawRad, pitchRad, rollRad } = toYawPitchRoll(r);
		expect(near(fromYawPitchRoll(yawRad, pitchRad, rollRad), r)).toBe(true);
	});

	it('the right-angle ones are 24, all proper, all different, the identity first', () => {
		expect(RIGHT_ANGLE_ROTATIONS).toHaveLength(24);
		expect(RIGHT_ANGLE_ROTATIONS[0]).toEqual(IDENTITY);
		expect(RIGHT_ANGLE_ROTATIONS.every((m) => determinant(m) === 1)).toBe(true);
		expect(
			new Set(RIGHT_ANGLE_ROTATIONS.map((m) => JSON.stringify(m.map((row) => row.map((v) => v + 0))))),
		).toHaveProperty('size', 24);
	});

	it('about an axis leaves the axis, and its inverse is its transpose', () => {
		const r = aboutAxis([1, 2, 3], 1.1);
		expect(angleBetween(apply(r, [1, 2, 3]), [1, 2, 3])).toBeCloseTo(0, 12);
		expect(near(multiply(r, transpose(r)), IDENTITY)).toBe(true);
		expect(aboutAxis([0, 0, 0], 1)).toEqual(IDENTITY);
	});
});

describe('matrices', () => {
	it('an inverse undoes; a singular one has none', () => {
		const m: Mat3 = [
			[2, 1, 0],
			[0, 3, 1],
			[1, 0, 4],
		];
		const back = inverse(m);
		expect(back && near(multiply(m, back), IDENTITY)).toBe(true);
		expect(inverse([m[0], m[0], m[2]])).toBeNull();
	});
});

describe('angles', () => {
	it('unwrapped go on through north either way, over gaps of less than half a turn', () => {
		expect([...unwrapDeg([350, 10, 170, 340, 100])]).toEqual([350, 370, 530, 700, 820]);
		expect([...unwrapDeg([10, 350, 200])]).toEqual([10, -10, -160]);
	});

	it('are wrapped into their ranges and stay the same direction', () => {
		fc.assert(
			fc.property(evenly(-1e4, 1e4), (a) => {
				const p = wrapPi(a);
				const d = wrap360(a);
				return p > -Math.PI - 1e-9 && p <= Math.PI && d >= 0 && d < 360 && Math.abs(Math.sin(p) - Math.sin(a)) < 1e-8;
			}),
		);
	});
	it('between vectors are exact when tiny', () => {
		expect(angleBetween([1, 0, 0], [1, 1e-9, 0])).toBeCloseTo(1e-9, 15);
	});
});

describe('order statistics', () => {
	it('agree with sorting', () => {
		fc.assert(
			fc.property(fc.array(evenly(-1e6, 1e6), { minLength: 1 }), evenly(0, 1), (values, q) => {
				const sorted = values.toSorted((a, b) => a - b);
				const at = q * (sorted.length - 1);
				const low = Math.floor(at);
				const expected = sorted[low] + (at - low) * ((sorted[low + 1] ?? sorted[low]) - sorted[low]);
				return Math.abs(quantile(values, q) - expected) < 1e-6;
			}),
		);
		expect(median([])).toBeNaN();
	});
	it('a robust sigma ignores a tenth of wild values', () => {
		const rng = seededRng(2);
		const values = Array.from({ length: 4000 }, (_, k) => (k % 10 === 0 ? 1e5 : rng.normal()));
		expect(robustSigma(values)).toBeLessThan(1.3);
	});
});

describe('interpolation', () => {
	it('is exact at the knots, between them linear, held at the ends', () => {
		expect([...interpolate([0, 1, 3], [0, 10, 30], [-1, 0, 0.5, 1, 2, 3, 9])]).toEqual([0, 0, 5, 10, 20, 30, 30]);
		expect([...interpolate([5], [7], [1, 9])]).toEqual([7, 7]);
	});
});

describe('units', () => {
	it('go to the pilot’s and back', () => {
		fc.assert(
			fc.property(
				evenly(-100, 1000),
				fc.constantFrom('height', 'speed', 'distance', 'temperature'),
				(v, q) => Math.abs(fromUnit(toUnit(v, q as 'height', 'imperial'), q as 'height', 'imperial') - v) < 1e-9,
			),
		);
		expect(formatQuantity(6.7056, 'speed', 'imperial')).toBe('15.0 mph');
		expect(formatQuantity(30.48, 'height', 'imperial')).toBe('100 ft');
		expect(formatQuantity(10, 'speed', 'kmh')).toBe('36.0 km/h');
		expect(formatQuantity(1852 / 3600, 'speed', 'nautical')).toBe('1.0 kn');
		expect(formatQuantity(926, 'distance', 'nautical')).toBe('0.50 NM');
		expect(toUnit(-40, 'temperature', 'imperial')).toBeCloseTo(-40, 9);
	});
	it('a day is written out', () => {
		expect(dayOf('2026-11-08T23:59:59.000Z')).toBe('8 November 2026');
	});
});
