import { describe, expect, it } from 'vitest';
import type { Aircraft, AircraftEvent, DueSchool } from '../../schema/records';
import { newAircraft } from '../../schema/newAircraft';
import { compassDue } from './compass';

const NOW = '2026-05-14T09:00:00.000Z';
const HERE = { latDeg: 54.2, lonDeg: -3.1, altM: 10 };

const craft = (school: DueSchool, events: [AircraftEvent['kind'], string][] = []): Aircraft => ({
	...newAircraft('a', 'multirotor', NOW),
	name: 'Dunlin',
	school,
	events: events.map(([kind, at], k) => ({ id: `e${k}`, kind, at, note: '' })),
});
const last = (at: string, place = HERE) => ({ at, place });
const verdicts = (a: Aircraft, l: ReturnType<typeof last> | null, site: typeof HERE | null = HERE) =>
	Object.fromEntries(compassDue(a, l, site, NOW).schools.map(({ school, due }) => [school, due]));

describe('a compass', () => {
	it('that was never calibrated is due under every school', () => {
		expect(Object.values(verdicts(craft('as-told'), null))).toEqual([true, true, true]);
	});

	it('calibrated today, here, with nothing since, is due under none', () => {
		expect(Object.values(verdicts(craft('as-told'), last('2026-05-14T07:00:00.000Z')))).toEqual([false, false, false]);
	});

	it('calibrated yesterday is due only under "first flight of every day"', () => {
		expect(verdicts(craft('as-told'), last('2026-05-13T09:00:00.000Z'))).toEqual({
			'as-told': false,
			'after-events': false,
			'every-day': true,
		});
	});

	it('after a knock is due under "after events", after firmware under "as told" too', () => {
		const since = last('2026-05-14T01:00:00.000Z');
		expect(verdicts(craft('as-told', [['knock', '2026-05-14T02:00:00.000Z']]), since)).toEqual({
			'as-told': false,
			'after-events': true,
			'every-day': true,
		});
		expect(verdicts(craft('as-told', [['firmware', '2026-05-14T02:00:00.000Z']]), since)['as-told']).toBe(true);
	});

	it('is not made due by what happened before its calibration, or after the moment that is judged', () => {
		const before = craft('after-events', [
			['knock', '2026-05-13T02:00:00.000Z'],
			['part', '2026-05-20T02:00:00.000Z'],
		]);
		expect(compassDue(before, last('2026-05-14T01:00:00.000Z'), HERE, NOW).due).toBe(false);
	});

	it('is due far away or far up, with the distance told', () => {
		const far = compassDue(
			craft('after-events'),
			last('2026-05-14T01:00:00.000Z', { latDeg: 55.2, lonDeg: -3.1, altM: 10 }),
			HERE,
			NOW,
		);
		expect(far.due).toBe(true);
		expect(far.chosen.reasons[0].value).toBeCloseTo(111.3, 0);
		const high = compassDue(craft('after-events'), last('2026-05-14T01:00:00.000Z', { ...HERE, altM: 400 }), HERE, NOW);
		expect(high.chosen.reasons[0].code).toBe('height');
	});

	it('tells what the change of field would do, and stays silent outside the model', () => {
		const moved = compassDue(
			craft('after-events'),
			last('2026-05-14T01:00:00.000Z', { latDeg: 78, lonDeg: 15, altM: 10 }),
			HERE,
			NOW,
		);
		expect(moved.evidence.find(({ code }) => code === 'field-change')?.value).toBeGreaterThan(3);
		const late = compassDue(craft('after-events'), last('2031-05-14T01:00:00.000Z'), HERE, '2031-06-01T00:00:00.000Z');
		expect(late.evidence.map(({ code }) => code)).not.toContain('field-change');
	});
});
