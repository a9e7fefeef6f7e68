import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Layout, Outcome, ResponseRequest } from '../../schema/response';
import { seededRng } from '../math/random';
import { shownBy } from './checks';
import { diagnoseResponse } from './diagnose';
import { hypothesesOf, type Hypothesis } from './hypotheses';
import { motorsOf, type Motor } from './layouts';
import { growthOf, likelihood, OUTCOMES, predict, responseMatrix, TESTS, thrustFactors } from './observation';
import { CHECKS } from './words';

const LAYOUTS: Layout[] = ['quad-x', 'quad-plus', 'hex-x', 'hex-plus', 'octo-x', 'y6'];
const LETTER: Record<string, Outcome> = {
	c: 'as-commanded',
	o: 'opposite',
	x: 'swapped-axis',
	f: 'flips',
	s: 'spins',
	q: 'squats',
	n: 'none',
	'-': 'not-tried',
};
const seen = (letters: string, layout: Layout = 'quad-x'): ResponseRequest => ({
	layout,
	spin: 'front-inward',
	observed: {
		rollRight: LETTER[letters[0]],
		pitchForward: LETTER[letters[1]],
		yawRight: LETTER[letters[2]],
		throttle: LETTER[letters[3]],
	},
});

describe('a right aircraft', () => {
	it.each(LAYOUTS)('%s answers each command with that command, in both spin schemes', (layout) => {
		for (const spin of ['front-inward', 'front-outward'] as const) {
			const motors = motorsOf(layout, spin);
			const [right] = hypothesesOf(layout, motors);
			responseMatrix(right, motors).forEach((row, i) =>
				row.forEach((value, j) => expect(value).toBeCloseTo(i === j ? 1 : 0, 12)),
			);
		}
	});
});

describe('propellers and motors', () => {
	const factor = (sigma: number, hand: number, over: boolean) =>
		thrustFactors({ sigma: [sigma], hand: [hand], over: [over] } as Hypothesis)[0];
	it('a propeller turned over still blows down, weakly; one of the wrong hand blows up', () => {
		expect(factor(1, 1, false)).toBe(1);
		expect(factor(1, 1, true)).toBe(0.55);
		expect(factor(1, -1, false)).toBe(-0.55);
		expect(factor(-1, 1, false)).toBe(-0.55);
		expect(factor(1, -1, true)).toBe(-1);
		expect(factor(-1, -1, false)).toBe(1);
		expect(factor(0, 1, false)).toBe(0);
	});
});

describe('the posterior', () => {
	it.each([
		['----', 'no-fault', 0.39, 'rollRight', 0.87],
		['ccc-', 'no-fault', 0.64, 'throttle', 0.64],
		['cccc', 'no-fault', 0.88, 'prop-inspection', 0.56],
		['cccf', 'motor-reversed', 0.46, 'spin-check', 1.49],
		['ccoc', 'rc-yaw-reversed', 0.66, 'rc-monitor', 1],
		['cccs', 'motor-reversed', 0.36, 'spin-check', 1.46],
		['oocc', 'nose-reversed', 0.58, 'rc-monitor', 1.03],
		['xxcf', 'motor-order-pair', 0.37, 'motor-order-check', 1.1],
		['qqqq', 'props-all-wrong', 0.61, 'prop-inspection', 0.97],
	])('%s: %s at %s, next %s worth %s bits (worked table)', (letters, fault, p, next, bits) => {
		const answer = diagnoseResponse(seen(letters));
		expect(answer.ranked[0].fault).toBe(fault);
		expect(answer.ranked[0].probability).toBeCloseTo(p, 2);
		expect(answer.nextTest.code).toBe(next);
		expect(answer.nextTest.gainBits).toBeCloseTo(bits, 2);
	});

	it('is a distribution, sorted, whatever is seen; and asks for a powered test only while nothing is wrong', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...LAYOUTS),
				fc.array(fc.constantFrom(...Object.keys(LETTER)), { minLength: 4, maxLength: 4 }),
				(layout, letters) => {
					const answer = diagnoseResponse(seen(letters.join(''), layout));
					const total = answer.ranked.reduce((sum, { probability }) => sum + probability, 0);
					const sorted = answer.ranked.every((row, k, all) => k === 0 || all[k - 1].probability >= row.probability);
					const wrong = letters.some((l) => l !== 'c' && l !== '-');
					const powered = (TESTS as readonly string[]).includes(answer.nextTest.code);
					const safe = letters.every((l) => l === 'c');
					return (
						Math.abs(total - 1) < 1e-9 &&
						sorted &&
						!(wrong && powered) &&
						answer.safeToContinue === safe &&
						(answer.verdict === 'pass') === safe
					);
				},
			),
			{ numRuns: 60, seed: 3 },
		);
	});

	it('names no single motor where the four tests cannot tell which', () => {
		const [top] = diagnoseResponse(seen('cccf')).ranked;
		expect(top.motors).toEqual(['FL', 'FR', 'BR', 'BL']);
	});

	it('keeps the throttle for last', () => {
		expect(diagnoseResponse(seen('c---')).nextTest.code).not.toBe('throttle');
	});
});

