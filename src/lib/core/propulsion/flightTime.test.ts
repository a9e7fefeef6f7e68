import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flightTimeAnswerSchema, flightTimeRequestSchema } from '../../schema/flightTime';
import { seededRng } from '../math/random';
import { estimateFlightTime } from './flightTime';

type Request = Parameters<typeof flightTimeRequestSchema.parse>[0] & object;
const PACK = { id: 'p1', nominalMah: 5000, nominalWh: 74 };
const LEVELS = { alarmPct: 30, landPct: 20 };
const ask = (more: Record<string, unknown>) =>
	estimateFlightTime(
		flightTimeRequestSchema.parse({ pack: PACK, levels: LEVELS, flights: [], ...more } satisfies Request),
	);
const codes = (more: Record<string, unknown>) => ask(more).reasons.map(({ code }) => code);
const flown = (n: number, more: object = {}) =>
	Array.from({ length: n }, (_, k) => ({ pack: 'p1', minutes: 14, usedMah: 3500 + 20 * k, ...more }));

describe('an aircraft that has flown', () => {
	it('is known by what it used: seventy per cent in fourteen minutes is five a minute', () => {
		const answer = ask({ flights: flown(8) });
		expect(answer.ratePctPerMin).toBeCloseTo(5.06, 1);
		expect(answer.toAlarm.medianMin).toBeCloseTo(13.5, 0);
		expect(answer.toAlarm.q10Min).toBeLessThan(answer.toAlarm.medianMin ?? 0);
		expect(answer.source).toBe('flights');
		expect(answer.verdict).toBe('pass');
		expect(flightTimeAnswerSchema.parse(answer)).toEqual(answer);
	});

	it('has a timer in half minutes, before the alarm and before landing with the minutes that takes', () => {
		const { timerMin, toAlarm, toLand } = ask({ flights: flown(8), landMin: 4 });
		expect((timerMin ?? 0) % 0.5).toBe(0);
		const earlier = Math.min(toAlarm.q10Min ?? 0, (toLand.q10Min ?? 0) - 4);
		expect(timerMin).toBeLessThanOrEqual(earlier);
		expect(timerMin).toBeGreaterThan(earlier - 0.5);
	});

	it('flies shorter from a pack that is not full, that is cold, or that is old', () => {
		const usual = ask({ flights: flown(5) }).toAlarm.medianMin ?? 0;
		for (const more of [{ startPct: 80 }, { tempC: 0 }, { pack: { ...PACK, cycles: 300 } }])
			expect(ask({ flights: flown(5), ...more }).toAlarm.medianMin, JSON.stringify(more)).toBeLessThan(usual);
		expect(ask({ flights: flown(5), tempC: 35 }).toAlarm.medianMin).toBeCloseTo(usual, 9);
	});

	it('by rest volts alone sees the real capacity: its factor is one', () => {
		const rest = { usedMah: undefined, rest: { beforePct: 98, afterPct: 28 } };
		const { capacity, ratePctPerMin } = ask({ flights: flown(5, rest) });
		expect(capacity).toMatchObject({ factor: 1, sigmaLn: 0 });
		expect(ratePctPerMin).toBeCloseTo(5, 1);
	});

	it('counted and read by rest volts, teaches what the pack really holds', () => {
		// 3500 mAh of 5000 printed emptied it by 80 %: it holds 4375.
		const both = { rest: { beforePct: 98, afterPct: 18 } };
		const { capacity } = ask({ flights: flown(12, { ...both, usedMah: 3500 }) });
		expect(capacity.factor).toBeCloseTo(0.875, 1);
		expect(capacity.sigmaLn).toBeLessThan(0.03);
		const cold = Array.from({ length: 24 }, (_, k) => ({
			pack: 'p1',
			minutes: 10,
			tempC: k % 2 ? -5 : 20,
			usedMah: 3000,
		}));
		const seen = cold.map((f) => ({ ...f, rest: { beforePct: 95, afterPct: f.tempC < 0 ? 20 : 33 } }));
		expect(ask({ flights: seen }).capacity.temperature.known).toBe(true);
		expect(ask({ flights: flown(5) }).capacity.temperature.known).toBe(false);
	});
});

