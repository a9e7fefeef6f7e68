import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import type { AircraftKind, Light, Site } from '../../schema/records';
import { aircraftKindSchema } from '../../schema/records';
import { everyItem } from './items';
import { lightsAt, lightsDuring } from './lights';
import { placeAt } from './placeAt';
import { factsOf } from './checklist/templates';

const AT = '2026-05-14T09:00:00.000Z';
const MOMENTS = [
	'starting',
	'ready',
	'fix',
	'no fix',
	'fault',
	'sensor calibration',
	'arming',
	'battery low',
	'link lost',
];
const table: Light[] = MOMENTS.map((during, k) => ({
	id: `l${k}`,
	during,
	colour: 'green',
	pattern: 'steady',
	sound: '',
	meaning: during,
	next: '',
})) as Light[];
const site: Site = {
	id: 's',
	name: 'Field',
	latDeg: 54,
	lonDeg: -3,
	altM: 0,
	notes: '',
	updatedAt: AT,
	approach: 'from the east',
	hazards: 'a mast',
	cleanSpot: 'by the gate',
	rules: 'told to the warden',
};
/** Ids of every item that any kind of aircraft can be asked. */
const items = new Set(
	aircraftKindSchema.options.flatMap((kind: AircraftKind) => [
		...everyItem({ aircraft: newAircraft('a', kind, AT) }).keys(),
	]),
);

describe('the aircraft’s own lights', () => {
	it('stand at the items of their moment, in the table’s order; a moment is told however it is written', () => {
		expect(lightsAt(table, factsOf('link')).map(({ during }) => during)).toEqual(['ready', 'fix', 'no fix', 'fault']);
		expect(lightsAt(table, factsOf('spin-up')).map(({ during }) => during)).toEqual(['arming']);
		expect(lightsDuring([{ ...table[0], during: '  Starting ' }], 'starting')).toHaveLength(1);
	});
	it('are nowhere where there is no table, no such moment, or an item about none', () => {
		expect(lightsAt(undefined, factsOf('link'))).toEqual([]);
		expect(lightsAt([{ ...table[0], during: 'my own word' }], factsOf('still'))).toEqual([]);
		expect(lightsAt(table, factsOf('frame'))).toEqual([]);
	});
	it('every moment that has an item reaches one that can be asked', () => {
		for (const { during } of table)
			expect(
				[...items].some((item) => lightsAt(table, factsOf(item)).some((light) => light.during === during)),
				during,
			).toBe(true);
	});
});

describe('what was entered of a place', () => {
	it('stands at the items it is about, with what it is', () => {
		expect(placeAt(site, factsOf('home-mark'))).toEqual(['Landing: from the east', 'Keep away from: a mast']);
		expect(placeAt(site, factsOf('legal'))).toEqual(['Allowed here: told to the warden']);
		expect(placeAt(site, factsOf('site-clean'))).toEqual(['Turn the compass: by the gate']);
	});
	it('is nothing where nothing was entered, or there is no place', () => {
		expect(placeAt(null, factsOf('home-mark'))).toEqual([]);
		expect(placeAt({ ...site, approach: '', hazards: undefined }, factsOf('home-mark'))).toEqual([]);
		expect(placeAt(site, factsOf('frame'))).toEqual([]);
	});
	it('each line reaches an item that can be asked', () => {
		const said = new Set([...items].flatMap((item) => placeAt(site, factsOf(item))));
		for (const line of ['Landing:', 'Keep away from:', 'Turn the compass:', 'Allowed here:'])
			expect(
				[...said].some((words) => words.startsWith(line)),
				line,
			).toBe(true);
	});
});
