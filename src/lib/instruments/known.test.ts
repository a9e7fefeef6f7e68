import { describe, expect, it } from 'vitest';
import { newAircraft } from '$lib/schema/newAircraft';
import { entryOf, finding } from '$lib/core/facts/entries.fixture';
import { gatherFacts } from '$lib/core/facts/facts';
import type { EntryPayload } from '$lib/schema/entries';
import { aircraftKindSchema, type Pack, type Site, type Venue } from '$lib/schema/records';
import { INSTRUMENTS } from './catalogue';
import { missingIn } from './form';
import { blankValues, exampleValues } from './instrument';
import { knownFor, type Known } from './known';

const AT = '2026-05-14T09:00:00.000Z';
const site: Site = {
	id: 's',
	name: 'Saltings',
	latDeg: 54.2,
	lonDeg: -3.1,
	altM: 10,
	notes: '',
	updatedAt: AT,
	obstacles: [
		{ id: 'o1', name: 'Poplars', bearingDeg: 40, distanceM: 90, heightM: 24, widthM: 30 },
		{ id: 'o2', name: 'Shed', bearingDeg: 200, distanceM: 30, heightM: 5, widthM: 6 },
	],
};
const pack: Pack = {
	id: 'p',
	name: 'Pack 3',
	aircraftId: 'a',
	cells: 6,
	capacityMah: 5200,
	chemistry: 'high-voltage',
	cycles: 41,
	boughtOn: '2026-01-01',
	notes: '',
	updatedAt: AT,
};
const WIND = { fromDeg: 240, speedMps: 4, gustMps: 6 };
/** What a session with these records knows. */
function known(
	more: Partial<Omit<Known, 'facts'>> & { wind?: typeof WIND | null; venue?: Venue; payloads?: EntryPayload[] } = {},
): Known {
	const { wind = WIND, venue = 'open', payloads = [], ...given } = more;
	const around = {
		aircraft: { ...newAircraft('a', 'multirotor', AT), name: 'Dunlin', lossAction: 'stop' as const },
		pack,
		site,
		...given,
	};
	const blowing: EntryPayload[] = wind ? [{ kind: 'wind', task: 'wind', grade: 'told', ...wind }] : [];
	const entries = [...blowing, ...payloads].map((payload, seq) => entryOf(seq, payload));
	return { ...around, facts: gatherFacts({ ...around, entries, session: { kind: 'flight', venue } }) };
}

describe('what a form opens with', () => {
	it('is known of the aircraft, the place and the day, each with its source', () => {
		const filled = knownFor('way-home', known());
		expect(filled?.values).toMatchObject({ action: 'cut-motors', returnHeightM: 40, windFrom: 240, gust: 6 });
		expect(filled?.values.obstacles).toHaveLength(2);
		expect(filled?.from).toMatchObject({
			returnSpeed: 'profile of Dunlin',
			obstacles: 'from Saltings',
			wind: 'by your word',
		});
		expect(knownFor('settings-audit', known({ venue: 'roof' }))?.values).toMatchObject({
			venue: 'indoors',
			tallest: 24,
		});
		expect(knownFor('pack', known())?.values).toMatchObject({ chemistry: 'lihv', ratedMah: 5200 });
	});

	it('mounting form: opens with the setting that the last finding asked for', () => {
		const states = (['boardYawDeg', 'boardPitchDeg', 'boardRollDeg'] as const).map((key, k) => ({
			key,
			value: [90, 0, 180][k] ?? 0,
		}));
		const payload: EntryPayload = { ...finding('mounting', 'fail'), sensor: 'mounting', states };
		expect(knownFor('mounting', known({ payloads: [payload] }))?.values).toEqual({
			nowYaw: 90,
			nowPitch: 0,
			nowRoll: 180,
		});
	});

	it('a fact in force stands above what was typed the last time', () => {
		const aircraft = {
			...newAircraft('a', 'multirotor', AT),
			name: 'Dunlin',
			forms: { 'settings-audit': { returnHeightM: 25, descent: 3 } },
		};
		const filled = knownFor('settings-audit', known({ aircraft }));
		expect(filled?.values).toMatchObject({ returnHeightM: 40, descent: 3 });
		expect(filled?.from['descent']).toContain('as last time');
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
				// Of the ground response everything but what was seen is known, and nothing seen is an answer: what to try first.
				if (id !== 'ground-response')
					expect(missingIn(fields, { ...blankValues(fields), ...filled.values }), `${id} is complete`).not.toBeNull();
			}
		expect(fitted).toBeGreaterThan(20);
	});
});