describe('nine flights in ten', () => {
	it.each([
		[0, 0.1, 0.5, 0.68],
		[1, 0.08, 0.64, 0.78],
		[3, 0.1, 0.7, 0.82],
		[10, 0.13, 0.75, 0.87],
	])('after %d flights: too few fall short, and not for being told far less', (n, most, least, greatest) => {
		const rng = seededRng(77 + n);
		let [short, share] = [0, 0];
		const trials = 400;
		for (let trial = 0; trial < trials; trial++) {
			const truth = Math.log((100 * 220) / (60 * 74)) + 0.25 * rng.normal();
			const counter = 0.03 * rng.normal();
			const own = 0.06 * rng.normal();
			const flights = Array.from({ length: n }, () => {
				const minutes = 6 + 8 * rng.uniform();
				const used = minutes * Math.exp(truth + own + 0.12 * rng.normal());
				return { pack: 'p1', minutes, usedMah: 50 * used * Math.exp(counter + 0.02 * rng.normal()) };
			}).filter(({ usedMah }) => usedMah < 5700);
			const { toAlarm } = ask({ flights, hoverW: 220 });
			const capacity = -0.03 + 0.05 * rng.normal();
			const lasts = (70 * Math.exp(capacity)) / Math.exp(truth + own + 0.12 * rng.normal());
			if (lasts < (toAlarm.q10Min ?? 0)) short++;
			share += (toAlarm.q10Min ?? 0) / (toAlarm.medianMin ?? 1) / trials;
		}
		expect(short / trials).toBeLessThanOrEqual(most);
		expect(share).toBeGreaterThan(least);
		expect(share).toBeLessThan(greatest);
	});
});

describe('what is left out', () => {
	it('is named with its reason, by its place in the list', () => {
		const flights = [
			{ pack: 'p1', minutes: 0.5, usedMah: 3000 },
			{ pack: 'p1', minutes: 10, usedMah: 100 },
			{ pack: 'p1', minutes: 10, usedMah: 6000 },
			{ pack: 'p1', minutes: 10, rest: { beforePct: 40, afterPct: 50 } },
			...flown(5),
			{ pack: 'p1', minutes: 100, usedMah: 3500 },
		];
		const { leftOut, used } = ask({ flights });
		expect(leftOut).toEqual([
			{ index: 0, why: 'too-short' },
			{ index: 1, why: 'too-short' },
			{ index: 2, why: 'implausible' },
			{ index: 3, why: 'rest-order' },
			{ index: 9, why: 'outlier' },
		]);
		expect(used).toBe(5);
	});

	it('is all but the newest forty', () => {
		expect(ask({ flights: flown(60) }).used).toBe(40);
	});
});

describe('the budget of rungs', () => {
	const rungs = [1, 2, 3, 4, 5, 6].map((k) => ({ name: `rung ${k}`, minutes: 3 }));
	it('keeps the longest beginning that fits, and says what is left', () => {
		const { budget, reasons } = ask({ flights: flown(10), rungs });
		expect(budget?.kept).toEqual(['rung 1', 'rung 2', 'rung 3', 'rung 4']);
		expect(budget?.dropped).toEqual(['rung 5', 'rung 6']);
		expect(budget?.enoughProbability).toBeGreaterThanOrEqual(0.9);
		expect(budget?.usedQ90Pct).toBeGreaterThan(budget?.usedPct ?? 0);
		expect(reasons.map(({ code }) => code)).toContain('rungs-dropped');
	});

	it('never keeps a short one behind one that does not fit', () => {
		const { budget } = ask({
			flights: flown(10),
			rungs: [
				{ name: 'long', minutes: 60 },
				{ name: 'short', minutes: 1 },
			],
		});
		expect(budget).toMatchObject({ kept: [], dropped: ['long', 'short'], usedPct: 0, usedQ90Pct: 0 });
	});

	it('fails where a required rung does not fit', () => {
		const required = [...rungs, { name: 'return', minutes: 4, required: true }];
		expect(ask({ flights: flown(10), rungs: required })).toMatchObject({ verdict: 'fail' });
		expect(codes({ flights: flown(10), rungs: required })[0]).toBe('required-dropped');
	});
});

