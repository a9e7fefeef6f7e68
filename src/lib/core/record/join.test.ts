import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import type { Aircraft, Pack } from '../../schema/records';
import { joinAircraft, joinPack } from './join';

const AT = '2026-05-14T09:00:00.000Z';
const at = fc.integer({ min: 0, max: 500 }).map((k) => new Date(Date.parse(AT) + k * 60_000).toISOString());
const ids = fc.constantFrom(...'abcdefgh');
/** Rows of which each identifier is one thing: what two devices have of it is the same. */
const rowsOf = (world: ReadonlyMap<string, string>) =>
	fc.uniqueArray(ids).map((list) => list.map((id) => ({ id, at: world.get(id) ?? AT })));
const world = fc
	.array(at, { minLength: 8, maxLength: 8 })
	.map((times) => new Map([...'abcdefgh'].map((id, k) => [id, times[k] ?? AT])));
const three = world.chain((all) => fc.tuple(rowsOf(all), rowsOf(all), rowsOf(all)));
const orders = <T>([a, b, c]: readonly [T, T, T]): [T, T, T][] => [
	[a, b, c],
	[a, c, b],
	[b, a, c],
	[b, c, a],
	[c, a, b],
	[c, b, a],
];

const aircraft = (rows: { id: string; at: string }[]): Aircraft => ({
	...newAircraft('x', 'multirotor', AT),
	events: rows.map((row) => ({ ...row, kind: 'knock' as const, note: row.id })),
	snapshots: rows.map((row) => ({ ...row, note: '', firmware: '', values: [{ name: row.id, value: '1' }] })),
});
const pack = (rows: { id: string; at: string }[], base: number): Pack => ({
	id: 'p',
	name: 'P',
	aircraftId: 'x',
	cells: 4,
	capacityMah: 5000,
	boughtOn: '2026-01-01',
	notes: '',
	updatedAt: AT,
	cycles: base + rows.length,
	flights: rows,
	...(rows[0] ? { state: 'used' as const, stateAt: rows[0].at } : {}),
});

describe('histories of three devices', () => {
	it('events and settings sheets: joined in every order they are the same, each once, by time', () => {
		fc.assert(
			fc.property(three, (lists) => {
				const results = orders(lists.map(aircraft) as [Aircraft, Aircraft, Aircraft]).map(([a, b, c]) => {
					const { events, snapshots } = joinAircraft(joinAircraft(a, b), c);
					return { events, snapshots: snapshots ?? [] };
				});
				for (const one of results) expect(one).toEqual(results[0]);
				const all = new Set(lists.flat().map(({ id }) => id));
				expect(new Set(results[0]?.events.map(({ id }) => id))).toEqual(all);
				const times = results[0]?.events.map((event) => event.at) ?? [];
				expect(times).toEqual(times.toSorted());
			}),
		);
	});
	it('flights of a battery: counted once each, whatever the order', () => {
		fc.assert(
			fc.property(three, fc.integer({ min: 0, max: 90 }), (lists, base) => {
				const packs = lists.map((rows) => pack(rows, base)) as [Pack, Pack, Pack];
				const results = orders(packs).map(([a, b, c]) => {
					const { cycles, flights, stateAt } = joinPack(joinPack(a, b), c);
					return { cycles, flights: flights ?? [], stateAt };
				});
				for (const one of results) expect(one).toEqual(results[0]);
				expect(results[0]?.cycles).toBe(base + new Set(lists.flat().map(({ id }) => id)).size);
			}),
		);
	});
	it('joined with itself nothing is added', () => {
		const own = aircraft([
			{ id: 'a', at: AT },
			{ id: 'b', at: AT },
		]);
		expect(joinAircraft(own, own)).toEqual(own);
		expect(joinPack(pack([{ id: 'a', at: AT }], 3), pack([{ id: 'a', at: AT }], 3)).cycles).toBe(4);
	});
});
