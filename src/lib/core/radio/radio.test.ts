import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { seededRng } from '../math/random';
import { curve, reviewCurve } from './curve';
import { solveOrder, type Gesture } from './order';
import { reviewSticks } from './sticks';
import { auditSwitches } from './switches';
import { recordSticks, type StickTruth } from '../../rig/sticks';

const good: StickTruth = {
	name: 'roll',
	centre: 0,
	low: -1,
	high: 1,
	hysteresis: 0,
	noise: 0.002,
	bend: 0,
	selfCentring: true,
};
const review = (truth: Partial<StickTruth>, seed = 1) => {
	const { t, axes } = recordSticks([{ ...good, ...truth }], seededRng(seed));
	return reviewSticks({ t, axes });
};
const codes = (a: { reasons: { code: string; level?: string | undefined }[] }) =>
	a.reasons.filter(({ level }) => level !== 'pass').map(({ code }) => code);

describe('a stick that is right', () => {
	it('passes, with its centre, ends and noise found', () => {
		const answer = review({});
		expect(answer.verdict).toBe('pass');
		const [stick] = answer.sticks;
		expect(stick.centre).toBeCloseTo(0, 2);
		expect(stick.low).toBeCloseTo(-1, 1);
		expect(stick.high).toBeCloseTo(1, 1);
		expect(stick.jitter).toBeGreaterThan(0.001);
		expect(stick.jitter).toBeLessThan(0.004);
		expect(stick.deadBand).toBeCloseTo(3 * (stick.jitter ?? 0) + (stick.hysteresis ?? 0), 9);
	});
});

describe('a stick with a known fault', () => {
	it.each([
		['centre-off', { centre: 0.08 }],
		['hysteresis', { hysteresis: 0.05 }],
		['jitter', { noise: 0.02 }],
		['travel-short', { high: 0.85 }],
		['asymmetry', { high: 0.8 }],
		['bend', { bend: 0.25 }],
	] as const)('is found: %s', (code, truth) => expect(codes(review(truth))).toContain(code));

	it('has its hysteresis measured', () =>
		expect(review({ hysteresis: 0.05 }).sticks[0].hysteresis).toBeCloseTo(0.05, 2));

	it('finds centre and ends wherever they are', () =>
		fc.assert(
			fc.property(evenly(-0.1, 0.1), evenly(0.6, 1), (centre, high) => {
				const [stick] = review({ centre, high }, 7).sticks;
				expect(stick.centre).toBeCloseTo(centre, 1.5);
				expect(stick.high).toBeCloseTo(high, 1.5);
			}),
			{ numRuns: 25 },
		));
});

describe('a recording that does not show enough', () => {
	it('is refused: never moved, too short, never at rest', () => {
		const t = Array.from({ length: 300 }, (_, k) => k / 50);
		expect(codes(reviewSticks({ t, axes: [{ name: 'yaw', values: t.map(() => 0.01) }] }))).toEqual([
			'insufficient-travel',
		]);
		expect(codes(reviewSticks({ t: [0, 0.1], axes: [{ name: 'yaw', values: [0, 1] }] }))).toEqual([
			'insufficient-samples',
		]);
		const sweep = t.map((s) => Math.sin(4 * s));
		expect(codes(reviewSticks({ t, axes: [{ name: 'yaw', values: sweep }] }))).toContain('insufficient-rest');
	});
	it('names the channel and sample that is out of range or missing', () => {
		const t = Array.from({ length: 30 }, (_, k) => k / 10);
		expect(() => reviewSticks({ t, axes: [{ name: 'yaw', values: t.map((s) => (s === 1 ? 1500 : 0)) }] })).toThrow(
			'sample 11',
		);
		expect(() => reviewSticks({ t, axes: [{ name: 'yaw', values: [1] }] })).toThrow('1 values');
		expect(() => reviewSticks({ t, axes: [] })).toThrow('no channel');
	});
});

describe('channel order from four gestures', () => {
	const push = (to: number) => Array.from({ length: 40 }, (_, k) => (k < 10 ? 0 : (to * Math.min(10, k - 10)) / 10));
	const still = Array.from({ length: 40 }, () => 0.01);
	const gestures = (order: number[], signs: number[]): Gesture[] =>
		(['roll-right', 'pitch-forward', 'yaw-right', 'throttle-up'] as const).map((asked, k) => ({
			asked,
			channels: [0, 1, 2, 3].map((c) => (c === order[k] ? push(signs[k]) : still)),
		}));

	it('finds every order and every reversal', () =>
		fc.assert(
			fc.property(
				fc.shuffledSubarray([0, 1, 2, 3], { minLength: 4 }),
				fc.array(fc.constantFrom(1, -1), { minLength: 4, maxLength: 4 }),
				(order, signs) => {
					const { channels } = solveOrder(gestures(order, signs));
					expect(channels.map(({ channel }) => (channel ?? 0) - 1)).toEqual(order);
					expect(channels.map(({ reversed }) => reversed)).toEqual(signs.map((s) => s < 0));
				},
			),
		));
	it('passes the plain order, cautions a reversal', () => {
		expect(solveOrder(gestures([0, 1, 2, 3], [1, 1, 1, 1])).verdict).toBe('pass');
		expect(solveOrder(gestures([0, 1, 2, 3], [1, -1, 1, 1])).reasons[0].code).toBe('reversed');
	});
	it('refuses two channels at once, one channel twice, and no movement', () => {
		expect(codes(solveOrder(gestures([0, 0, 2, 3], [1, 1, 1, 1])))).toContain('same-channel');
		const both = gestures([0, 1, 2, 3], [1, 1, 1, 1]);
		both[0] = { asked: 'roll-right', channels: [push(1), push(1), still, still] };
		expect(codes(solveOrder(both))).toContain('two-moved');
		both[0] = { asked: 'roll-right', channels: [still, still, still, still] };
		expect(codes(solveOrder(both))).toContain('insufficient-movement');
		expect(() => solveOrder(both.slice(1))).toThrow('roll-right is missing');
	});
});

