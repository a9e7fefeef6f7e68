import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Aircraft, OwnItem, OwnList } from '../../../schema/records';
import { outcomeOf } from '../answers';
import { checklistFor, everyItem } from '../items';
import { isBefore } from '../stations';
import { EMPTY_LIST, listFile, mayBeOff, readListFile } from './own';

const AT = '2026-11-26T08:00:00.000Z';
const aircraft = (list: Partial<OwnList> = {}) =>
	({
		id: 'a',
		name: 'Dunlin',
		kind: 'multirotor',
		rotors: 4,
		compasses: 1,
		hasPosition: true,
		events: [],
		lock: { minSatellites: 8, maxHdop: 2, holdS: 30 },
		returnHeightM: 30,
		returnSpeedMps: 10,
		minReturnDistanceM: 10,
		ownList: { ...EMPTY_LIST, changedAt: AT, ...list },
	}) as unknown as Aircraft;
const made = checklistFor({ aircraft: aircraft() });
const mine = (more: Partial<OwnItem> = {}): OwnItem => ({
	id: 'mine-1',
	station: 'bench',
	type: 'tick',
	text: 'Foam in place',
	why: '',
	weight: 'caution',
	...more,
});

describe('a list that its pilot changed', () => {
	it('asks what was added, at its station, judged by its own limits', () => {
		const measure = mine({ type: 'measure', unit: 'g', low: 900, high: 1100, source: 'the manual' });
		const item = checklistFor({ aircraft: aircraft({ items: [measure] }) }).find(({ id }) => id === 'mine-1');
		expect(item).toMatchObject({ station: 'bench', limit: { unit: 'g', low: 900, high: 1100, source: 'the manual' } });
		if (!item) throw new Error('not asked');
		expect(outcomeOf(item, 1000, null)).toBe('done');
		expect(outcomeOf(item, 1200, null)).toBe('failed');
		expect(everyItem({ aircraft: aircraft({ items: [measure] }) }).get('mine-1')?.text).toBe('Foam in place');
	});

	it('leaves off what is a caution, and never what holds a flight', () => {
		const off = made.map(({ id }) => id);
		const left = checklistFor({ aircraft: aircraft({ off }) });
		expect(left.map(({ id }) => id)).toEqual(made.filter((item) => !mayBeOff(item)).map(({ id }) => id));
		expect(left.length).toBeGreaterThan(5);
		expect(left.length).toBeLessThan(made.length);
	});

	it('takes limits of one’s own with their source, for items that have any', () => {
		const volts = made.find(({ limit }) => limit?.low !== undefined);
		if (!volts) throw new Error('no measure is asked');
		const limits = { [volts.id]: { low: 3.9, source: 'my pack' }, frame: { low: 1, source: 'none' } };
		const list = checklistFor({ aircraft: aircraft({ limits }) });
		expect(list.find(({ id }) => id === volts.id)?.limit).toMatchObject({ low: 3.9, source: 'my pack' });
		expect(list.find(({ id }) => id === 'frame')?.limit).toBeUndefined();
	});

	it('in any order keeps every item at its station, once, stations in line', () => {
		const ids = made.map(({ id }) => id);
		fc.assert(
			fc.property(fc.shuffledSubarray(ids), (order) => {
				const list = checklistFor({ aircraft: aircraft({ order }) });
				expect(list.map(({ id }) => id).toSorted()).toEqual(ids.toSorted());
				list.slice(1).forEach(({ station }, k) => expect(isBefore(station, list[k].station)).toBe(false));
				for (const station of new Set(list.map((item) => item.station))) {
					const own = list.filter((item) => item.station === station).map(({ id }) => id);
					const wanted = order.filter((id) => own.includes(id));
					expect(own.filter((id) => wanted.includes(id))).toEqual(wanted);
				}
			}),
			{ numRuns: 60 },
		);
	});
});

describe('a list as a file', () => {
	it('comes back as it was', () => {
		const list: OwnList = { ...EMPTY_LIST, items: [mine()], off: ['frame'], changedAt: AT };
		expect(readListFile(listFile(list))).toEqual(list);
	});

	it.each([
		['list', 'no json'],
		['format', '{"format": "other"}'],
		[
			'list.items.0.text',
			JSON.stringify({
				format: 'winglogos-checklist-1',
				list: { ...EMPTY_LIST, changedAt: AT, items: [mine({ text: ' ' })] },
			}),
		],
	])('%s is named where it does not fit', (path, text) => {
		expect(() => readListFile(text)).toThrow(expect.objectContaining({ path }));
	});
});
