import { describe, expect, it } from 'vitest';
import type { Entry, FlightPayload } from '../../schema/entries';
import { entryOf } from '../facts/entries.fixture';
import { flightsOf } from './flights';

const took = (seq: number, more: Partial<FlightPayload> = {}): Entry =>
	entryOf(seq, { kind: 'flight', task: 'flying', what: 'took-off', note: '', landAfterMin: 12, ...more });
const landed = (seq: number, more: Partial<FlightPayload> = {}): Entry =>
	entryOf(seq, { kind: 'flight', task: 'flying', what: 'landed', note: '', landAfterMin: null, ...more });
const moved = (entry: Entry, minutes: number): Entry => ({
	...entry,
	at: new Date(Date.parse(entry.at) + minutes * 60_000).toISOString(),
});
const minutes = (...entries: Entry[]) => flightsOf(entries).map((flight) => flight.minutes);

describe('flights of a record', () => {
	it('last from takeoff to landing, one after the other', () => {
		expect(minutes(took(0), landed(9), took(12), landed(20))).toEqual([9, 8]);
	});
	it('count what the page counted, whatever the clock of the device did meanwhile', () => {
		expect(minutes(took(0), moved(landed(9, { airborneS: 540 }), -60))).toEqual([9]);
		expect(minutes(took(0), moved(landed(9, { airborneS: 540 }), 60))).toEqual([9]);
	});
	it('have no length where nobody recorded the landing for hours', () => {
		expect(minutes(took(0), landed(9, { airborneS: 5 * 3600 }))).toEqual([null]);
	});
	it.each([
		['back', -60],
		['ahead', 60],
	])('have no length where the clock was set %s and nothing else counted', (_, by) => {
		expect(flightsOf([took(0), moved(landed(9), by)])).toMatchObject([{ minutes: null, impossible: true }]);
	});
	it('without a land-by time may last long, and not for days', () => {
		const open = took(0, { landAfterMin: null });
		expect(minutes(open, moved(landed(9), 240))).toEqual([249]);
		expect(minutes(open, moved(landed(9), 6000))).toEqual([null]);
	});
	it('recorded twice by two pages are one flight', () => {
		expect(minutes(took(0), took(1), landed(9), landed(10))).toEqual([9]);
	});
	it('of two sessions do not end one another; one in the air has no length yet', () => {
		const other = { ...took(1), sessionId: 't' };
		expect(flightsOf([took(0), other, landed(9)])).toMatchObject([{ minutes: 9 }, { landed: null, impossible: false }]);
	});
});
