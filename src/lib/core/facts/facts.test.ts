import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { EntryPayload } from '../../schema/entries';
import { newAircraft } from '../../schema/newAircraft';
import { siteSchema, type Aircraft } from '../../schema/records';
import { entryOf, finding, reading } from './entries.fixture';
import { gatherFacts, isDefault, movedSince, usedFacts, valueOf } from './facts';
import { limitsInForce } from '../session/limitsInForce';
import { profileKeeps, withFact } from './profile';
import { settledTask } from './statements';
import { statementWords } from './words';

const AT = '2026-05-14T09:00:00.000Z';
const craft = (more: Partial<Aircraft> = {}): Aircraft => ({
	...newAircraft('a', 'multirotor', AT),
	name: 'Dunlin',
	returnHeightM: 30,
	lossAction: 'return',
	...more,
});
const gather = (payloads: readonly EntryPayload[], aircraft = craft(), session = { kind: 'flight' as const }) =>
	gatherFacts({ aircraft, session, entries: payloads.map((payload, seq) => entryOf(seq, payload)) });
const wind = (speedMps: number, fromDeg = 250, grade: 'told' | 'read-off' = 'told'): EntryPayload => ({
	kind: 'wind',
	task: 'wind',
	grade,
	fromDeg,
	speedMps,
	gustMps: speedMps + 2,
});

describe('value in force', () => {
	it('a reading of today stands above the profile, and disagrees with it aloud', () => {
		const facts = gather([reading('return-height', 40, 'm')]);
		expect(valueOf(facts, 'returnAltitudeM')).toBe(40);
		expect(facts.conflicts.map(({ key }) => key)).toEqual(['returnAltitudeM']);
	});

	it('a difference within tolerance is no disagreement', () => {
		expect(gather([reading('return-height', 30.8, 'm')]).conflicts).toEqual([]);
	});

	it('while two statements disagree the more cautious one is used', () => {
		const low = gather([reading('return-height', 20, 'm')]);
		expect(valueOf(low, 'returnAltitudeM')).toBe(30);
		const audit = {
			...finding('settings-audit', 'pass', 'seen'),
			states: [{ key: 'returnSpeedMps' as const, value: 10 }],
		};
		expect(valueOf(gather([audit]), 'returnSpeedMps')).toBe(6);
	});

	it('the newest wind is in force, whoever reported it, and disagrees with nothing', () => {
		const facts = gather([wind(4, 250, 'read-off'), wind(7, 300)]);
		expect([valueOf(facts, 'windMps'), valueOf(facts, 'windFromDeg')]).toEqual([7, 300]);
		expect(facts.conflicts).toEqual([]);
	});

	it('only what a field keeps updates the profile', () => {
		expect(profileKeeps(craft(), 'returnAltitudeM', 40)).toBe(true);
		expect(profileKeeps(craft(), 'boardYawDeg', 90)).toBe(false);
	});

	it('the latest of equally strong statements counts, and a later stronger one drops a weaker', () => {
		expect(
			valueOf(gather([reading('return-height', 40, 'm'), reading('return-height', 35, 'm')]), 'returnAltitudeM'),
		).toBe(35);
		const facts = gather([reading('return-height', 60, 'm', 'told'), reading('return-height', 30, 'm')]);
		expect(facts.conflicts).toEqual([]);
	});

	it('a settled disagreement leaves one value', () => {
		const chosen: EntryPayload = {
			...reading(settledTask('returnAltitudeM'), 40, 'm'),
			states: [{ key: 'returnAltitudeM', value: 40 }],
		};
		const settled = gather([reading('return-height', 40, 'm'), chosen], withFact(craft(), 'returnAltitudeM', 40));
		expect(settled.conflicts).toEqual([]);
		expect(valueOf(settled, 'returnAltitudeM')).toBe(40);
	});

	it('changed settings drop what was read before them', () => {
		const event: EntryPayload = { kind: 'event', task: 'event', what: 'settings', note: '' };
		expect(valueOf(gather([reading('return-height', 40, 'm'), event]), 'returnAltitudeM')).toBe(30);
	});

	it('a default says that it is one, until somebody enters it', () => {
		const fresh = craft({ defaults: ['returnSpeedMps'] });
		expect(isDefault(gather([], fresh), 'returnSpeedMps')).toBe(true);
		expect(isDefault(gather([], withFact(fresh, 'returnSpeedMps', 6)), 'returnSpeedMps')).toBe(false);
	});

	it('the indoor settings profile in force decides the failsafe action', () => {
		const setting = {
			id: 'link-loss',
			name: 'When the link is lost',
			outdoors: 'return',
			indoors: 'hover',
			back: false,
		};
		const indoor = { since: AT, settings: [setting] };
		const facts = gather([], craft({ indoor }));
		expect([valueOf(facts, 'settingsProfile'), valueOf(facts, 'failsafeAction')]).toEqual(['indoor', 'hover']);
		const back = gather([], craft({ indoor: { ...indoor, settings: [{ ...setting, back: true }] } }));
		expect([valueOf(back, 'settingsProfile'), valueOf(back, 'failsafeAction')]).toEqual(['outdoor', 'return']);
	});

	it('simulated values count in a training session only', () => {
		const simulated = reading('return-height', 44, 'm', 'rehearsed');
		expect(valueOf(gather([simulated]), 'returnAltitudeM')).toBe(30);
		const training = gatherFacts({
			aircraft: craft(),
			session: { kind: 'rehearsal' },
			entries: [entryOf(0, simulated)],
		});
		expect(valueOf(training, 'returnAltitudeM')).toBe(44);
	});

	it('entries in any order give the same facts', () => {
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 5, max: 100 }), { minLength: 1, maxLength: 6 }),
				fc.integer(),
				(heights, seed) => {
					const entries = heights.map((m, seq) => entryOf(seq, reading('return-height', m, 'm')));
					const shuffled = entries.toSorted((a, b) => Math.sin(seed + a.seq * 7.3) - Math.sin(seed + b.seq * 7.3));
					const given = { aircraft: craft(), session: { kind: 'flight' as const } };
					const [straight, mixed] = [entries, shuffled].map((list) => gatherFacts({ ...given, entries: list }));
					expect(mixed?.of('returnAltitudeM')).toEqual(straight?.of('returnAltitudeM'));
				},
			),
		);
	});
});

