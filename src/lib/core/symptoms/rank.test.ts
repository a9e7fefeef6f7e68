import { describe, expect, it } from 'vitest';
import { symptomAnswerSchema, symptomRequestSchema } from '../../schema/symptoms';
import { rankSymptoms } from './rank';
import { fittingTo, TABLE } from './table';
import type { SymptomKind } from '../../schema/symptoms';

type State = 'present' | 'absent' | 'unknown';
const seen = (...ids: string[]) => ids.map((id) => ({ id, state: 'present' as State }));
const ask = (kind: string, observations: object[], more: object = {}) =>
	rankSymptoms(symptomRequestSchema.parse({ kind, observations, ...more }));

describe('known answers', () => {
	it.each([
		[
			'multirotor',
			{},
			seen('flips'),
			{ 'board-orientation': 0.2572, 'motor-order': 0.1387, 'motor-direction': 0.129, 'prop-fitting': 0.1037 },
			[0.1197, 0.8524],
			'ground-entry',
			1.098,
		],
		[
			'multirotor',
			{ recent: ['firmware'] },
			seen('flips'),
			{ 'board-orientation': 0.5252, 'motor-order': 0.1142, 'motor-direction': 0.0797 },
			[0.0938, 0.8906],
			'ground-entry',
			0.877,
		],
		[
			'racer',
			{ tests: [{ id: 'mode-view', outcome: 'ok' }] },
			seen('pinned'),
			{ 'motor-direction': 0.1939, 'prop-fitting': 0.1937, 'pack-tired': 0.0654, 'recovery-mode': 0.0633 },
			[0.3359, 0.5761],
			'ground-entry',
			0.944,
		],
		[
			'multirotor',
			{},
			[...seen('circles'), { id: 'few-sats', state: 'absent' }],
			{ 'compass-cal': 0.3215, 'compass-mount': 0.2501, 'compass-current': 0.1971, 'site-magnetic': 0.0986 },
			[0.1067, 0.7697],
			'compass-settings',
			0.531,
		],
		[
			'camera',
			{ recent: ['knock'] },
			seen('leans'),
			{ 'accel-off': 0.711, 'slope-start': 0.0436 },
			[0.077, 0.0341],
			'hover-log',
			0.428,
		],
		[
			'wing',
			{},
			seen('wing-climbs', 'wing-bobs'),
			{ 'wing-level': 0.445, 'wing-gain': 0.3137, 'wing-balance': 0.191 },
			[0.0114, 0.2469],
			'wing-log',
			0.753,
		],
		[
			'sprayer',
			{ recent: ['storage'] },
			seen('nozzle-poor'),
			{ 'line-air': 0.4957, 'nozzle-blocked': 0.3779 },
			[0.0754, 0.0323],
			'prime-line',
			0.637,
		],
		[
			'longrange',
			{},
			seen('no-arm', 'no-fix'),
			{ 'not-locked': 0.8826, 'sky-blocked': 0.0584 },
			[0.0308, 0.0542],
			'wait-lock',
			0.354,
		],
	])('%s %j', (kind, more, observations, first, [none, danger3], next, gain) => {
		const answer = ask(kind, observations, more);
		Object.entries(first).forEach(([cause, probability], k) => {
			expect(answer.ranked[k].cause).toBe(cause);
			expect(answer.ranked[k].probability).toBeCloseTo(probability, 4);
		});
		expect(answer.noneOfThese).toBeCloseTo(none, 4);
		expect(answer.danger.level3).toBeCloseTo(danger3, 4);
		expect(answer.next?.test).toBe(next);
		expect(answer.next?.gainBits).toBeCloseTo(gain, 3);
		expect(symptomAnswerSchema.parse(answer)).toEqual(answer);
	});
});

