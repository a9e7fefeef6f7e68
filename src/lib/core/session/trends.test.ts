import { describe, expect, it } from 'vitest';
import type { Entry, EntryPayload } from '../../schema/entries';
import { beforeAfter, changesOf, trendIn, trendsOf } from './trends';

/** As records of before figures had ids call it. */
const HOLD_RADIUS = 'Hold radius 95 %';

const day = (k: number) => `2026-04-${String(k).padStart(2, '0')}T10:00:00.000Z`;
const entry = (k: number, payload: object, seq = k): Entry =>
	({ id: `e${k}-${seq}`, sessionId: `s${k}`, at: day(k), seq, payload: payload as EntryPayload }) as Entry;
const hover = (k: number, value: number, verdict = 'pass', grade = 'measured', label: string = HOLD_RADIUS) =>
	entry(k, {
		kind: 'test',
		task: 'hover',
		grade,
		verdict,
		headline: '',
		reasons: [],
		sourceName: '',
		figures: [
			{ label, value, unit: 'm' },
			{ label: 'Height spread', value: 0.2, unit: 'm' },
		],
	});

describe('figures through the sessions', () => {
	it('stand in order of time, begin with the first that passed, and leave out what was rehearsed', () => {
		const trends = trendsOf([hover(3, 1.2), hover(1, 4, 'fail'), hover(2, 1.5), hover(4, 9, 'pass', 'rehearsed')]);
		const wander = trends.find(({ id }) => id === 'wander');
		expect(wander?.points.map(({ value }) => value)).toEqual([4, 1.5, 1.2]);
		expect(wander?.baseline?.value).toBe(1.5);
		expect(trends.map(({ id }) => id)).toEqual(['wander', 'height']);
	});

	it('hold radius: a diameter of an earlier record counts as half of it', () => {
		const trends = trendsOf([hover(1, 3, 'pass', 'measured', 'Bubble 95 %'), hover(2, 1.4)]);
		expect(trends.find(({ id }) => id === 'wander')?.points.map(({ value }) => value)).toEqual([1.5, 1.4]);
	});

	it('take the hottest part of each session, without the air', () => {
		const warm = entry(1, {
			kind: 'test',
			task: 'temperatures',
			grade: 'measured',
			verdict: 'pass',
			headline: '',
			reasons: [],
			sourceName: '',
			figures: [
				{ label: 'Air', value: 61, unit: '°C' },
				{ label: 'front left motor', value: 48, unit: '°C' },
				{ label: 'rear motor', value: 55, unit: '°C' },
			],
		});
		expect(trendsOf([warm]).find(({ id }) => id === 'hot')?.points[0].value).toBe(55);
	});

	it('tell minutes and landings of each flight', () => {
		const flight = (what: string, seq: number, minute: number, more = {}) => ({
			...entry(1, { kind: 'flight', task: 'flying', what, note: '', landAfterMin: null, ...more }, seq),
			at: `2026-04-01T10:${String(minute).padStart(2, '0')}:00.000Z`,
		});
		const landing = { distanceM: 1.6, bearingDeg: 90, how: 'tape', powerUp: 'a', circling: false };
		const trends = trendsOf([
			flight('took-off', 1, 0),
			flight('landed', 2, 12),
			flight('touched-down', 3, 13, { landing }),
		]);
		expect(trends.find(({ id }) => id === 'minutes')?.points[0].value).toBe(12);
		expect(trends.find(({ id }) => id === 'landing')?.points[0].value).toBe(1.6);
	});
});

describe('figures in the pilot’s own units', () => {
	it('are the same metres, and keep which was the first good one', () => {
		const [wander] = trendsOf([hover(1, 4, 'fail'), hover(2, 1.5)]);
		const feet = trendIn(wander, 'imperial');
		expect(feet.unit).toBe('ft');
		expect(feet.points[1].value).toBeCloseTo(1.5 / 0.3048, 6);
		expect(feet.baseline).toBe(feet.points[1]);
		expect(trendIn(wander, 'metric').points).toEqual(wander.points);
	});
});

describe('before and after a change', () => {
	const trend = (values: number[]) => trendsOf(values.map((value, k) => hover(k + 1, value)))[0];
	it('says a difference that stands out, and needs no more', () => {
		const found = beforeAfter(trend([3, 3.2, 3.1, 1.1, 1.2, 1]), day(4));
		expect(found?.comparison.verdict).toBe('pass');
		expect(found?.comparison.reasons[0].code).toBe('better');
		expect(found?.more).toBe(0);
	});
	it('says how many more would settle one that does not yet, and that nothing near would', () => {
		const near = beforeAfter(trend([3, 2, 3.4, 2.1, 2.4, 1.6]), day(4));
		expect(near?.comparison.reasons[0].code).toBe('no-difference');
		expect(near?.more).toBeGreaterThan(0);
		expect(near?.more).toBeLessThan(31);
		expect(beforeAfter(trend([3, 1, 2, 2.02, 3, 1]), day(4))?.more).toBeNull();
	});
	it('compares nothing where a side is empty, and one value a side without its uncertainty is no comparison', () => {
		expect(beforeAfter(trend([3, 2]), day(9))).toBeNull();
		expect(beforeAfter(trend([3, 2]), day(2))?.comparison.verdict).toBe('fail');
	});
	it('knows its changes in order', () => {
		const events = [{ id: 'e', at: day(5), kind: 'part' as const, note: 'new rear motor' }];
		expect(changesOf({ events }, [{ at: day(2), words: 'Compass calibrated' }], { part: 'Part changed' })).toEqual([
			{ at: day(2), words: 'Compass calibrated' },
			{ at: day(5), words: 'Part changed: new rear motor' },
		]);
	});
});
