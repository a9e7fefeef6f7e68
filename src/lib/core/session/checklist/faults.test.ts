import { describe, expect, it } from 'vitest';
import { aircraftKindSchema } from '../../../schema/records';
import { newAircraft } from '../../../schema/newAircraft';
import { everyItem } from '../items';
import { factsOf } from './templates';
import { faultsOf } from './faults';

const AT = '2026-05-14T09:00:00.000Z';
const items = aircraftKindSchema.options.flatMap((kind) => [
	...everyItem({ aircraft: { ...newAircraft('a', kind, AT), name: 'Dunlin' }, site: null, pack: null }).values(),
]);

describe('what is offered where an item is not as it should be', () => {
	it('is for every item two to five different things, short enough for a button', () => {
		for (const item of items) {
			const faults = faultsOf(item);
			expect(faults.length, item.id).toBeGreaterThanOrEqual(2);
			expect(faults.length, item.id).toBeLessThanOrEqual(5);
			expect(new Set(faults).size, item.id).toBe(faults.length);
			for (const fault of faults) expect(fault, item.id).toMatch(/^[A-Z][^.]{2,35}$/);
		}
	});
	it('is of the item’s own for every item that is looked at', () => {
		const seen = items.filter(({ type, rung }) => type !== 'measure' && type !== 'nudge' && !rung).map(({ id }) => id);
		expect([...new Set(seen)].filter((id) => !factsOf(id).faults)).toEqual([]);
	});
});
