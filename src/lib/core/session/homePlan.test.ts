import { describe, expect, it } from 'vitest';
import type { EntryPayload } from '../../schema/entries';
import { newAircraft } from '../../schema/newAircraft';
import { type Aircraft, type Pack } from '../../schema/records';
import { batteryOf, entryOf, reading } from '../facts/entries.fixture';
import { gatherFacts } from '../facts/facts';
import { batteryLedger, burnRate } from '../facts/ledger';
import { actionAt, homeRequest, RESERVE_PCT, type HomeRequest } from './homePlan';

const AT = '2026-05-14T09:00:00.000Z';
const battery = batteryOf({ chemistry: 'percent' });
const craft: Aircraft = { ...newAircraft('a', 'multirotor', AT), name: 'Dunlin', lossAction: 'return' };
const flying: Aircraft = { ...craft, flies: { hoverW: 200, climbMps: 3 } };
const WIND: EntryPayload = { kind: 'wind', task: 'wind', grade: 'told', fromDeg: 360, speedMps: 4, gustMps: 6 };

interface Given {
	aircraft?: Aircraft;
	pack?: Pack | null;
	wind?: boolean;
	startPct?: number;
	flown?: { ratePctPerMin: number; rateSigmaLn: number; used: number } | null;
	more?: EntryPayload[];
}
function request({
	aircraft = flying,
	pack = battery,
	wind = true,
	startPct = 90,
	flown = null,
	more = [],
}: Given = {}) {
	const payloads = [...(wind ? [WIND] : []), reading('pack-voltage', startPct, '%'), ...more];
	const entries = payloads.map((payload, seq) => entryOf(seq, payload));
	const rate = pack && burnRate(aircraft, pack, flown);
	const facts = gatherFacts({ aircraft, pack, site: null, session: { kind: 'flight' }, entries });
	return homeRequest({ facts, pack, site: null, rate, ledger: pack && batteryLedger(pack, { entries }, rate) });
}
const made = (given: Given = {}): HomeRequest => {
	const found = request(given);
	if (Array.isArray(found)) throw new Error(`missing ${found.join()}`);
	return found;
};

describe('return plan request', () => {
	it('names what is missing', () => {
		expect(request({ wind: false, pack: null })).toEqual(['wind', 'pack']);
		expect(request({ aircraft: craft })).toEqual(['power']);
	});

	it('power: from flights before a stated power, from minutes where nothing else is', () => {
		const wh = 5 * 4 * 3.7;
		expect(made().request.aircraft.hoverW).toBeCloseTo(200, 9);
		const flown = made({ flown: { ratePctPerMin: 5, rateSigmaLn: 0.08, used: 3 } });
		expect(flown.request.aircraft.hoverW).toBeCloseTo(0.05 * wh * 60, 9);
		expect(flown.powerSigmaLn).toBe(0.08);
		const minutes = made({ aircraft: craft, pack: { ...battery, flightMin: 16 } });
		expect(minutes.request.aircraft.hoverW).toBeCloseTo((0.8 * wh * 60) / 16, 9);
	});

	it('reserve: a share of the full battery at any charge', () => {
		for (const startPct of [100, 90, 60]) {
			const { pack } = made({ startPct }).request;
			expect((pack.usableWh * pack.reservePct) / 100).toBeCloseTo((RESERVE_PCT / 100) * 74, 9);
		}
	});

	it('figures: each says whether it was stated or is the default of the kind', () => {
		const from = (label: string) => made().assumed.find((a) => a.label === label)?.from;
		expect(from('Climb speed')).toBe('profile of Dunlin');
		expect(from('Descent speed')).toBe('default');
	});

	it('return altitude: as read from the aircraft, not as the profile has it', () => {
		const read = made({ more: [reading('return-height', 52, 'm')] });
		expect(read.request.settings.returnHeightM).toBe(52);
	});

	it('battery marked used and not measured: the charge is missing', () => {
		const used = { ...battery, state: 'used' as const };
		const entries = [entryOf(0, WIND)];
		const rate = burnRate(flying, used, null);
		const facts = gatherFacts({ aircraft: flying, pack: used, session: { kind: 'flight' }, entries });
		const ledger = batteryLedger(used, { entries }, rate);
		expect(homeRequest({ facts, pack: used, site: null, rate, ledger })).toEqual(['charge']);
	});
});

describe('failsafe action at a venue', () => {
	it.each([
		['roof', 'return', 'return-indoors'],
		['people', 'hover', 'comes-down-on-people'],
		['people', 'land', 'comes-down-on-people'],
		['water', 'land', 'comes-down-on-water'],
	] as const)('%s with action %s: %s', (venue, action, code) => {
		expect(actionAt(venue, action)?.code).toBe(code);
	});
	it('no reason where it fits, a caution where nobody read it', () => {
		expect(actionAt('people', 'return')).toBeNull();
		expect(actionAt('roof', 'hover')).toBeNull();
		expect(actionAt('open', null)?.code).toBe('action-not-read');
	});
});