describe('facts that a finding used', () => {
	const used = usedFacts(gather([wind(3)]), ['windMps', 'windFromDeg', 'returnAltitudeM']);

	it('have not moved while nothing changed', () => {
		expect(movedSince(used, gather([wind(3)]))).toEqual([]);
		expect(movedSince(used, gather([wind(3.4, 260)]))).toEqual([]);
	});

	it('have moved beyond their tolerance', () => {
		expect(movedSince(used, gather([wind(5)])).map(({ key }) => key)).toEqual(['windMps']);
		expect(movedSince(used, gather([wind(3), reading('return-height', 50, 'm')])).map(({ key }) => key)).toEqual([
			'returnAltitudeM',
		]);
	});

	it('wind direction comes round at 360° and says nothing in a calm', () => {
		const north = usedFacts(gather([wind(3, 355)]), ['windFromDeg']);
		expect(movedSince(north, gather([wind(3, 5)]))).toEqual([]);
		expect(movedSince(north, gather([wind(3, 90)]))).toHaveLength(1);
		expect(movedSince(north, gather([wind(0.5, 90)]))).toEqual([]);
	});

	it('obstacles entered since then have moved it', () => {
		const site = siteSchema.parse({ id: 's', name: 'Saltings', latDeg: 54, lonDeg: -3, altM: 5, updatedAt: AT });
		const at = (obstacles: { id: string; name: string; bearingDeg: number; distanceM: number; heightM: number }[]) =>
			gatherFacts({ aircraft: craft(), site: { ...site, obstacles }, session: { kind: 'flight' }, entries: [] });
		const before = usedFacts(at([]), ['obstacleCount', 'tallestObstacleM']);
		const oak = { id: 'o', name: 'Oak', bearingDeg: 40, distanceM: 60, heightM: 18 };
		expect(movedSince(before, at([oak])).map(({ key }) => key)).toEqual(['obstacleCount', 'tallestObstacleM']);
	});
});

describe('limits of a decision', () => {
	it('are those in force, each with its source', () => {
		const limits = limitsInForce(gather([reading('return-height', 40, 'm')]), craft(), 'open');
		expect(limits.find(({ label }) => label === 'Return altitude')).toMatchObject({
			value: 40,
			source: 'read from the aircraft’s display',
		});
	});

	it('name the settings profile indoors only: outdoors it is the ordinary one', () => {
		const labels = limitsInForce(gather([]), craft(), 'open').map(({ label }) => label);
		expect(labels).toContain('Return altitude');
		expect(labels).not.toContain('Settings profile');
	});

	it('leave out what the aircraft does not have', () => {
		const racer: Aircraft = { ...newAircraft('r', 'racer', AT), name: 'Swift' };
		const labels = limitsInForce(gather([], racer), racer, 'open').map(({ label }) => label);
		expect(labels).not.toContain('Minimum satellites');
		expect(labels).not.toContain('Return speed');
		expect(labels).not.toContain('Heading uncertainty limit');
	});

	it('say a value with how it is known', () => {
		const statement = gather([reading('return-height', 40, 'm')]).of('returnAltitudeM');
		expect(statement && statementWords(statement, 'metric')).toBe('40.0 m, read from the aircraft’s display');
	});
});
