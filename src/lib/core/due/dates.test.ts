import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import { dueDates } from './dates';

describe('dates on which something falls due by age', () => {
	const craft = { ...newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z'), name: 'Dunlin' };
	const done = new Map([
		['gyro', { at: '2026-05-10T22:30:00.000Z' }],
		['compass', { at: '2026-05-01T08:00:00.000Z' }],
	] as const);

	it('are the day of the last plus the age, soonest first', () => {
		expect(dueDates({ ...craft, dueThresholds: { ageDays: 30 } }, done)).toMatchObject([
			{ id: 'a-compass', title: 'Dunlin: Compass is due', day: '2026-05-31' },
			{ id: 'a-gyro', day: '2026-06-09' },
		]);
	});
	it('are none where no age was set', () => {
		expect(dueDates(craft, done)).toEqual([]);
		expect(dueDates({ ...craft, dueThresholds: { ageDays: null } }, done)).toEqual([]);
	});
});
