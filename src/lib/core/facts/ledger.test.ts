import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Entry, EntryPayload } from '../../schema/entries';
import { newAircraft } from '../../schema/newAircraft';
import { batteryOf as battery, entryOf, finding, reading } from './entries.fixture';
import { flightClock, type PlannedReturn } from './flightClock';
import { batteryLedger, burnRate, nominalWh, type BurnRate } from './ledger';

const AT = '2026-05-14T09:00:00.000Z';
const RATE: BurnRate = { pctPerMin: 5, sigmaLn: 0.1, source: 'flights', flights: 5 };
const list = (...payloads: EntryPayload[]): Entry[] => payloads.map((payload, seq) => entryOf(seq, payload));
const flight = (what: 'took-off' | 'landed'): EntryPayload => ({
	kind: 'flight',
	task: 'flying',
	what,
	note: '',
	landAfterMin: null,
});
const hovered = (flownS: number): EntryPayload => ({ ...reading('first-rung', 0, ''), value: null, flownS });

describe('battery ledger', () => {
	it('an untouched battery is full by default, a charged one by its record', () => {
		expect(batteryLedger(battery(), { entries: [] }, RATE)).toMatchObject({ planPct: 100, basis: 'default' });
		expect(batteryLedger(battery({ state: 'charged' }), { entries: [] }, RATE)).toMatchObject({
			planPct: 100,
			basis: 'record',
		});
	});

	it('a used battery is never taken as full', () => {
		expect(batteryLedger(battery({ state: 'used' }), { entries: [] }, RATE).planPct).toBeNull();
		const read = batteryLedger(
			battery({ state: 'used' }),
			{ entries: list(reading('pack-voltage', 3.7, 'V per cell')) },
			RATE,
		);
		expect(read.basis).toBe('measured');
		expect(read.planPct).toBeLessThan(20);
	});

	it('a test hover draws its own time, one nobody timed a usual minute', () => {
		const hover = finding('hover', 'pass');
		const minutes = (payload: EntryPayload) => batteryLedger(battery(), { entries: list(payload) }, RATE).flownSinceMin;
		expect(minutes({ ...hover, flownS: 90 })).toBeCloseTo(1.5, 9);
		expect(minutes(hover)).toBe(1);
	});

	it('hover steps draw from it: afterwards the lower bound is used', () => {
		const entries = list(reading('pack-voltage', 4.2, 'V per cell'), hovered(60), hovered(120));
		const ledger = batteryLedger(battery(), { entries }, RATE);
		expect(ledger.pct).toBeCloseTo(85, 6);
		expect(ledger.planPct).toBeLessThan(85);
		expect(ledger.flownSinceMin).toBeCloseTo(3, 9);
	});

	it('a flight draws its own minutes, and a step inside it nothing more', () => {
		const entries = list(reading('pack-voltage', 100, '%'), flight('took-off'), hovered(60), flight('landed'));
		// Entries are a minute apart: two minutes in the air.
		expect(batteryLedger(battery({ chemistry: 'percent' }), { entries }, RATE).pct).toBeCloseTo(90, 6);
	});

	it('a reading between two flights begins a new line', () => {
		const entries = list(flight('took-off'), flight('landed'), reading('pack-between', 62, '%'));
		const ledger = batteryLedger(battery({ chemistry: 'percent' }), { entries }, RATE);
		expect([ledger.planPct, ledger.flownSinceMin]).toEqual([62, 0]);
	});

	it('without a burn rate the charge is unknown after the first minute', () => {
		expect(batteryLedger(battery(), { entries: list(hovered(60)) }, null).planPct).toBeNull();
	});

	it('what another battery flew is not drawn from this one', () => {
		const session = (id: string): EntryPayload => ({
			kind: 'session',
			task: 'session',
			what: 'changed',
			purpose: 'flight',
			title: 'T',
			pilot: 'P',
			startedAt: AT,
			endedAt: null,
			aircraft: { id: 'a', name: 'Dunlin' },
			site: null,
			pack: { id, name: id },
			reason: '',
		});
		const entries = list(session('q'), hovered(60), session('p'), hovered(30));
		expect(batteryLedger(battery(), { entries }, RATE).flownSinceMin).toBeCloseTo(0.5, 9);
	});

	it('earlier sessions count until the battery was charged again', () => {
		const past = list(reading('pack-voltage', 100, '%'), hovered(600));
		const flown = batteryLedger(battery({ state: 'used', chemistry: 'percent' }), { past, entries: [] }, RATE);
		expect(flown.pct).toBeCloseTo(50, 6);
		const stateAt = new Date(Date.UTC(2026, 4, 14, 12)).toISOString();
		const charged = battery({ state: 'charged', stateAt, chemistry: 'percent' });
		expect(batteryLedger(charged, { past, entries: [] }, RATE).pct).toBe(100);
	});

	it('simulated minutes fly no real battery', () => {
		const entries = list({ ...hovered(60), grade: 'rehearsed' } as EntryPayload);
		expect(batteryLedger(battery(), { entries }, RATE).flownSinceMin).toBe(0);
		expect(batteryLedger(battery(), { entries }, RATE, { rehearsal: true }).flownSinceMin).toBe(1);
	});

	it('burn rate: flights before a stated power, that before stated minutes', () => {
		const craft = { ...newAircraft('a', 'multirotor', AT), flies: { hoverW: 222 } };
		const pack = battery({ flightMin: 16 });
		expect(burnRate(craft, pack, { ratePctPerMin: 4, rateSigmaLn: 0.2, used: 2 })?.source).toBe('flights');
		const powered = burnRate(craft, pack, null);
		expect(powered?.pctPerMin).toBeCloseTo((100 * 222) / 60 / nominalWh(pack), 9);
		expect(burnRate({ flies: {} }, pack, null)?.pctPerMin).toBeCloseTo(5, 9);
		expect(burnRate({}, battery(), null)).toBeNull();
	});
});

