import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { edgePicture, surfacePicture } from '../../rig/pictures';
import { seededRng } from '../math/random';
import { reviewCeiling } from './ceiling';
import { reviewFeed } from './feed';
import { ratePerHectare, reviewFlow } from './flow';
import { measureSharpness } from './sharpness';
import { scoreTexture } from './texture';

const codes = (a: { reasons: { code: string; level?: string | undefined }[] }) =>
	a.reasons.filter(({ level }) => level !== 'pass').map(({ code }) => code);

describe('spraying', () => {
	const flow = {
		nozzles: [1, 2, 3, 4].map((k) => ({ name: `nozzle ${k}`, litres: 0.5 })),
		collectedS: 60,
		setLPerMin: 2,
		speedKmh: 18,
		swathM: 4,
		shownLPerMin: 2.02,
	};
	it('passes where the bucket holds what is set, with the rate a hand would get', () => {
		const answer = reviewFlow(flow);
		expect(answer.verdict).toBe('pass');
		expect(answer.ratePerHa).toBeCloseTo((600 * 2) / (18 * 4), 9);
		expect(answer.correction).toBeCloseTo(1, 9);
		expect(answer.nozzleCvPct).toBeCloseTo(0, 9);
	});
	it('is put right by its own correction', () =>
		fc.assert(
			fc.property(evenly(0.2, 3), (k) => {
				const off = reviewFlow({ ...flow, nozzles: flow.nozzles.map((n) => ({ ...n, litres: n.litres * k })) });
				expect((off.flowLPerMin * (off.correction ?? 0)) / flow.setLPerMin).toBeCloseTo(1, 9);
			}),
		));
	it('has a coefficient of variation that does not depend on the unit', () => {
		const uneven = [0.4, 0.5, 0.6].map((litres, k) => ({ name: `n${k}`, litres }));
		expect(reviewFlow({ ...flow, nozzles: uneven }).nozzleCvPct).toBeCloseTo(20, 9);
	});
	it.each([
		['flow-off', { nozzles: flow.nozzles.map((n) => ({ ...n, litres: 0.46 })) }],
		['flow-wrong', { nozzles: flow.nozzles.map((n) => ({ ...n, litres: 0.3 })) }],
		['nozzle-blocked', { nozzles: [...flow.nozzles.slice(1), { name: 'nozzle 1', litres: 0 }] }],
		['nozzle-blocked', { nozzles: [...flow.nozzles.slice(1), { name: 'nozzle 1', litres: 0.2 }] }],
		['nozzle-dry', { nozzles: flow.nozzles.map((n, k) => ({ ...n, litres: k < 2 ? 0 : n.litres })) }],
		['nozzles-uneven', { nozzles: [0.35, 0.5, 0.5, 0.65].map((litres, k) => ({ name: `n${k}`, litres })) }],
		['meter-off', { shownLPerMin: 2.5 }],
	])('names what is wrong: %s', (code, change) => expect(codes(reviewFlow({ ...flow, ...change }))).toContain(code));
	it.each([0, 0.2])(
		'no correction of the setting while a nozzle gives %d L: it would overdose once cleaned',
		(litres) => {
			const answer = reviewFlow({ ...flow, nozzles: [...flow.nozzles.slice(1), { name: 'nozzle 1', litres }] });
			expect(answer.correction).toBeNull();
			expect(codes(answer)).not.toContain('flow-wrong');
			expect(JSON.stringify(answer.reasons)).not.toMatch(/multiply/i);
		},
	);
	it('halves per hectare at twice the speed', () =>
		expect(ratePerHectare(2, 20, 4)).toBeCloseTo(2 * ratePerHectare(2, 40, 4), 12));
});

