import { describe, expect, it } from 'vitest';
import type { Aircraft, AircraftEvent, DueSchool } from '../../schema/records';
import { newAircraft } from '../../schema/newAircraft';
import { sensorDue } from './due';
import { placedAt } from './place';
import { isDueWords, sensorsOf } from './rules';

const compassDue = (...[a, l, site, now]: [Aircraft, ReturnType<typeof last> | null, typeof HERE | null, string]) =>
	sensorDue('compass', a, l, site && placedAt(site, now), now);

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

	it('tells once what was noted twice in a day', () => {
		const twice = craft('after-events', [
			['part', '2026-05-14T02:00:00.000Z'],
			['part', '2026-05-14T03:00:00.000Z'],
		]);
		const { evidence } = compassDue(twice, last('2026-05-14T01:00:00.000Z'), HERE, NOW);
		expect(evidence.filter(({ code }) => code === 'event-part')).toHaveLength(1);
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

describe('the other sensors', () => {
	const since = last('2026-05-14T01:00:00.000Z');
	const after = (kind: AircraftEvent['kind'], sensor: Parameters<typeof sensorDue>[0]) =>
		sensorDue(sensor, craft('after-events', [[kind, '2026-05-14T02:00:00.000Z']]), since, placedAt(HERE, NOW), NOW).due;
	it('fall due after what undoes them, and only that', () => {
		expect(after('firmware', 'mounting')).toBe(true);
		expect(after('knock', 'mounting')).toBe(true);
		expect(after('knock', 'vision')).toBe(true);
		expect(after('journey', 'mounting')).toBe(false);
		expect(after('knock', 'accelerometer')).toBe(true);
		expect(after('journey', 'gyro')).toBe(false);
		expect(after('part', 'radio')).toBe(true);
		expect(after('knock', 'link-loss')).toBe(false);
		expect(after('odd-flight', 'vision')).toBe(true);
	});
	it('inertial ones watch the temperature', () => {
		const cold = { ...since, temperatureC: 2 };
		const judged = (sensor: 'accelerometer' | 'compass') =>
			sensorDue(sensor, craft('after-events'), cold, placedAt(HERE, NOW), NOW, { temperatureC: 30 });
		expect(judged('accelerometer').chosen.reasons.map(({ code }) => code)).toEqual(['temperature']);
		expect(judged('compass').due).toBe(false);
	});
	it('keep a school of their own, and thresholds of the pilot', () => {
		const own = { ...craft('as-told'), sensorSchools: { gyro: 'every-day' as const }, dueThresholds: { ageDays: 3 } };
		const old = last('2026-05-01T09:00:00.000Z');
		expect(sensorDue('gyro', own, old, placedAt(HERE, NOW), NOW).due).toBe(true);
		expect(sensorDue('radio', own, old, placedAt(HERE, NOW), NOW).due).toBe(false);
		const aged = sensorDue('radio', { ...own, school: 'after-events' }, old, placedAt(HERE, NOW), NOW);
		expect(aged.chosen.reasons.map(({ code }) => code)).toEqual(['age']);
		const off = { ...craft('after-events'), dueThresholds: { distanceKm: null, heightM: null } };
		const far = last('2026-05-14T01:00:00.000Z', { latDeg: 56, lonDeg: -3.1, altM: 900 });
		expect(sensorDue('accelerometer', off, far, placedAt(HERE, NOW), NOW).due).toBe(false);
	});
	it('a disturbed place is no place for a compass, whatever the school', () => {
		const at = (sensor: 'compass' | 'gyro') =>
			sensorDue(sensor, craft('every-day'), null, placedAt(HERE, NOW), NOW, { disturbed: true });
		expect(at('compass').notHere?.level).toBe('fail');
		expect(at('gyro').notHere).toBeNull();
	});
	it('are those that the aircraft has', () => {
		expect(sensorsOf(newAircraft('a', 'racer', NOW))).not.toContain('compass');
		expect(sensorsOf(newAircraft('a', 'camera', NOW))).toContain('vision');
		expect(sensorsOf(newAircraft('a', 'wing', NOW))).toContain('speed-controllers');
	});
});

it.each([
	['compass', 'Compass is due'],
	['radio', 'Sticks and switches are due'],
	['speed-controllers', 'Speed controllers are due'],
] as const)('%s: %s', (sensor, words) => expect(isDueWords(sensor)).toBe(words));
