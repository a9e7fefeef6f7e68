import { describe, expect, it } from 'vitest';
import { DEG } from '../frames/angles';
import { fieldAt, fieldVectorUt } from './field';
import { normalGravity } from './gravity';
import { inverseGeodesic, localScale, toLocal } from './geodesy';

// Published test values of the World Magnetic Model 2025: year, km, lat, lon, X, Y, Z (nT), inclination, declination.
const PUBLISHED: [string, number, number, number, number, number, number, number, number][] = [
	['2025-01-01', 28, 89, -121, -255.388723, -1482.460628, 56194.288771, 88.47, -99.77],
	['2025-01-01', 48, 80, -96, 1875.98228, -1079.269389, 55623.044051, 87.77, -29.91],
	['2025-01-01', 65, 43, 93, 24299.852822, 210.517066, 50037.923998, 64.1, 0.5],
	['2028-01-01', 49, 20, 167, 30131.436134, 2689.876669, 15295.611788, 26.82, 5.1],
	['2028-01-01', 71, 5, -13, 28142.647915, -3192.970202, -9017.928693, -17.66, -6.47],
	['2028-01-01', 86, -85, -79, 12713.115116, 11085.480728, -46988.258092, -70.25, 41.09],
];

describe("the Earth's field", () => {
	it.each(PUBLISHED)('agrees with the published value of %s at %s km, %s, %s', (date, km, lat, lon, x, y, z, i, d) => {
		const [n, e, down] = fieldVectorUt(lat, lon, km * 1000, date);
		expect(Math.abs(n * 1000 - x)).toBeLessThan(1);
		expect(Math.abs(e * 1000 - y)).toBeLessThan(1);
		expect(Math.abs(down * 1000 - z)).toBeLessThan(1);
		const answer = fieldAt(lat, lon, km * 1000, date);
		expect(answer.inclinationDeg).toBeCloseTo(i, 1);
		expect(Math.abs(answer.declinationDeg - d)).toBeLessThan(0.0101);
	});

	it('holds to the last day of the model and not a day longer', () => {
		expect(fieldAt(54, -3, 10, '2029-12-31').totalUt).toBeGreaterThan(45);
		expect(() => fieldAt(54, -3, 10, '2030-01-01')).toThrow(/2029-12-31/);
		expect(() => fieldAt(54, -3, 10, '2024-12-31')).toThrow(/2025-01-01/);
	});

	it('changes without a step where the package changes its own mind about dates', () => {
		const before = fieldVectorUt(54, -3, 0, '2029-11-12');
		const after = fieldVectorUt(54, -3, 0, '2029-11-15');
		expect(Math.hypot(...before.map((v, i) => v - after[i]))).toBeLessThan(0.002);
	});

	it('gives no heading where the horizontal field is too weak', () => {
		const pole = fieldAt(86.5, 140, 0, '2026-06-01');
		expect(pole.horizontalUt).toBeLessThan(6);
		expect(pole.verdict).toBe('fail');
		expect(pole.reasons[0].code).toBe('horizontal-field-too-weak');
	});

	it.each([90, -90])('has an answer at latitude %s', (lat) => {
		const at = fieldAt(lat, 0, 0, '2026-06-01');
		expect(Number.isFinite(at.totalUt) && at.totalUt > 50).toBe(true);
		expect(at.totalUt).toBeCloseTo(fieldAt(lat * 0.999999, 0, 0, '2026-06-01').totalUt, 2);
	});
});

describe('normal gravity', () => {
	it('has the defined values at equator and pole', () => {
		expect(normalGravity(0, 0)).toBeCloseTo(9.7803253359, 9);
		expect(normalGravity(90 * DEG, 0)).toBeCloseTo(9.8321849379, 8);
	});

	it('falls by about 3.1 mm/s² per kilometre', () => {
		expect(normalGravity(45 * DEG, 0) - normalGravity(45 * DEG, 1000)).toBeCloseTo(0.003086, 5);
	});
});

describe('local north and east', () => {
	it('agrees with the geodesic within a centimetre over a kilometre', () => {
		const origin = { latDeg: 54.2, lonDeg: -3.1 };
		const local = toLocal(origin, 54.206, -3.091, localScale(origin.latDeg));
		const { distanceM } = inverseGeodesic(54.2, -3.1, 54.206, -3.091);
		expect(Math.abs(Math.hypot(local.northM, local.eastM) - distanceM)).toBeLessThan(0.1);
	});

	it('goes the short way over the date line', () => {
		expect(toLocal({ latDeg: 0, lonDeg: 179.9999 }, 0, -179.9999).eastM).toBeCloseTo(22.26, 1);
	});
});
