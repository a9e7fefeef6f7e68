import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../rig/evenly';
import { bearingWord } from './bearing';
import { clock } from './clock';
import { counted } from './counted';
import { plain } from './plain';
import { formatQuantity, fromUnit, toUnit, unitSymbol, wholeQuantity, type Quantity, type UnitSystem } from './units';

const SYSTEMS: readonly UnitSystem[] = ['metric', 'kmh', 'nautical', 'imperial'];
const QUANTITIES: readonly Quantity[] = ['height', 'distance', 'speed', 'temperature'];
const any = fc.double({ min: -1e6, max: 1e6, noNaN: true });

describe('a quantity in the pilot’s unit', () => {
	it('comes back as it went, in every system', () => {
		fc.assert(
			fc.property(any, fc.constantFrom(...QUANTITIES), fc.constantFrom(...SYSTEMS), (si, quantity, system) => {
				expect(Math.abs(fromUnit(toUnit(si, quantity, system), quantity, system) - si)).toBeLessThan(
					1e-9 * Math.max(1, Math.abs(si)),
				);
			}),
		);
	});

	it('keeps the order: what is more in metres is more in feet', () => {
		fc.assert(
			fc.property(any, any, fc.constantFrom(...QUANTITIES), fc.constantFrom(...SYSTEMS), (a, b, quantity, system) => {
				fc.pre(Math.abs(a - b) > 1e-6);
				expect(Math.sign(toUnit(a, quantity, system) - toUnit(b, quantity, system))).toBe(Math.sign(a - b));
			}),
		);
	});

	it.each<[number, Quantity, UnitSystem, string]>([
		[10, 'height', 'metric', '10.0 m'],
		[10, 'height', 'imperial', '33 ft'],
		[0.3048, 'height', 'nautical', '1 ft'],
		[1609.344, 'distance', 'imperial', '1.0 mi'],
		[1852, 'distance', 'nautical', '1.00 NM'],
		[2500, 'distance', 'metric', '2.5 km'],
		[10, 'speed', 'metric', '10.0 m/s'],
		[10, 'speed', 'kmh', '36.0 km/h'],
		[10, 'speed', 'nautical', '19.4 kn'],
		[10, 'speed', 'imperial', '22.4 mph'],
		[0, 'temperature', 'metric', '0 °C'],
		[0, 'temperature', 'imperial', '32 °F'],
		[-40, 'temperature', 'imperial', '-40 °F'],
	])('%s of %s in %s is %s', (si, quantity, system, words) => {
		expect(formatQuantity(si, quantity, system)).toBe(words);
	});

	it('in whole units has no point, and the same symbol', () => {
		fc.assert(
			fc.property(any, fc.constantFrom(...QUANTITIES), fc.constantFrom(...SYSTEMS), (si, quantity, system) => {
				const words = wholeQuantity(si, quantity, system);
				expect(words).toMatch(/^-?\d+ \S+$/);
				expect(words.endsWith(` ${unitSymbol(quantity, system)}`)).toBe(true);
				expect(formatQuantity(si, quantity, system).endsWith(` ${unitSymbol(quantity, system)}`)).toBe(true);
			}),
		);
	});
});

describe('small words', () => {
	it('a clock counts seconds to the nearest and never below nothing', () => {
		expect([0, 59.4, 59.5, 60, 605, -3].map(clock)).toEqual(['0:00', '0:59', '1:00', '1:00', '10:05', '0:00']);
		fc.assert(
			fc.property(evenly(0, 1e6), (seconds) => {
				const [minutes, rest] = clock(seconds).split(':').map(Number);
				expect(rest).toBeLessThan(60);
				expect(Math.abs(60 * minutes + rest - seconds)).toBeLessThanOrEqual(0.5);
			}),
		);
	});

	it('a bearing is told by the nearest of eight directions, any number of turns round', () => {
		expect([0, 44, 90, 136, 180, 225, 270, 337, 338, 360, -90].map(bearingWord)).toEqual([
			...['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'],
			...['north', 'north', 'west'],
		]);
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 3599 }), fc.integer({ min: -5, max: 5 }), (tenths, turns) => {
				expect(bearingWord(tenths / 10 + 360 * turns)).toBe(bearingWord(tenths / 10));
			}),
		);
	});

	it('one is one, all others are many', () => {
		expect([0, 1, 2].map((n) => counted(n, 'session'))).toEqual(['0 sessions', '1 session', '2 sessions']);
		expect(counted(3, 'compass', 'compasses')).toBe('3 compasses');
	});

	it('a sentence loses its full stops at its end and nothing else', () => {
		expect(plain('It drifts.')).toBe('It drifts');
		expect(plain('Wait 1.5 s...')).toBe('Wait 1.5 s');
		expect(plain('Why?')).toBe('Why?');
	});
});
