import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../../schema/newAircraft';
import {
	aircraftKindSchema,
	chemistrySchema,
	occasionSchema,
	partSchema,
	venueSchema,
	type Aircraft,
	type AircraftKind,
	type Pack,
	type Site,
	componentSchema,
} from '../../../schema/records';
import { eventKindSchema } from '../../../schema/entries';
import { undoneBy } from './undoes';
import { entryOf, ticked } from '../../facts/entries.fixture';
import { outcomeOf } from '../answers';
import { checklistFor, everyItem, type Setting } from '../items';
import { STATIONS } from '../stations';

const AT = '2026-05-14T09:00:00.000Z';
const craft = (kind: AircraftKind, more: Partial<Aircraft> = {}): Aircraft => ({
	...newAircraft('a', kind, AT),
	name: 'Any',
	...more,
});
const pack = (more: Partial<Pack> = {}): Pack => ({
	id: 'p',
	name: 'Pack',
	aircraftId: 'a',
	cells: 4,
	capacityMah: 5000,
	cycles: 3,
	boughtOn: '2026-01-01',
	notes: '',
	updatedAt: AT,
	...more,
});
const site = (heights: number[]): Site => ({
	id: 's',
	name: 'Saltings',
	latDeg: 54.2,
	lonDeg: -3.1,
	altM: 10,
	notes: '',
	updatedAt: AT,
	obstacles: heights.map((heightM, k) => ({ id: `o${k}`, name: `Tree ${k}`, bearingDeg: 0, distanceM: 50, heightM })),
});
const ids = (setting: Setting) => checklistFor(setting).map(({ id }) => id);
const textOf = (setting: Setting, id: string) => checklistFor(setting).find((item) => item.id === id)?.text ?? '';

const aSetting: fc.Arbitrary<Setting> = fc
	.record({
		kind: fc.constantFrom(...aircraftKindSchema.options),
		parts: fc.dictionary(fc.constantFrom(...partSchema.options), fc.boolean()),
		surfaces: fc.constantFrom('elevons' as const, 'separate' as const, 'v-tail' as const, undefined),
		hasPosition: fc.boolean(),
		compasses: fc.integer({ min: 0, max: 2 }),
		occasion: fc.constantFrom(...occasionSchema.options, undefined),
		venue: fc.constantFrom(...venueSchema.options, undefined),
		chemistry: fc.constantFrom(...chemistrySchema.options, undefined),
		heights: fc.array(fc.integer({ min: 1, max: 150 }), { maxLength: 3 }),
	})
	.map(({ kind, parts, surfaces, hasPosition, compasses, occasion, venue, chemistry, heights }) => ({
		aircraft: craft(kind, { parts, hasPosition, compasses, ...(surfaces ? { surfaces } : {}) }),
		session: { ...(occasion ? { occasion } : {}), ...(venue ? { venue } : {}) },
		pack: pack(chemistry ? { chemistry } : {}),
		site: site(heights),
	}));

describe('a checklist, whatever it is made for', () => {
	it('asks nothing twice, nothing without words, and nothing that contradicts the day', () => {
		fc.assert(
			fc.property(aSetting, (setting) => {
				const items = checklistFor(setting);
				const names = items.map(({ id }) => id);
				expect(new Set(names).size).toBe(names.length);
				const stations = STATIONS.map(({ id }) => id);
				for (const item of items) {
					expect(stations).toContain(item.station);
					expect([item.text, item.why].every((words) => words.length > 10)).toBe(true);
					expect(item.type === 'measure').toBe(item.limit !== undefined);
					expect(item.because).not.toMatch(/undefined|, ,|^,/);
				}
				if (setting.session?.venue === 'roof') {
					expect(names).not.toContain('return-height');
					expect(names).toContain('room');
					expect(names).not.toContain('daylight');
				}
				if (setting.aircraft.kind === 'toy') expect(names).not.toContain('nudge-roll');
				if (setting.aircraft.compasses === 0) expect(names).not.toContain('worn-metal');
			}),
			{ numRuns: 300 },
		);
	});

	it('has the cautions that no flight goes without', () => {
		fc.assert(
			fc.property(aSetting, (setting) => {
				const items = checklistFor(setting);
				const has = (id: string) => items.some((item) => item.id === id);
				for (const id of ['props-whole', 'props-on', 'still', 'link', 'abort', 'disarmed', 'warm-parts', 'bumps'])
					expect(has(id), id).toBe(true);
				// Power with bare motors, fitting propellers and lifting carry their caution before the step.
				for (const id of ['first-power', 'motors-bare', 'props-on', 'nudge-roll', 'first-rung', 'abort', 'launch']) {
					const item = items.find((i) => i.id === id);
					if (item) expect(item.caution, id).toBeTruthy();
				}
			}),
		);
	});

	it('has limits that a good value meets and a bad one does not', () => {
		fc.assert(
			fc.property(aSetting, (setting) => {
				for (const item of checklistFor(setting)) {
					if (!item.limit) continue;
					const { low = 0, high = low + 1, possible } = item.limit;
					expect(low).toBeLessThan(high);
					expect(outcomeOf(item, (low + high) / 2, null)).toBe('done');
					if (low - 0.01 > possible.low) expect(outcomeOf(item, low - 0.01, null)).toBe('failed');
				}
			}),
		);
	});
});

