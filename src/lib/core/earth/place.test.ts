import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { readPosition } from './readPosition';
import { daylightAt } from './sun';

describe('a pasted position', () => {
	it.each([
		'54.2113, -3.0642',
		'54.2113 -3.0642',
		'54°12\'40.7"N 3°3\'51.1"W',
		'54 12.678 N, 3 3.852 W',
		'N54.2113 W3.0642',
		'54,2113; -3,0642',
	])('%s is read', (text) => {
		const { latDeg, lonDeg } = readPosition(text);
		expect(latDeg).toBeCloseTo(54.2113, 4);
		expect(lonDeg).toBeCloseTo(-3.0642, 4);
	});

	it.each(['', 'Hollin Saltings', '54.2', '95.0, 3.0', '54.2 181.0'])('%j is refused in words', (text) => {
		expect(() => readPosition(text)).toThrow(/is no position/);
	});

	it('comes back as it was written in decimals, anywhere', () => {
		const at = (most: number) => evenly(-most, most).map((v) => Number(v.toFixed(5)));
		fc.assert(
			fc.property(at(89), at(179), (lat, lon) => {
				const read = readPosition(`${lat.toFixed(5)}, ${lon.toFixed(5)}`);
				expect(read.latDeg).toBeCloseTo(lat, 5);
				expect(read.lonDeg).toBeCloseTo(lon, 5);
			}),
		);
	});
});

describe('daylight', () => {
	it('at Greenwich on an equinox is twelve hours and some minutes', () => {
		const { sunrise, sunset } = daylightAt(51.4779, 0, '2026-03-20T12:00:00.000Z');
		const hours = (Date.parse(sunset ?? '') - Date.parse(sunrise ?? '')) / 3_600_000;
		expect(hours).toBeGreaterThan(12.1);
		expect(hours).toBeLessThan(12.3);
	});

	it('is what is left until sunset, and none after it', () => {
		const at = (time: string) => daylightAt(54.2113, -3.0642, time).leftMin ?? NaN;
		expect(at('2026-05-14T17:08:00.000Z')).toBeCloseTo(180, -1);
		expect(at('2026-05-14T21:00:00.000Z')).toBeLessThan(0);
	});

	it('beyond the polar circle does not end in summer and does not begin in winter', () => {
		expect(daylightAt(75, 20, '2026-06-21T12:00:00.000Z')).toMatchObject({ all: 'day', sunset: null, leftMin: null });
		expect(daylightAt(75, 20, '2026-12-21T12:00:00.000Z')).toMatchObject({ all: 'night', sunrise: null });
	});
});
