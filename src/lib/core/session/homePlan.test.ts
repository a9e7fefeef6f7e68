import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import { packSchema } from '../../schema/records';
import { actionAt, homeRequest, RESERVE_PCT, type HomeKnown, type HomeRequest } from './homePlan';

const AT = '2026-05-14T09:00:00.000Z';
const pack = packSchema.parse({
	...{ id: 'p', name: 'D-1', aircraftId: 'a', cells: 4, capacityMah: 5000, cycles: 10 },
	...{ boughtOn: '2026-01-01', updatedAt: AT },
});
const craft = { ...newAircraft('a', 'multirotor', AT), name: 'Dunlin', lossAction: 'return' as const };
const known: HomeKnown = {
	aircraft: { ...craft, flies: { hoverW: 200, climbMps: 3 } },
	pack,
	site: null,
	wind: { fromDeg: 360, speedMps: 4, gustMps: 6 },
	startPct: 90,
	flown: null,
};
const made = (change: Partial<HomeKnown> = {}): HomeRequest => {
	const found = homeRequest({ ...known, ...change });
	if (Array.isArray(found)) throw new Error(`missing ${found.join()}`);
	return found;
};

describe('what the way home is reckoned with', () => {
	it('is missing what nobody said, and says which', () => {
		expect(homeRequest({ ...known, wind: null, pack: null })).toEqual(['wind', 'pack']);
		expect(homeRequest({ ...known, aircraft: craft })).toEqual(['power']);
	});

	it('takes power from flights before what was said, and from minutes where nothing else is', () => {
		const wh = 5 * 4 * 3.7;
		expect(made().request.aircraft.hoverW).toBe(200);
		const flown = made({ flown: { ratePctPerMin: 5, rateSigmaLn: 0.08, used: 3 } });
		expect(flown.request.aircraft.hoverW).toBeCloseTo(0.05 * wh * 60, 9);
		expect(flown).toMatchObject({ powerSigmaLn: 0.08 });
		const minutes = made({ aircraft: craft, pack: { ...pack, flightMin: 16 } });
		expect(minutes.request.aircraft.hoverW).toBeCloseTo((0.8 * wh * 60) / 16, 9);
		expect(minutes.assumed.find(({ label }) => label === 'Power in the hover')?.from).toContain('D-1');
	});

	it('keeps the reserve a share of the whole pack, however full it is', () => {
		for (const startPct of [100, 90, 60]) {
			const { request } = made({ startPct });
			expect((request.pack.usableWh * request.pack.reservePct) / 100).toBeCloseTo((RESERVE_PCT / 100) * 74, 9);
		}
	});

	it('says of each figure whether it was said or is usual', () => {
		const from = (label: string) => made().assumed.find((a) => a.label === label)?.from;
		expect(from('Climbs with')).toBe('Dunlin');
		expect(from('Comes down with')).toContain('usual');
	});
});

describe('what it does without the link, here', () => {
	it.each([
		['roof', 'return', 'return-indoors'],
		['people', 'hover', 'comes-down-on-people'],
		['people', 'land', 'comes-down-on-people'],
		['water', 'land', 'comes-down-on-water'],
	] as const)('under or over %s, set to %s, is %s', (venue, lossAction, code) => {
		expect(actionAt(venue, { lossAction })?.code).toBe(code);
	});
	it('is nothing to say where it fits, and a caution where nobody read it', () => {
		expect(actionAt('people', { lossAction: 'return' })).toBeNull();
		expect(actionAt('roof', { lossAction: 'hover' })).toBeNull();
		expect(actionAt('open', {})?.code).toBe('action-not-read');
	});
});