/** The tree of symptoms that practice hands on: a sign, by which kinds, and the causes it points to first. */
const TREE: readonly [sign: string, kinds: SymptomKind[], causes: string[]][] = [
	['plug-dies', ['multirotor', 'racer', 'longrange'], ['plug-limit']],
	['winds-up', ['multirotor', 'racer', 'longrange'], ['loop-windup']],
	['revs-bounces', ['multirotor', 'racer', 'longrange'], ['ground-fight']],
	['view-exchanged', ['multirotor', 'wing', 'racer'], ['board-orientation']],
	['view-reversed', ['multirotor', 'wing', 'racer'], ['board-orientation']],
	['flips', ['multirotor', 'racer'], ['board-orientation', 'motor-order|motor-direction']],
	['circles', ['camera', 'multirotor'], ['compass-cal']],
	['leans', ['camera', 'multirotor'], ['accel-off']],
	['wobbles-low', ['camera', 'multirotor', 'toy'], ['ground-effect']],
	['wall', ['camera', 'toy'], ['wall-air']],
	['motors-hot', ['multirotor', 'racer'], ['gains-high']],
	['wing-bobs', ['wing'], ['wing-gain']],
	['wing-climbs', ['wing'], ['wing-level']],
	['horizon-tilted', ['camera'], ['gimbal-cal']],
	['camera-drifts', ['camera'], ['gimbal-cal']],
	['motor-silent', ['multirotor', 'racer'], ['controller-fault|harness-fault', 'controller-fault|harness-fault']],
	['nozzle-poor', ['sprayer'], ['line-air']],
	['feeder-still', ['sprayer'], ['spreader-fit|payload-mode']],
	['feeder-rate', ['sprayer'], ['spreader-fit']],
	['link-blinks', ['camera', 'multirotor', 'racer'], ['not-linked']],
	['radio-ignored', ['multirotor', 'racer'], ['receiver-waited|not-linked']],
	['pc-not-seen', ['camera', 'multirotor', 'racer'], ['usb-cable', 'usb-port']],
	['vision-frame', ['camera'], ['vision-setup']],
	['no-fix', ['camera', 'multirotor', 'longrange'], ['not-locked']],
	['surface-command', ['wing'], ['surface-channel']],
	['surface-tilt', ['wing'], ['stabiliser-sign']],
];

describe('the tree of symptoms', () => {
	it.each(TREE.flatMap(([sign, kinds, causes]) => kinds.map((kind) => [sign, kind, causes] as const)))(
		'%s of a %s',
		(sign, kind, causes) => {
			const first = ask(kind, seen(sign))
				.ranked.slice(0, 3)
				.map(({ cause }) => cause);
			for (const wanted of causes)
				expect(
					wanted.split('|').some((c) => first.includes(c)),
					`${wanted} in ${first}`,
				).toBe(true);
			expect(causes[0].split('|')).toContain(first[0]);
		},
	);
});

const WHOLE = { compasses: 2, position: true, camera: true };
const KINDS = Object.keys(TABLE.equipmentByKind) as SymptomKind[];

describe('the table', () => {
	it.each(KINDS)('holds together for a %s', (kind) => {
		const { causes, observations, tests } = fittingTo({ kind, has: WHOLE });
		const clear = ['always', 'usually', 'sometimes'];
		for (const cause of causes) {
			const signs = observations.filter(({ id }) => clear.includes(cause.shows[id]));
			expect(signs.length, `a sign of ${cause.id}`).toBeGreaterThan(0);
			const finds = tests.filter(({ outcomes }) =>
				outcomes.some(({ finds: f }) => ['always', 'usually'].includes(f?.[cause.id] ?? '')),
			);
			expect(finds.length, `a test that finds ${cause.id}`).toBeGreaterThan(0);
			if (cause.danger === 3)
				expect(
					finds.some(({ exposure }) => ['off', 'still', 'powered'].includes(exposure)),
					cause.id,
				).toBe(true);
			for (const check of cause.repeat) expect(TABLE.repeats[check], check).toBeDefined();
		}
		for (const { id } of observations)
			expect(
				causes.some(({ shows }) => shows[id] !== undefined),
				`a cause of ${id}`,
			).toBe(true);
		for (const { id, outcomes, exposure, caution } of tests) {
			expect(outcomes[0].id, id).toBe('ok');
			if (exposure === 'powered') expect(caution, id).toMatch(/ropellers? off/);
		}
	});
});