describe('what is asked of whom', () => {
	it.each([
		['camera', 'cover-off', true],
		['camera', 'leads', false],
		['camera', 'orientation', false],
		['camera', 'first-rung', false],
		['large-camera', 'travel-shape', true],
		['large-camera', 'back-in-shape', true],
		['multirotor', 'leads', true],
		['multirotor', 'first-rung', true],
		['wing', 'balance', true],
		['wing', 'surfaces-level', true],
		['wing', 'launch', true],
		['wing', 'nudge-roll', false],
		['sprayer', 'water-only', true],
		['spreader', 'water-only', false],
		['spreader', 'tank-power', true],
		['racer', 'channel', true],
		['racer', 'return-height', false],
		['racer', 'known-range', true],
		['longrange', 'overlay', true],
		['longrange', 'pre-arm', true],
		['longrange', 'lost-far-out', true],
		['toy', 'craft-first', true],
		['toy', 'flat-zero', true],
		['toy', 'radio-first', false],
	] as const)('%s: %s is %s', (kind, id, asked) => {
		expect(ids({ aircraft: craft(kind) }).includes(id)).toBe(asked);
	});

	it.each([
		['routine', 'motors-bare', false],
		['first', 'stock-gains', true],
		['first', 'first-power', true],
		['repair', 'motors-bare', true],
		['update', 'settings-back', true],
		['update', 'motors-bare', false],
		['crash', 'crash-look', true],
		['storage', 'pack-look', true],
	] as const)('on a %s day %s is %s', (occasion, id, asked) => {
		expect(ids({ aircraft: craft('multirotor'), session: { occasion } }).includes(id)).toBe(asked);
	});

	it('by the equipment that was told, against what its kind usually has', () => {
		const bare = craft('camera', { parts: { 'camera-cover': false, video: true } });
		expect(ids({ aircraft: bare })).not.toContain('cover-off');
		expect(ids({ aircraft: bare })).toContain('antennas');
	});

	it('with the movements of its own surfaces', () => {
		expect(textOf({ aircraft: craft('wing', { surfaces: 'elevons' }) }, 'surfaces')).toMatch(/both up/);
		expect(textOf({ aircraft: craft('wing', { surfaces: 'separate' }) }, 'surfaces')).toMatch(/rudder/);
		expect(textOf({ aircraft: craft('wing') }, 'surfaces')).toMatch(/each moves its surface/);
	});

	it('says why an item is on the list, and nothing where every flight has it', () => {
		const items = checklistFor({ aircraft: craft('longrange'), session: { occasion: 'repair' } });
		const because = (id: string) => items.find((item) => item.id === id)?.because;
		expect(because('pre-arm')).toBe('it has an extra arming guard');
		expect(because('motors-bare')).toBe('it was built, repaired or crashed, built or opened by its pilot');
		expect(because('props-whole')).toBe('');
	});
});

describe('limits from what is known', () => {
	const limitOf = (setting: Setting, id: string) => checklistFor(setting).find((item) => item.id === id)?.limit;

	it('of a full pack follow its chemistry, and are per cent where that is all it shows', () => {
		const full = (chemistry: Pack['chemistry']) =>
			limitOf({ aircraft: craft('multirotor'), pack: pack(chemistry ? { chemistry } : {}) }, 'pack-voltage');
		expect(full('lipo')?.low).toBe(4.1);
		expect(full(undefined)?.low).toBe(4.1);
		expect(full('high-voltage')?.low).toBe(4.25);
		expect(full('percent')?.unit).toBe('%');
		expect(limitOf({ aircraft: craft('camera') }, 'pack-voltage')?.unit).toBe('%');
	});

	it('of the return height lie above the tallest thing of the place, which is named', () => {
		const at = (heights: number[]) => limitOf({ aircraft: craft('multirotor'), site: site(heights) }, 'return-height');
		expect(at([12, 31, 8])).toMatchObject({ low: 41, high: 120 });
		expect(at([12, 31, 8])?.source).toContain('Tree 1, 31 m high');
		expect(at([])?.low).toBe(15);
		expect(at([140])).toMatchObject({ low: 150, high: 160 });
	});
});

