import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import type { PackRequest } from '../../schema/power';
import { robustLine } from '../math/robustLine';
import { solveBalance } from './balance';
import { chargeOf } from './charge';
import { reviewPack } from './pack';

const pack: PackRequest = {
	chemistry: 'lipo',
	cellsV: [4.19, 4.19, 4.18, 4.19],
	temperatureC: 22,
	ratedMah: 5200,
	loadStep: { lightA: 2, lightV: 16.7, heavyA: 22, heavyV: 16.1 },
	history: [
		{ cycles: 10, mah: 5150 },
		{ cycles: 40, mah: 5060 },
		{ cycles: 70, mah: 4970 },
	],
	cycles: 100,
	reservePct: 25,
	hoverW: 210,
	warnPct: 30,
	actPct: 15,
};
const review = (change: Partial<PackRequest> = {}) => reviewPack({ ...pack, ...change });
const codes = (a: { reasons: { code: string; level?: string | undefined }[] }) =>
	a.reasons.filter(({ level }) => level !== 'pass').map(({ code }) => code);

describe('charge from the voltage at rest', () => {
	it('meets the ends and rises in between, for every chemistry', () =>
		fc.assert(
			fc.property(fc.constantFrom('lipo', 'lihv', 'liion', 'lifepo4'), evenly(2.5, 4.4), (c, v) => {
				const { pct, sigmaPct } = chargeOf(c, v);
				expect(pct).toBeGreaterThanOrEqual(0);
				expect(pct).toBeLessThanOrEqual(100);
				expect(chargeOf(c, v + 0.01).pct).toBeGreaterThanOrEqual(pct);
				expect(sigmaPct).toBeGreaterThanOrEqual(1);
			}),
		));
	it('is known worse where the curve is flat', () =>
		expect(chargeOf('lifepo4', 3.29).sigmaPct).toBeGreaterThan(3 * chargeOf('lipo', 4.1).sigmaPct));
});

describe('a healthy, full pack', () => {
	it('passes, with the figures that a hand would get', () => {
		const answer = review();
		expect(answer.verdict).toBe('pass');
		expect(answer.resistanceMohm).toBeCloseTo(30, 6);
		expect(answer.resistancePerCellMohm).toBeCloseTo(7.5, 6);
		// The line through the history falls by 3 mAh a cycle: 4880 at 100.
		expect(answer.capacityMah).toBeCloseTo(4880, 6);
		const whole = 4.88 * 3.7 * 4 * (0.94 + (0.06 * 12) / 15);
		expect(answer.usableWh).toBeCloseTo((whole * (answer.chargePct ?? 0)) / 100, 6);
		expect(answer.flightTimeS).toBeCloseTo((((answer.usableWh ?? 0) - 0.25 * whole) * 3600) / 210, 6);
		expect(answer.timerS).toBeLessThan(answer.flightTimeS ?? 0);
		expect(answer.warnAtS).toBeLessThan(answer.actAtS ?? 0);
	});
	it('flies shorter with more reserve, more power, more cold', () =>
		fc.assert(
			fc.property(evenly(1, 60), evenly(100, 400), (reservePct, hoverW) => {
				const base = review({ reservePct, hoverW }).flightTimeS ?? 0;
				expect(review({ reservePct: reservePct + 1, hoverW }).flightTimeS).toBeLessThanOrEqual(base);
				expect(review({ reservePct, hoverW: hoverW * 1.1 }).flightTimeS).toBeLessThanOrEqual(base);
				expect(review({ reservePct, hoverW, temperatureC: -5 }).flightTimeS).toBeLessThanOrEqual(base);
			}),
		));
});

