import { describe, expect, it } from 'vitest';
import { CHAIN_START, link } from '$lib/core/record/chain';
import type { EntryBody } from '$lib/schema/entries';
import { examineAll, examined } from './examined';

const AT = '2026-05-14T09:00:00.000Z';
const body = (seq: number): EntryBody => ({
	id: `e${seq}`,
	sessionId: 's',
	aircraftId: 'a',
	seq,
	at: AT,
	zoneMin: 0,
	by: 'Ines',
	station: 'plan',
	corrects: null,
	payload: { kind: 'event', task: 'event', what: 'knock', note: `number ${seq}` },
});
/** A chain of a length. */
function chainOf(length: number) {
	let previous = CHAIN_START;
	return Array.from({ length }, (_, seq) => {
		const entry = link(previous, body(seq));
		previous = entry.hash;
		return entry;
	});
}

describe('rows examined', () => {
	it('are the entries in order, those that cannot be read apart', async () => {
		const rows = chainOf(5);
		const entries = await examineAll([rows[3], { ...rows[4], payload: null }, rows[0], rows[2], rows[1]]);
		expect(entries.map(({ seq }) => seq)).toEqual([0, 1, 2, 3]);
	});
	it('once are remembered, and again where anything in them was changed since', () => {
		const [row] = chainOf(1);
		const first = examined({ ...row });
		expect(first.holds).toBe(true);
		expect(examined({ ...row })).toBe(first);
		expect(examined({ ...row, by: 'Tam' }).holds).toBe(false);
		expect(examined({ ...row, hash: 'f'.repeat(64) }).holds).toBe(false);
		expect(examined({ ...row }).holds).toBe(true);
	});
	it('of a long session let the page draw in between', async () => {
		let drawn = 0;
		const drawing = setInterval(() => drawn++, 1);
		const entries = await examineAll(chainOf(2000));
		clearInterval(drawing);
		expect(entries).toHaveLength(2000);
		expect(drawn).toBeGreaterThan(1);
	});
});