describe('words made for the aircraft', () => {
	it('say how its propellers are held, and which sides it does not see', () => {
		expect(textOf({ aircraft: craft('multirotor', { propellers: 'quick' }) }, 'props-on')).toContain('snapped in');
		expect(textOf({ aircraft: craft('multirotor') }, 'props-on')).toContain('nuts or screws');
		const front = craft('camera', { obstacleSides: ['front', 'down'] });
		expect(textOf({ aircraft: front }, 'obstacle-sides')).toMatch(/^It does not see: rear, left, right, up;/);
		expect(textOf({ aircraft: craft('camera') }, 'obstacle-sides')).toMatch(/^Known which sides/);
	});

	it('ask for two compasses to be compared only where there are two and their data are shown', () => {
		const ids = (a: Aircraft) => checklistFor({ aircraft: a }).map(({ id }) => id);
		expect(ids(craft('multirotor', { compasses: 2 }))).toContain('compass-pair');
		expect(ids(craft('multirotor', { compasses: 1 }))).not.toContain('compass-pair');
		expect(ids(craft('camera', { compasses: 2 }))).not.toContain('compass-pair');
	});
});

describe('every item there is', () => {
	it('has words for entries of any session, as this setting would ask it', () => {
		const wing = { aircraft: craft('wing', { surfaces: 'v-tail' as const }) };
		const all = everyItem(wing);
		expect(all.get('nudge-roll')?.text).toBeTruthy();
		expect(all.get('surfaces')?.text).toBe(textOf(wing, 'surfaces'));
	});
});

describe('what an event undoes', () => {
	it('is an item that somebody can be asked, or a sensor’s task', () => {
		const known = new Set(everyItem({ aircraft: craft('multirotor') }).keys());
		const affected = [
			...eventKindSchema.options.map((what) => undoneBy(what)),
			...componentSchema.options.map((component) => undoneBy('part', { component })),
		];
		for (const tasks of affected)
			for (const task of tasks)
				expect(
					known.has(task) ||
						/^(due-|compass|link-loss|position|hover|flow|feed|site-field|trim|motor-walk|surface-grid|propellers|straps|spray-lines|spreader-steps|self-righting|obstacle-sides|way-home|return-switch|return-radio-off|interference|sound)/.test(
							task,
						),
					task,
				).toBe(true);
	});
});

describe('where practitioners differ about first flights', () => {
	const first = (ladder: Aircraft['ladder'], venue: 'open' | 'roof' = 'open') =>
		checklistFor({ aircraft: craft('multirotor', { ladder }), session: { occasion: 'first', venue } });
	const one = (list: ReturnType<typeof first>, id: string) => list.find((item) => item.id === id);

	it('the default is outdoors, at head height, taken off by hand, with a rung for the height hold', () => {
		const list = first(undefined);
		expect(one(list, 'first-rung')?.text).toContain('at head height');
		expect(one(list, 'take-off')?.text).toContain('by hand');
		expect(one(list, 'height-rung')).toBeDefined();
		expect(one(first(undefined, 'roof'), 'first-rung')?.rung).toBeUndefined();
	});
	it('another school changes its own rungs and nothing else', () => {
		expect(one(first({ firstHeight: 'low' }), 'first-rung')?.rung?.stick).toContain('a foot or two');
		expect(one(first({ takeOff: 'automatic' }), 'take-off')?.text).toContain('by itself');
		expect(one(first({ heightRung: false }), 'height-rung')).toBeUndefined();
		const hall = one(first({ firstHover: 'indoors' }, 'roof'), 'first-rung');
		expect(hall?.rung?.seconds).toBe(60);
		expect(hall?.caution).toContain('ceiling');
		expect(hall?.because).toContain('as chosen');
	});
});

describe('an anomaly that was logged', () => {
	const asked = (days: number) => {
		const at = new Date(Date.UTC(2026, 4, 14 - days, 9)).toISOString();
		const events = [{ id: 'e', at, kind: 'odd-flight' as const, note: 'drifts to the left' }];
		const entries = [entryOf(0, ticked('frame'))];
		return checklistFor({ aircraft: craft('multirotor', { events }), entries }).find(({ id }) => id === 'anomaly-gone');
	};
	it('is looked for again in the hover for two weeks, by its note', () => {
		expect(asked(3)?.text).toContain('drifts to the left');
		expect(asked(3)?.station).toBe('hover');
		expect(asked(20)).toBeUndefined();
		expect(asked(-2)).toBeUndefined();
	});
});