describe('a pack with something wrong', () => {
	it.each([
		['cells-apart', { cellsV: [4.19, 4.02, 4.18, 4.19] }],
		['cells-uneven', { cellsV: [4.19, 4.14, 4.18, 4.19] }],
		['not-full', { cellsV: [3.9, 3.9, 3.9, 3.9] }],
		['nothing-left', { cellsV: [3.6, 3.6, 3.6, 3.6] }],
		['overcharged', { cellsV: [4.3, 4.19, 4.19, 4.19] }],
		['cell-dead', { cellsV: [0, 4.19, 4.19, 4.19] }],
		['resistance-high', { loadStep: { lightA: 2, lightV: 16.7, heavyA: 12, heavyV: 15.7 } }],
		['resistance-negative', { loadStep: { lightA: 2, lightV: 16, heavyA: 12, heavyV: 16.7 } }],
		['capacity-told', { history: [] }],
		['worn', { history: [{ cycles: 180, mah: 3900 }] }],
		['cold', { temperatureC: 2 }],
		['reserve-small', { reservePct: 5 }],
		['act-late', { actPct: 4 }],
	] as const)('is named: %s', (code, change) => expect(codes(review(change as Partial<PackRequest>))).toContain(code));
	it('has a load step and warning levels that can be', () => {
		expect(() => review({ loadStep: { lightA: 5, lightV: 16, heavyA: 5, heavyV: 15 } })).toThrow('more current');
		expect(() => review({ warnPct: 10, actPct: 15 })).toThrow('before the action');
	});
});

describe('a line by the median of slopes', () => {
	it('is not bent by a wrong point', () => {
		const x = [0, 10, 20, 30, 40, 50, 60];
		const y = x.map((v) => 5000 - 3 * v);
		y[3] = 2000;
		expect(robustLine(x, y)?.slope).toBeCloseTo(-3, 9);
		expect(robustLine(x, y)?.at(100)).toBeCloseTo(4700, 9);
		expect(robustLine([1, 1], [2, 3])).toBeNull();
	});
});

describe('balance', () => {
	const parts = [
		{ name: 'airframe', massG: 600, armMm: 30 },
		{ name: 'pack', massG: 300, armMm: -20 },
	];
	const solve = (change = {}) =>
		solveBalance({ parts, packIndex: 1, markMm: 18, noseHeavyMm: 8, armSigmaMm: 0, ...change });
	it('is the mass mean, and the shift brings it to the mark', () =>
		fc.assert(
			fc.property(evenly(-50, 80), (markMm) => {
				const answer = solve({ markMm });
				expect(answer.centreMm).toBeCloseTo((600 * 30 - 300 * 20) / 900, 9);
				const moved = parts.map((p, k) => (k === 1 ? { ...p, armMm: p.armMm + (answer.shiftPackMm ?? 0) } : p));
				expect(solve({ markMm, parts: moved }).errorMm).toBeCloseTo(0, 6);
			}),
		));
	it('advises to move the pack forward wherever the tail may be heavy', () =>
		fc.assert(
			fc.property(evenly(10, 17), evenly(0.5, 4), (markMm, armSigmaMm) => {
				const answer = solve({ markMm, armSigmaMm });
				const [first] = answer.reasons;
				if (first?.code === 'near-mark' || first?.code === 'tail-heavy') expect(first.next).toMatch(/forward/);
				else expect(answer.errorMm + answer.centreSigmaMm).toBeLessThanOrEqual(1e-9);
			}),
		));
	it('passes nose-heavy within the tolerance, cautions beyond it, fails tail-heavy', () => {
		expect(solve().verdict).toBe('pass');
		expect(solve({ markMm: 40 }).reasons[0].code).toBe('nose-heavy');
		expect(solve({ markMm: 5 }).verdict).toBe('fail');
		expect(solve({ markMm: 13, armSigmaMm: 4 }).reasons[0].code).toBe('near-mark');
	});
	it('names what is missing', () => {
		expect(() => solve({ parts: [{ name: 'a', massG: 0, armMm: 1 }] })).toThrow('mass');
		expect(() => solve({ packIndex: 7 })).toThrow('which part');
		expect(solve({ parts: [parts[0], { ...parts[1], massG: 0 }] }).shiftPackMm).toBeNull();
	});
});