describe('switches', () => {
	const three = { name: 'left top', channel: 5, positions: [-1, 0, 1] };
	const two = { name: 'right top', channel: 6, positions: [-1, 1] };
	const flight = (does: string, low: number, high: number) => ({
		does,
		role: 'flight' as const,
		channel: 5,
		low,
		high,
	});
	const arm = { does: 'arm', role: 'arm' as const, channel: 6, low: 0.4, high: 1 };
	const sound = {
		switches: [three, two],
		ranges: [
			flight('self-level', -1, -0.5),
			flight('position hold', -0.5 + 1e-3, 0.5),
			{ ...flight('return home', 0.5 + 1e-3, 1), role: 'return' as const },
			arm,
		],
		linkLoss: [],
	};
	it('are clear where every position has its range', () => {
		const answer = auditSwitches(sound);
		expect(answer.verdict).toBe('pass');
		expect(answer.positions.map(({ active }) => active)).toEqual([
			['self-level'],
			['position hold'],
			['return home'],
			[],
			['arm'],
		]);
	});
	it.each([
		['overlap', { ranges: [...sound.ranges, flight('height hold', -0.2, 0.2)] }],
		['armed-at-rest', { ranges: [...sound.ranges.slice(0, 3), { ...arm, low: -1, high: -0.5 }] }],
		['armed-by-loss', { linkLoss: [{ channel: 6, value: 1 }] }],
		['unreachable', { ranges: [...sound.ranges, { ...arm, does: 'beeper', role: 'beeper' as const, channel: 9 }] }],
		['edge-near', { switches: [{ ...three, positions: [-0.52, 0, 1] }, two] }],
		[
			'self-righting-at-rest',
			{
				ranges: [
					...sound.ranges,
					{ ...arm, does: 'self-righting', role: 'self-righting' as const, low: -1, high: -0.6 },
				],
			},
		],
		[
			'throttle-cut',
			{
				ranges: [...sound.ranges, { ...arm, does: 'cut', role: 'throttle-cut' as const, channel: 7 }],
				switches: [...sound.switches, { name: 'b', channel: 7, positions: [-1, 1] }],
			},
		],
		['no-arm', { ranges: sound.ranges.slice(0, 3) }],
		['insufficient-switches', { switches: [] }],
	])('with a trap: %s', (code, change) => expect(codes(auditSwitches({ ...sound, ...change }))).toContain(code));
	it('refuse a range upside down', () =>
		expect(() => auditSwitches({ ...sound, ranges: [{ ...arm, low: 1, high: 0 }] })).toThrow('upper end'));
});

describe('a stick curve', () => {
	it('is odd, rises, and keeps its ends, for every curve', () =>
		fc.assert(
			fc.property(evenly(0, 1), evenly(0, 0.99), (e, x) => {
				expect(curve(e, -x)).toBeCloseTo(-curve(e, x), 12);
				expect(curve(e, x + 0.01)).toBeGreaterThan(curve(e, x));
				expect(curve(e, 1)).toBeCloseTo(1, 12);
			}),
		));
	it('gives the figures that can be checked by hand', () => {
		const answer = reviewCurve({ expo: 0.5, maxRateDegPerS: 360, comfortLowDegPerS: 90, comfortHighDegPerS: 180 });
		expect(answer.to90S).toBeCloseTo(0.25, 9);
		expect(answer.centreDegPerSPerTenth).toBeCloseTo(360 * (0.5 * 0.001 + 0.5 * 0.1), 9);
		expect(curve(0.5, answer.calmTravel)).toBeCloseTo(0.5, 9);
		expect(answer.reasons[0].code).toBe('faster-than-comfort');
		expect(reviewCurve({ expo: 0, maxRateDegPerS: 150, comfortLowDegPerS: 90, comfortHighDegPerS: 180 }).verdict).toBe(
			'pass',
		);
		expect(
			reviewCurve({ expo: 0, maxRateDegPerS: 50, comfortLowDegPerS: 90, comfortHighDegPerS: 180 }).reasons[0].code,
		).toBe('slower-than-comfort');
	});
});
