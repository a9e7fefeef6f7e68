import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { newAircraft } from '../schema/newAircraft';
import { sensorDue } from '../core/due/due';
import { dueDates } from '../core/due/dates';
import { dayAfter, dayOf, daysBetween, localDay } from './calendar';

const ZONES = ['America/Los_Angeles', 'UTC', 'Europe/London', 'Pacific/Auckland'] as const;
const zone = process.env['TZ'];
const inZone = (name: string) => (process.env['TZ'] = name);
afterEach(() => {
	process.env['TZ'] = zone;
	if (zone === undefined) delete process.env['TZ'];
});

describe('calendar day where the pilot is', () => {
	beforeAll(() => {
		// A pool in which the zone cannot be set would make every one of these pass for nothing.
		inZone('Pacific/Auckland');
		expect(new Date('2026-11-08T23:59:59.000Z').getDate()).toBe(9);
	});
	it('is one for one instant, in words, in files and in fields alike', () => {
		inZone('America/Los_Angeles');
		expect(dayOf('2026-12-02T01:30:00.000Z')).toBe('1 December 2026');
		expect(localDay('2026-12-02T01:30:00.000Z')).toBe('2026-12-01');
		inZone('Pacific/Auckland');
		expect(dayOf('2026-12-01T12:30:00.000Z')).toBe('2 December 2026');
		expect(localDay('2026-12-01T12:30:00.000Z')).toBe('2026-12-02');
	});
	it('tomorrow is the next day of the calendar, on days of 23 and of 25 hours too', () => {
		inZone('Europe/London');
		expect(dayAfter('2026-10-24T23:10:00.000Z', 1)).toBe('2026-10-26');
		expect(dayAfter('2026-03-29T00:10:00.000Z', 1)).toBe('2026-03-30');
		expect(daysBetween('2026-10-24T23:10:00.000Z', '2026-10-26T00:05:00.000Z')).toBe(1);
		expect(daysBetween('2026-03-28T12:00:00.000Z', '2026-03-29T11:30:00.000Z')).toBe(1);
	});
	it.each(ZONES)('every-day calibration in %s: not due again on its own evening, due next morning', (name) => {
		inZone(name);
		const at = (text: string) => new Date(text).toISOString();
		const aircraft = { ...newAircraft('a', 'multirotor', '2026-01-01T00:00:00.000Z'), school: 'every-day' as const };
		const due = (done: string, now: string) =>
			sensorDue('gyro', aircraft, { at: at(done), place: null }, null, at(now)).chosen.due;
		expect(due('2026-10-20T08:00', '2026-10-20T23:50')).toBe(false);
		expect(due('2026-10-20T17:30', '2026-10-21T07:00')).toBe(true);
	});
	it.each(ZONES)('a date that falls due in %s is so many days of the calendar after', (name) => {
		inZone(name);
		const done = new Map([['gyro' as const, { at: new Date('2026-10-20T22:30').toISOString() }]]);
		const aircraft = { ...newAircraft('a', 'multirotor', '2026-01-01T00:00:00.000Z'), dueThresholds: { ageDays: 30 } };
		expect(dueDates(aircraft, done)[0]?.day).toBe('2026-11-19');
	});
});
