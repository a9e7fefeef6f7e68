import { describe, expect, it } from 'vitest';
import type { Entry } from '../../schema/entries';
import { wayHome } from '../../rig/wayHome';
import { outcomeOf } from './plan';
import { returnTimes } from './returnTimes';
import { figure } from '../figures/figure';
import { judgeReturn, PHASES, provedReturns, taskOfTrigger, type FlownReturn, type Phase } from './returnTest';

const seen = (...times: (number | null)[]) =>
	Object.fromEntries(PHASES.map((phase, k) => [phase, times[k] ?? null])) as Record<Phase, number | null>;
const good: FlownReturn = {
	trigger: 'radio-off',
	distanceM: 110,
	heightM: 15,
	minDistanceM: 50,
	returnHeightM: 40,
	seenS: seen(2, 8, 26, 34, 58, 61),
	takenOverS: null,
	planned: { leastS: 50, mostS: 60 },
};
const HOVERING = wayHome({ position: { bearingDeg: 0, distanceM: 0, heightM: 0 } });
const codes = (change: Partial<FlownReturn>) =>
	judgeReturn({ ...good, ...change })
		.reasons.filter(({ level }) => level !== 'pass')
		.map(({ code }) => code);

describe('a flown return', () => {
	it('that turned, climbed, came back, landed and disarmed is right', () => {
		expect(judgeReturn(good)).toMatchObject({
			verdict: 'pass',
			headline: 'Returned with the transmitter off from 110 m and landed by itself',
		});
	});
	it.each<[string, Partial<FlownReturn>, string]>([
		['nearer than its minimum', { distanceM: 50 }, 'test-too-near'],
		['without a turn', { seenS: seen() }, 'no-reaction'],
		['that turned late', { seenS: seen(9, 12, 26, 34, 58, 61) }, 'reacts-late'],
		['that nobody saw climb', { seenS: seen(2, null, 26, 34, 58, 61) }, 'did-not-climb'],
		['that did not come back', { seenS: seen(2, 8) }, 'did-not-come'],
		['that stayed up', { seenS: seen(2, 8, 26) }, 'did-not-land'],
		['that kept its motors on', { seenS: seen(2, 8, 26, 34, 58) }, 'did-not-disarm'],
		['taken over', { seenS: seen(2, 8, 26), takenOverS: 40 }, 'taken-over'],
		['half as long again', { seenS: seen(2, 8, 70, 80, 95, 97) }, 'slower-than-planned'],
		['faster than it can fly', { seenS: seen(1, 2, 5, 6, 10, 12) }, 'faster-than-possible'],
	])('%s says so', (_, change, code) => {
		expect(codes(change)).toContain(code);
	});
	it('return test: no time of a plan for another distance is compared with', () => {
		const [near, far] = [40, 200].map((distanceM) => returnTimes(HOVERING, { distanceM, heightM: 15 }));
		if (!near || !far) throw new Error('both are within reach');
		expect(near.mostS).toBeLessThan(far.leastS);
		// Twice as slow as the plan for 40 m is no pass, though the plan for 200 m would be met.
		const twice = 2 * near.mostS;
		const flown = { distanceM: 40, minDistanceM: 20, seenS: seen(2, 8, twice - 20, twice - 10, twice, twice + 2) };
		expect(codes({ ...flown, planned: near })).toContain('slower-than-planned');
		expect(judgeReturn({ ...good, ...flown, seenS: seen(1, 2, 4, 6, 10, 11), planned: near }).verdict).toBe('fail');
	});
	it('return time: less against the wind than with it, and within the plan of each direction', () => {
		const times = returnTimes(HOVERING, { distanceM: 120, heightM: 20 });
		if (!times) throw new Error('within reach');
		for (const bearingDeg of [0, 90, 180, 270]) {
			const position = { ...HOVERING.position, bearingDeg, distanceM: 120, heightM: 20 };
			const s = outcomeOf({ ...HOVERING, position }).totalTimeS ?? NaN;
			expect(s).toBeGreaterThanOrEqual(times.leastS);
			expect(s).toBeLessThanOrEqual(times.mostS);
		}
	});
	it('above its return height need not climb', () => {
		expect(codes({ heightM: 45, seenS: seen(2, null, 26, 34, 58, 61) })).toEqual([]);
	});
	it('by the switch says that it is no loss', () => {
		expect(judgeReturn({ ...good, trigger: 'switch' }).reasons.map(({ code }) => code)).toContain('switch-is-not-loss');
	});
});

describe('what flown returns prove', () => {
	const entry = (at: string, trigger: FlownReturn['trigger'], verdict: 'pass' | 'fail', distanceM: number) =>
		({
			id: at,
			sessionId: 's',
			aircraftId: 'a',
			seq: 0,
			at,
			by: 'Pilot',
			station: 'hover',
			corrects: null,
			previous: '',
			hash: '',
			payload: {
				kind: 'test',
				task: taskOfTrigger(trigger),
				grade: 'seen',
				sourceName: '',
				headline: '',
				verdict,
				reasons: [],
				figures: [figure('return-distance', distanceM), figure('return-height', 20)],
			},
		}) as Entry;
	const all = [
		entry('2026-05-01T09:00:00.000Z', 'radio-off', 'pass', 90),
		entry('2026-05-03T09:00:00.000Z', 'switch', 'pass', 150),
		entry('2026-05-04T09:00:00.000Z', 'switch', 'fail', 300),
	];
	it('is the latest of each kind that did not fail', () => {
		expect(provedReturns(all, null)).toMatchObject([
			{ trigger: 'radio-off', distanceM: 90, heightM: 20 },
			{ trigger: 'switch', distanceM: 150 },
		]);
	});
	it('is undone by what came since', () => {
		expect(provedReturns(all, '2026-05-02T00:00:00.000Z').map(({ trigger }) => trigger)).toEqual(['switch']);
		expect(provedReturns(all, '2026-06-01T00:00:00.000Z')).toEqual([]);
	});
});