describe('every fault of every layout, as it would be seen', () => {
	it.each(LAYOUTS)('%s: the truth is among the first three in more than four of five draws', (layout) => {
		const motors = motorsOf(layout, 'front-inward');
		const rng = seededRng(4);
		let weight = 0;
		let found = 0;
		for (const h of hypothesesOf(layout, motors)) {
			const predicted = predict(h, motors);
			const letters = TESTS.map((test) => {
				let u = rng.uniform();
				return OUTCOMES.find((outcome) => (u -= predicted[test][outcome] ?? 0) < 0) ?? 'none';
			});
			const { ranked } = diagnoseResponse({
				layout,
				spin: 'front-inward',
				observed: { rollRight: letters[0], pitchForward: letters[1], yawRight: letters[2], throttle: letters[3] },
			});
			weight += h.weight;
			if (ranked.slice(0, 3).some(({ fault }) => fault === h.fault)) found += h.weight;
		}
		expect(found / weight).toBeGreaterThan(0.8);
	});
});

/** Largest tilt or turn rate after 20 s of a loop with motor lag, begun from a small disturbance. */
function simulate(h: Hypothesis, motors: readonly Motor[]): number {
	const a = responseMatrix(h, motors);
	const times = (m: number[][], v: number[]) => m.map((row) => row.reduce((sum, value, k) => sum + value * v[k], 0));
	const gain = 6;
	const lag = 0.04;
	const dt = 0.002;
	let rate = [0.01, 0.007, 0.005];
	let thrust = [0, 0, 0];
	for (let t = 0; t < 20; t += dt) {
		const wanted = times(h.board, rate).map((seenRate) => -gain * seenRate);
		thrust = thrust.map((u, k) => u + (dt / lag) * (wanted[k] - u));
		const push = times(a, thrust);
		rate = rate.map((w, k) => w + dt * push[k]);
		if (Math.max(...rate.map(Math.abs)) > 10) return Infinity;
	}
	return Math.max(...rate.map(Math.abs));
}

describe('the loop', () => {
	it.each(LAYOUTS)(
		'%s: what runs away in a time simulation with motor lag is foreseen, and what is foreseen to run fast does',
		(layout) => {
			const motors = motorsOf(layout, 'front-inward');
			for (const h of hypothesesOf(layout, motors)) {
				const growth = growthOf(responseMatrix(h, motors), h.board);
				const end = simulate(h, motors);
				const name = `${h.fault} ${h.motors.join('+')}`;
				if (end > 0.05) expect(growth.unstable.some(Boolean), name).toBe(true);
				if (growth.fast.some(Boolean)) expect(end, name).toBeGreaterThan(0.05);
			}
		},
	);
});

describe('checks with the propellers off', () => {
	const checked = (letters: string, checks: ResponseRequest['checks'], layout: Layout = 'quad-x') =>
		diagnoseResponse({ ...seen(letters, layout), checks });

	it('not done change nothing', () => {
		const none = { 'spin-check': 'not-done', 'tilt-check': 'not-done' } as const;
		expect(checked('cccf', none)).toEqual(diagnoseResponse(seen('cccf')));
	});

	it.each([
		['cccf', { 'spin-check': 'one-wrong' }, 'motor-reversed'],
		['cccf', { 'spin-check': 'right', 'prop-inspection': 'one-wrong' }, 'prop-wrong'],
		['cccf', { 'spin-check': 'right', 'prop-inspection': 'right', 'tilt-check': 'wrong' }, 'board-yaw'],
		['xxcf', { 'motor-order-check': 'some-wrong' }, 'motor-order-pair'],
		['xxcf', { 'motor-order-check': 'right', 'tilt-check': 'right' }, 'props-same-hand'],
		['ccoc', { 'rc-monitor': 'wrong' }, 'rc-yaw-reversed'],
		['qqqq', { 'mode-check': 'wrong' }, 'self-righting-active'],
	] as const)('%s with %j points to %s', (letters, checks, fault) => {
		const [first] = checked(letters, checks).ranked;
		expect(first.fault).toContain(fault);
		expect(first.probability).toBeGreaterThan(0.35);
	});

	it('that found something wrong end the routine, whatever the nudges showed', () => {
		const answer = checked('cccc', { 'prop-inspection': 'some-wrong' });
		expect([answer.verdict, answer.safeToContinue, answer.reasons[0].code]).toEqual(['fail', false, 'check-wrong']);
		expect(checked('cccc', { 'prop-inspection': 'right' }).verdict).toBe('pass');
	});

	it('that are done are not asked for again', () => {
		const { nextTest } = diagnoseResponse(seen('cccf'));
		expect(checked('cccf', { [nextTest.code]: 'right' }).nextTest.code).not.toBe(nextTest.code);
	});

	it.each(LAYOUTS)('%s: after two advised checks the truth is among the first three in 95 of 100', (layout) => {
		const motors = motorsOf(layout, 'front-inward');
		const all = hypothesesOf(layout, motors);
		const rng = seededRng(4);
		let weight = 0;
		let found = 0;
		for (const h of all) {
			const predicted = predict(h, motors);
			const draw = (test: (typeof TESTS)[number]) => {
				let u = rng.uniform();
				return OUTCOMES.find((outcome) => (u -= likelihood(predicted[test], outcome)) < 0) ?? 'none';
			};
			const [rollRight, pitchForward, yawRight, throttle] = TESTS.map(draw);
			const observed = { rollRight, pitchForward, yawRight, throttle };
			const checks: NonNullable<ResponseRequest['checks']> = {};
			let answer = diagnoseResponse({ layout, spin: 'front-inward', observed, checks });
			for (let k = 0; k < 2; k++) {
				const code = CHECKS.find((c) => c === answer.nextTest.code);
				if (!code) break;
				checks[code] = shownBy(h, all[0], code);
				answer = diagnoseResponse({ layout, spin: 'front-inward', observed, checks });
			}
			weight += h.weight;
			if (answer.ranked.slice(0, 3).some(({ fault }) => fault === h.fault)) found += h.weight;
		}
		expect(found / weight).toBeGreaterThan(0.95);
	});
});