describe('spreading', () => {
	const feed = {
		setRpm: 60,
		turns: 60,
		seconds: 60,
		collectedG: 900,
		speedKmh: 18,
		swathM: 6,
		wantedKgPerHa: 5,
		fanSetRpm: 3000,
		fanRpm: 2950,
	};
	it('passes where feeder, rate and fan are as wanted', () => {
		const answer = reviewFeed(feed);
		expect(answer.gPerTurn).toBeCloseTo(15, 9);
		expect(answer.kgPerHa).toBeCloseTo((600 * 0.9) / (18 * 6), 9);
		expect(answer.verdict).toBe('pass');
	});
	it('gives the setting that brings what is wanted', () =>
		fc.assert(
			fc.property(evenly(200, 4000), (collectedG) => {
				const first = reviewFeed({ ...feed, collectedG });
				const rpm = first.setForWantedRpm ?? NaN;
				const again = reviewFeed({ ...feed, setRpm: rpm, turns: rpm, collectedG: first.gPerTurn * rpm });
				expect(again.kgPerHa).toBeCloseTo(5, 6);
			}),
		));
	it('names what is wrong', () => {
		expect(codes(reviewFeed({ ...feed, turns: 50 }))).toContain('feeder-wrong');
		expect(codes(reviewFeed({ ...feed, collectedG: 0 }))).toContain('nothing-fed');
		expect(codes(reviewFeed({ ...feed, collectedG: 1200 }))).toContain('rate-off');
		expect(codes(reviewFeed({ ...feed, fanRpm: 2000 }))).toContain('fan-off');
	});
});

describe('under a ceiling', () => {
	const room = {
		ceilingM: 4,
		holdM: 1.2,
		marginM: 0.5,
		things: [{ name: 'table', heightM: 0.8 }],
		followsSurface: true,
	};
	it('the tallest thing counts when the aircraft follows the surface', () => {
		expect(reviewCeiling(room).clearanceM).toBeCloseTo(1.5, 9);
		expect(reviewCeiling(room).verdict).toBe('pass');
		expect(reviewCeiling({ ...room, things: [{ name: 'shelf', heightM: 2.4 }] }).reasons[0].code).toBe('into-ceiling');
		expect(reviewCeiling({ ...room, ceilingM: 2.7 }).reasons[0].code).toBe('ceiling-near');
	});
	it('and is in the way when it does not', () =>
		expect(reviewCeiling({ ...room, followsSurface: false, holdM: 1 }).reasons[0].code).toBe('into-furniture'));
	it('the highest hold clears by exactly the margin', () =>
		fc.assert(
			fc.property(evenly(2, 20), (ceilingM) => {
				const holdM = reviewCeiling({ ...room, ceilingM }).highestHoldM;
				expect(reviewCeiling({ ...room, ceilingM, holdM }).clearanceM).toBeCloseTo(0, 9);
			}),
		));
});

describe('sharpness', () => {
	const at = (blur: number) =>
		measureSharpness(edgePicture(blur, seededRng(4)), { x: 0, y: 0, width: 480, height: 320 });
	it('grows with the blur drawn', () => {
		const widths = [0.5, 1, 2, 4].map((blur) => at(blur).edgePx ?? NaN);
		for (let k = 1; k < widths.length; k++) expect(widths[k]).toBeGreaterThan(widths[k - 1]);
		// A logistic edge goes from 10 to 90 % over 2·ln 9/1.702 of its blur.
		expect(widths[2]).toBeCloseTo((2 * Math.log(9) * 2) / 1.702, -0.1);
	});
	it('passes sharp, fails blurred, refuses a wall', () => {
		expect(at(0.5).verdict).toBe('pass');
		expect(at(4).reasons[0].code).toBe('blurred');
		const wall = surfacePicture('water', seededRng(2));
		expect(measureSharpness(wall, { x: 0, y: 0, width: 256, height: 256 }).reasons[0].code).toBe('insufficient-edges');
		expect(() => measureSharpness(wall, { x: 200, y: 0, width: 100, height: 100 })).toThrow('outside');
	});
});

describe('a landing surface', () => {
	const score = (kind: Parameters<typeof surfacePicture>[0]) => scoreTexture(surfacePicture(kind, seededRng(5)));
	it('of grass or a mat holds a downward camera', () => {
		expect(score('grass').verdict).toBe('pass');
		expect(score('mat').cornerShare).toBeGreaterThan(0.3);
	});
	it('of water, tiles or dusk does not, each for its own reason', () => {
		expect(score('water').reasons[0].code).toBe('featureless');
		expect(codes(score('tiles'))).toContain('repeats');
		expect(codes(score('dusk'))).toContain('too-dark');
	});
	it('must be large enough to judge', () =>
		expect(() => scoreTexture(surfacePicture('grass', seededRng(1), 32))).toThrow('64 pixels'));
});