describe('too little to tell', () => {
	it.each([
		['insufficient-flights', {}],
		['insufficient-pack', { pack: { id: 'p1' }, flights: flown(3) }],
		['from-hover-power', { hoverW: 220 }],
		['few-flights', { flights: flown(2) }],
		['other-packs-only', { flights: flown(4, { pack: 'p9' }) }],
		['cold-assumed', { flights: flown(4), tempC: 3 }],
		['start-not-full', { flights: flown(4), startPct: 90 }],
		['timer-too-short', { flights: flown(4), startPct: 35 }],
	] as const)('%s', (code, more) => {
		expect(codes(more)).toContain(code);
	});

	it('gives no number where nothing is known', () => {
		const answer = ask({});
		expect(answer).toMatchObject({ verdict: 'fail', timerMin: null, ratePctPerMin: null, source: null });
		expect(answer.toAlarm).toEqual({ medianMin: null, q10Min: null });
		expect(flightTimeAnswerSchema.parse(answer)).toEqual(answer);
	});

	it('says that a hover power without the pack’s Wh was not used', () => {
		const answer = ask({ pack: { id: 'p1', nominalMah: 5000 }, flights: flown(4), hoverW: 220 });
		expect(answer.source).toBe('flights');
		expect(answer.reasons.at(-1)?.text).toContain('The hover power was not used');
	});
});

describe('a request', () => {
	it.each([
		[{ levels: { alarmPct: 20, landPct: 30 } }, 'levels.landPct'],
		[{ startPct: 25 }, 'levels.alarmPct'],
		[{ flights: [{ pack: 'p1', minutes: 5 }] }, 'flights.0'],
	])('%j is refused at its field', (more, path) => {
		const parsed = flightTimeRequestSchema.safeParse({ pack: PACK, levels: LEVELS, flights: [], ...more });
		expect(parsed.error?.issues[0].path.join('.')).toBe(path);
	});
});

describe('any legal request', () => {
	const flight = fc.record(
		{
			pack: fc.constantFrom('p', 'q'),
			minutes: fc.double({ min: 2, max: 30, noNaN: true }),
			usedMah: fc.double({ min: 300, max: 4900, noNaN: true }),
			usedWh: fc.double({ min: 5, max: 70, noNaN: true }),
			rest: fc.record({
				beforePct: fc.double({ min: 70, max: 100, noNaN: true }),
				afterPct: fc.double({ min: 5, max: 60, noNaN: true }),
			}),
			tempC: fc.double({ min: -20, max: 40, noNaN: true }),
			cycles: fc.integer({ min: 0, max: 400 }),
		},
		{ requiredKeys: ['pack', 'minutes', 'usedMah'] },
	);
	const pack = fc.record(
		{
			id: fc.constant('p'),
			nominalMah: fc.constant(5000),
			nominalWh: fc.constant(74),
			cycles: fc.integer({ min: 0, max: 400 }),
		},
		{ requiredKeys: ['id'] },
	);
	const numbers = (value: unknown): number[] =>
		typeof value === 'number'
			? [value]
			: value && typeof value === 'object'
				? Object.values(value).flatMap(numbers)
				: [];
	it('is answered with finite figures, and the same in another order of its flights', () => {
		fc.assert(
			fc.property(fc.array(flight, { maxLength: 8 }), pack, fc.boolean(), (flights, ofPack, cold) => {
				const given = {
					pack: ofPack,
					levels: { alarmPct: 30, landPct: 20 },
					flights,
					...(cold ? { tempC: -5 } : {}),
				};
				const answer = estimateFlightTime(flightTimeRequestSchema.parse(given));
				expect(numbers(answer).every(Number.isFinite)).toBe(true);
				const turned = estimateFlightTime(flightTimeRequestSchema.parse({ ...given, flights: flights.toReversed() }));
				if (answer.ratePctPerMin && turned.ratePctPerMin)
					expect(turned.ratePctPerMin / answer.ratePctPerMin).toBeCloseTo(1, 6);
				if (answer.verdict === 'fail') expect(answer.reasons.some(({ code }) => code === 'timer-set')).toBe(false);
			}),
			{ numRuns: 400 },
		);
	});
	it('two flights of one other battery say less than two of two others', () => {
		const sigma = (packs: readonly string[]) =>
			estimateFlightTime(
				flightTimeRequestSchema.parse({
					pack: { id: 'p', nominalMah: 5000 },
					levels: { alarmPct: 30, landPct: 20 },
					flights: packs.map((id) => ({ pack: id, minutes: 12, usedMah: 3000 })),
				}),
			).rateSigmaLn ?? 0;
		expect(sigma(['q', 'q'])).toBeGreaterThan(sigma(['q', 'r']));
	});
});
