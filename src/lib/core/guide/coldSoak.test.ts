import { describe, expect, it } from 'vitest';
import { soakCalendar } from '../record/calendarFile';
import { planColdSoak } from './coldSoak';

const NOW = '2026-11-25T18:00:00.000Z';
const RUN = '2026-11-26T08:00:00.000Z';

describe('a cold soak', () => {
	it('counts back from the routine, and wants two hours', () => {
		expect(planColdSoak(RUN, 2, NOW)).toMatchObject({ outAt: '2026-11-26T06:00:00.000Z', verdict: 'pass' });
		expect(planColdSoak(RUN, 1, NOW).reasons[0].code).toBe('soak-short');
	});

	it('whose time to put it out has passed is told by how much', () => {
		const late = planColdSoak('2026-11-25T19:00:00.000Z', 2, NOW);
		expect(late.verdict).toBe('fail');
		expect(late.reasons[0].value).toBeCloseTo(1, 9);
	});

	it('goes into a calendar with both times and a reminder for each', () => {
		const text = soakCalendar('Dunlin', planColdSoak(RUN, 2, NOW), NOW);
		expect(text).toContain('DTSTART:20261126T060000Z');
		expect(text).toContain('DTSTART:20261126T080000Z');
		expect(text.match(/BEGIN:VALARM/g)).toHaveLength(2);
		expect(text).toContain('SUMMARY:Put Dunlin out into the cold');
	});
});
