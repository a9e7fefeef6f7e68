import { describe, expect, it } from 'vitest';
import { dueCalendar, stepsCalendar } from './calendarFile';

const MADE = '2026-05-14T09:00:00.000Z';

describe('a calendar of due dates', () => {
	it('holds a whole-day event each, with a name that stays', () => {
		const text = dueCalendar(
			[
				{
					id: 'dunlin-accelerometer',
					title: 'Dunlin: accelerometer',
					day: '2026-11-02',
					note: 'Half a year, your own limit.',
				},
				{ id: 'dunlin-gyro', title: 'Dunlin: gyro', day: '2026-12-31', note: '' },
			],
			MADE,
		);
		expect(text).toMatch(/^BEGIN:VCALENDAR/);
		expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
		expect(text).toContain('DTSTART;VALUE=DATE:20261102');
		expect(text).toContain('UID:dunlin-gyro@winglogos');
		expect(text).toContain('SUMMARY:Dunlin: accelerometer');
	});
	it('is the same text for the same dates', () => {
		const dates = [{ id: 'a', title: 'b', day: '2026-06-01', note: 'c' }];
		expect(dueCalendar(dates, MADE)).toBe(dueCalendar(dates, MADE));
	});
	it('names a day that is none', () =>
		expect(() => dueCalendar([{ id: 'a', title: 'b', day: '2026-19-01', note: '' }], MADE)).toThrow(
			'cannot be written',
		));
});

describe('the steps of a day', () => {
	it('stand at their times, with their aircraft and a reminder', () => {
		const step = { at: '2026-11-27T07:30:00.000Z', minutes: 15, title: 'Dunlin: Accelerometer', note: 'a knock' };
		const text = stepsCalendar([step], '2026-11-26T18:00:00.000Z');
		expect(text).toContain('SUMMARY:Dunlin: Accelerometer');
		expect(text).toContain('DTSTART:20261127T073000Z');
		expect(text).toContain('DURATION:PT15M');
		expect(text).toContain('BEGIN:VALARM');
	});
});