describe('what may be done now', () => {
	it('nothing with propellers on while a sign locks, and what locks is named', () => {
		const answer = ask('multirotor', seen('motor-rough', 'shakes'), { reached: 'hover' });
		expect(answer.danger).toMatchObject({ locked: true, lockedBy: ['motor-rough'] });
		expect(answer.reasons[0].code).toBe('locked');
		const on = new Set(TABLE.tests.filter((t) => ['ground', 'hover', 'flight'].includes(t.exposure)).map((t) => t.id));
		for (const { test, before } of answer.tests) expect(on.has(test) || before !== undefined, test).toBe(false);
	});

	it.each(KINDS)(
		'any sign of a %s: never a pass, nothing in the air before propellers and frame were looked at',
		(kind) => {
			for (const { id, when } of fittingTo({ kind, has: WHOLE }).observations) {
				const answer = ask(kind, seen(id), { has: WHOLE, reached: when === 'after' ? 'after' : 'landing' });
				expect(answer.verdict, id).not.toBe('pass');
				expect(answer.reasons.length, id).toBeGreaterThan(0);
				expect(answer.noneOfThese, id).toBeLessThan(0.9);
				for (const { test } of answer.tests)
					expect(['ground', 'hover', 'flight'], `${id} ${test}`).not.toContain(
						TABLE.tests.find((t) => t.id === test)?.exposure,
					);
			}
		},
	);

	it('a swollen pack is exchanged, and nothing else is powered', () => {
		const answer = ask('racer', seen('pack-swollen'), { reached: 'after' });
		for (const { test } of answer.tests) {
			const { exposure } = TABLE.tests.find((t) => t.id === test) ?? { exposure: 'off' };
			expect(exposure === 'off' || test === 'other-pack', test).toBe(true);
		}
	});

	it('a place or a look that is skipped holds back what needs it', () => {
		const bench = ask('camera', seen('circles'), { place: 'bench' });
		expect(bench.tests.every(({ test }) => TABLE.tests.find((t) => t.id === test)?.place !== 'field')).toBe(true);
		expect(bench.withheld.some(({ why }) => why === 'place')).toBe(true);
		const first = ask('camera', seen('circles')).next?.test ?? '';
		expect(ask('camera', seen('circles'), { skip: [first] }).tests.map(({ test }) => test)).not.toContain(first);
	});
});

