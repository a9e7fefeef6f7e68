import { describe, expect, it } from 'vitest';
import type { Entry, EntryPayload } from '../../schema/entries';
import { flownFlights } from './flownFlights';

const entry = (seq: number, minute: number, payload: EntryPayload): Entry => ({
	id: `e${seq}`,
	sessionId: 's',
	aircraftId: 'a',
	seq,
	by: 'Pilot',
	station: 'fly',
	corrects: null,
	at: `2026-05-14T10:${String(minute).padStart(2, '0')}:00.000Z`,
	payload,
	previous: '0'.repeat(64),
	hash: '0'.repeat(64),
});
const flight = (what: 'took-off' | 'landed'): EntryPayload => ({
	kind: 'flight',
	task: 'flying',
	note: '',
	landAfterMin: null,
	what,
});
const charge = (task: string, value: number, unit: string): EntryPayload => ({
	kind: 'check',
	outcome: 'done',
	waitedS: null,
	reason: '',
	grade: 'seen',
	task,
	value,
	unit,
});
const pack = { id: 'p', chemistry: 'lipo' as const };
const whole = [
	entry(0, 0, charge('pack-voltage', 96, '%')),
	entry(1, 5, flight('took-off')),
	entry(2, 11, flight('landed')),
	entry(3, 15, flight('took-off')),
	entry(4, 20, flight('landed')),
	entry(5, 25, charge('pack-after', 41, '%')),
];

describe('flights as sessions tell them', () => {
	it('are minutes in the air, all of one pack together, with the charge before and after', () => {
		expect(flownFlights([{ pack, entries: whole }])).toEqual([
			{ pack: 'p', minutes: 11, rest: { beforePct: 96, afterPct: 41 }, at: '2026-05-14T10:20:00.000Z' },
		]);
	});

	it('take the last answer, and volts by the chemistry of the pack', () => {
		const volts = [...whole, entry(6, 26, charge('pack-after', 3.7, 'V per cell'))];
		const [{ rest }] = flownFlights([{ pack, entries: volts }]);
		expect(rest?.afterPct).toBeGreaterThan(5);
		expect(rest?.afterPct).toBeLessThan(40);
	});

	it.each([
		['no pack was said', { pack: null, entries: whole }],
		['it did not land', { pack, entries: whole.slice(0, 2) }],
		['the charge after it was not noted', { pack, entries: whole.slice(0, 5) }],
	])('where %s there is none', (_, session) => {
		expect(flownFlights([session])).toEqual([]);
	});
});
