import { describe, expect, it } from 'vitest';
import { newAircraft } from '$lib/schema/newAircraft';
import { aircraftKindSchema, type Pack, type Site } from '$lib/schema/records';
import { INSTRUMENTS } from './catalogue';
import { missingIn } from './form';
import { blankValues, exampleValues } from './instrument';
import { knownFor, type Known } from './known';

const AT = '2026-05-14T09:00:00.000Z';
const site: Site = {
	...{ id: 's', name: 'Saltings', latDeg: 54.2, lonDeg: -3.1, altM: 10, notes: '', updatedAt: AT },
	obstacles: [
		{ id: 'o1', name: 'Poplars', bearingDeg: 40, distanceM: 90, heightM: 24, widthM: 30 },
		{ id: 'o2', name: 'Shed', bearingDeg: 200, distanceM: 30, heightM: 5, widthM: 6 },
	],
};
const pack: Pack = {
	...{ id: 'p', name: 'Pack 3', aircraftId: 'a', cells: 6, capacityMah: 5200, chemistry: 'high-voltage' },
	...{ cycles: 41, boughtOn: '2026-01-01', notes: '', updatedAt: AT },
};
const known = (more: Partial<Known> = {}): Known => ({
	aircraft: { ...newAircraft('a', 'multirotor', AT), name: 'Dunlin', lossAction: 'stop' },
	...{ pack, site, wind: { fromDeg: 240, speedMps: 4, gustMps: 6 }, venue: 'open' },
	...more,
});

describe('what a form opens with', () => {
	it('is known of the aircraft, the place and the day, each with its source', () => {
		const filled = knownFor('way-home', known());
		expect(filled?.values).toMatchObject({ action: 'cut-motors', returnHeightM: 40, windFrom: 240, gust: 6 });
		expect(filled?.values.obstacles).toHaveLength(2);
		expect(filled?.from).toMatchObject({
			...{ returnSpeed: 'Dunlin', obstacles: 'Saltings', wind: 'the wind of today' },
		});
		expect(knownFor('settings-audit', known({ venue: 'roof' }))?.values).toMatchObject({
			venue: 'indoors',
			tallest: 24,
		});
		expect(knownFor('pack', known())?.values).toMatchObject({ chemistry: 'lihv', ratedMah: 5200 });
	});

	it('is nothing where nobody knows: the field stays empty', () => {
		const filled = knownFor('way-home', known({ site: null, wind: null }));
		expect(filled?.values).not.toHaveProperty('wind');
		expect(filled?.values).not.toHaveProperty('obstacles');
		expect(knownFor('pack', known({ pack: null }))).toBeNull();
		expect(knownFor('gyro', known())).toBeNull();
	});

	it('fits every form that it is meant for, for every kind of aircraft', () => {
		let fitted = 0;
		for (const kind of aircraftKindSchema.options)
			for (const { id, fields } of INSTRUMENTS) {
				const filled = knownFor(id, known({ aircraft: { ...newAircraft('a', kind, AT), name: 'Any' } }));
				if (!filled) continue;
				fitted++;
				const names = fields.map((field) => field.id);
				for (const name of Object.keys(filled.values)) expect(names, `${id}.${name}`).toContain(name);
				// With the rest as an example has it, what is known is no fault; cells are counted, not known.
				const { cells, ...rest } = filled.values;
				expect(Array.isArray(cells)).toBe(id === 'pack');
				expect(missingIn(fields, { ...exampleValues(fields), ...rest }), id).toBeNull();
				expect(
					missingIn(fields, { ...blankValues(fields), ...filled.values }),
					`${id} is not whole yet`,
				).not.toBeNull();
			}
		expect(fitted).toBeGreaterThan(20);
	});
});