describe('evidence', () => {
	const flips = seen('flips');

	it('the gain of asking, and what speaks for a cause, are those of the method', () => {
		const answer = ask('multirotor', flips);
		expect(answer.questions.find(({ id }) => id === 'motor-silent')?.gainBits).toBeCloseTo(0.277, 3);
		expect(answer.tests.find(({ test }) => test === 'spin-each')?.gainBits).toBeCloseTo(0.788, 3);
		expect(answer.ranked[0].for[0]).toMatchObject({ from: 'observation', id: 'flips' });
		expect(answer.ranked[0].for[0].bits).toBeCloseTo(5.19, 2);
		const wing = ask('wing', seen('wing-climbs', 'wing-bobs')).ranked[0];
		expect(wing.for[0].bits).toBeCloseTo(3.38, 2);
		expect(wing.against[0].bits).toBeCloseTo(-1.23, 2);
	});

	it('does not depend on the order in which it was told', () => {
		const a = ask('multirotor', seen('circles', 'few-sats', 'leans'));
		const b = ask('multirotor', seen('leans', 'circles', 'few-sats'));
		expect(b.ranked.map(({ cause }) => cause)).toEqual(a.ranked.map(({ cause }) => cause));
		expect(b.entropyBits).toBeCloseTo(a.entropyBits ?? NaN, 9);
	});

	it('the ground response takes the place of what the nudges are told to be, and still locks', () => {
		const response = {
			layout: 'quad-x',
			spin: 'front-inward',
			observed: {
				rollRight: 'opposite',
				pitchForward: 'as-commanded',
				yawRight: 'as-commanded',
				throttle: 'not-tried',
			},
		};
		const told = ask('multirotor', seen('tilts-wrong'));
		expect(told.handOver?.to).toBe('ground-response');
		const entered = ask('multirotor', seen('tilts-wrong'), { response });
		expect(entered.handOver).toBeUndefined();
		expect(entered.danger.lockedBy).toEqual(['tilts-wrong']);
		const alone = ask('multirotor', [], { response, reached: 'ground' });
		expect(alone.ranked[0].for.some(({ from }) => from === 'response')).toBe(true);
		expect(alone.ranked.slice(0, 3).map(({ cause }) => cause)).toContain('channel-map');
	});

	it('a remedy that helped or did not moves the odds; twice without effect asks the maker', () => {
		const p = (more: object) =>
			ask('camera', seen('leans'), more).ranked.find((r) => r.cause === 'accel-off')?.probability ?? 0;
		const one = { cause: 'accel-off', result: 'persists' };
		expect(p({ remedies: [one] })).toBeLessThan(p({}));
		expect(p({ remedies: [{ ...one, result: 'gone' }] })).toBeGreaterThan(p({}));
		const stubborn = ['camera', 'wing', 'sprayer'].flatMap((kind) =>
			fittingTo({ kind: kind as SymptomKind, has: {} }).observations.flatMap(({ id }, k) => {
				if (k % 4 > 0) return [];
				const [top] = ask(kind, seen(id)).ranked;
				const tried = { cause: top?.cause, result: 'persists' };
				const after = top && ask(kind, seen(id), { remedies: [tried, tried] });
				return after && after.ranked[0]?.cause === top.cause ? [after.stop.state] : [];
			}),
		);
		expect(stubborn.length).toBeGreaterThan(0);
		expect(new Set(stubborn)).toEqual(new Set(['ask-maker']));
	});

	it('is never settled by words, and settled by a test that finds it', () => {
		const words = ask('longrange', seen('no-arm', 'no-fix'));
		expect(words.ranked[0].probability).toBeGreaterThan(0.8);
		expect(words.stop.state).toBe('go-on');
		const tested = ask('longrange', seen('no-arm', 'no-fix'), {
			tests: [{ id: 'wait-lock', outcome: TABLE.tests.find((t) => t.id === 'wait-lock')?.outcomes[1].id }],
		});
		expect(tested.stop.state).toBe('settled');
		expect(tested).toMatchObject({ next: null, tests: [], questions: [] });
	});

	it('nothing seen ranks nothing, and “don’t know” takes the silence away', () => {
		const none = ask('camera', [{ id: 'circles', state: 'absent' }]);
		expect(none).toMatchObject({ ranked: [], noneOfThese: null, next: null, verdict: 'fail' });
		expect(none.reasons[0].code).toBe('insufficient-observations');
		expect(symptomAnswerSchema.parse(none)).toEqual(none);
		const silent = ask('camera', seen('leans'), { reached: 'flight' });
		const unknown = ask('camera', [...seen('leans'), { id: 'return-wrong', state: 'unknown' }], { reached: 'flight' });
		expect(unknown.entropyBits).not.toBeCloseTo(silent.entropyBits ?? NaN, 9);
	});
});

describe('what is refused, with its place', () => {
	it.each([
		['observations.0.id', 'camera', seen('wing-climbs'), {}],
		['observations.1.id', 'camera', seen('leans', 'leans'), {}],
		['tests.0.id', 'camera', seen('leans'), { tests: [{ id: 'nothing', outcome: 'ok' }] }],
		['tests.0.outcome', 'camera', seen('leans'), { tests: [{ id: 'prop-look', outcome: 'nothing' }] }],
		['remedies.0.cause', 'camera', seen('leans'), { remedies: [{ cause: 'wing-level', result: 'gone' }] }],
		['skip.0', 'camera', seen('leans'), { skip: ['nothing'] }],
		['reached', 'camera', seen('misses'), { reached: 'hover' }],
	])('%s', (path, kind, observations, more) => {
		expect(() => ask(kind, observations, more)).toThrow(expect.objectContaining({ path }));
	});
});