describe('flight clock', () => {
	const plan: PlannedReturn = { turnBackMin: 12, startPct: 100, homeS: 90, hoverW: 222, hoverSigmaW: 22 };
	const at = (planPct: number) => ({ ...batteryLedger(battery(), { entries: [] }, RATE), planPct });

	it('takes the smallest that applies and names it', () => {
		const clock = flightClock(battery({ flightMin: 18 }), at(100), { estimate: null, typedMin: null, plan });
		expect(clock.landBy).toBe('return');
		expect(clock.landByMin).toBeCloseTo(13.5, 9);
		expect(flightClock(battery(), at(100), { estimate: { timerMin: 8 }, typedMin: 6, plan })).toMatchObject({
			landBy: 'typed',
			landByMin: 6,
			turnBack: 'land-by',
			turnBackMin: 4.5,
		});
	});

	it('stated minutes shrink with the charge', () => {
		const clock = flightClock(battery({ flightMin: 16 }), at(60), { estimate: null, typedMin: null, plan: null });
		expect(clock.landByMin).toBeCloseTo(8, 9);
	});

	it('says nothing where nothing is known', () => {
		expect(flightClock(null, null, { estimate: null, typedMin: null, plan: null })).toMatchObject({
			landByMin: null,
			turnBackMin: null,
			landBy: 'none',
		});
	});

	it('landing is never later than turning back plus the flight home, and less charge is never more time', () => {
		const minutes = fc.integer({ min: 10, max: 400 }).map((n) => n / 10);
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 100 }),
				fc.integer({ min: 0, max: 100 }),
				fc.option(minutes),
				fc.option(minutes),
				fc.option(minutes),
				minutes,
				fc.integer({ min: 20, max: 600 }),
				(a, b, timerMin, typedMin, flightMin, turnBackMin, homeS) => {
					const planned = { ...plan, turnBackMin, homeS };
					const pack = battery(flightMin === null ? {} : { flightMin });
					const made = (pct: number) =>
						flightClock(pack, at(pct), {
							estimate: timerMin === null ? null : { timerMin: (timerMin * pct) / 100 },
							typedMin,
							plan: planned,
						});
					for (const { landByMin, turnBackMin: turn } of [made(a), made(b)]) {
						if (landByMin === null || turn === null) throw new Error('a planned return gives both');
						expect(landByMin).toBeLessThanOrEqual(turn + homeS / 60 + 1e-9);
						if (typedMin !== null) expect(landByMin).toBeLessThanOrEqual(typedMin);
					}
					const [low, high] = a < b ? [made(a), made(b)] : [made(b), made(a)];
					expect(low.landByMin ?? 0).toBeLessThanOrEqual((high.landByMin ?? 0) + 1e-9);
				},
			),
		);
	});
});
