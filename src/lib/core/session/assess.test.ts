import { describe, expect, it } from 'vitest';
import type { Aircraft, StationId } from '../../schema/records';
import type { Entry, EntryPayload, EventKind, Grade, Odd, TestPayload } from '../../schema/entries';
import { newAircraft } from '../../schema/newAircraft';
import { aircraftDue } from '../due/aircraftDue';
import { sensorDue } from '../due/due';
import { assessSession } from './assess';
import { checklistFor } from './items';
import type { SessionEvidence } from './sessionRecord';
import { ENTERED_BY_MISTAKE } from './stop';
import { fellDue } from './task';

const NOW = '2026-05-14T09:00:00.000Z';
const aircraft = (more: Partial<Aircraft> = {}): Aircraft => ({
	...newAircraft('a', 'multirotor', NOW),
	name: 'Dunlin',
	...more,
});

const entries = (...payloads: [StationId, EntryPayload][]): Entry[] =>
	payloads.map(([station, payload], seq) => ({
		id: `e${seq}`,
		sessionId: 's',
		aircraftId: 'a',
		seq,
		at: `2026-05-14T10:${String(seq).padStart(2, '0')}:00.000Z`,
		by: 'Pilot',
		station,
		corrects: null,
		payload,
		previous: '0'.repeat(64),
		hash: '0'.repeat(64),
	}));
const assess = (list: Entry[], more: Partial<SessionEvidence> = {}) =>
	assessSession({
		aircraft: aircraft(),
		session: { kind: 'flight' },
		entries: list,
		due: [],
		done: new Map(),
		unverified: [],
		chain: { ok: true, entries: list.length, broken: [], remarks: [] },
		units: 'metric',
		...more,
	});

const check = (
	task: string,
	outcome: 'done' | 'doubtful' | 'failed' | 'aside',
	reason = '',
	odd?: Odd,
): EntryPayload => ({
	kind: 'check',
	task,
	outcome,
	value: null,
	unit: '',
	waitedS: null,
	reason,
	grade: 'seen',
	...(odd ? { odd } : {}),
});
const test = (
	task: 'site-field' | 'position' | 'hover' | 'way-home',
	verdict: 'pass' | 'caution' | 'fail',
	grade: Grade = 'measured',
): EntryPayload => ({
	kind: 'test',
	task,
	grade,
	sourceName: 'x.csv',
	headline: `${task} ${verdict}`,
	figures: [],
	verdict,
	reasons: [],
});
const compass = (
	verdict: 'pass' | 'caution' | 'fail',
	accepted: 'accepted' | 'kept-aside',
	headingSigmaDeg = 0.4,
): EntryPayload => ({
	kind: 'calibration',
	task: 'compass',
	accepted,
	grade: 'measured',
	sourceName: 'x.csv',
	hardIronUt: [1, 2, 3],
	softIron: [
		[1, 0, 0],
		[0, 1, 0],
		[0, 0, 1],
	],
	fieldUt: 50,
	headingSigmaDeg,
	headingBeforeDeg: 20,
	headingAfterDeg: 0.5,
	samples: 900,
	rejected: 0,
	place: { latDeg: 54, lonDeg: -3, altM: 10 },
	verdict,
	reasons: [],
});
const wind = (gustMps: number): EntryPayload => ({
	kind: 'wind',
	task: 'wind',
	grade: 'told',
	fromDeg: 240,
	speedMps: gustMps / 1.5,
	gustMps,
});
const aside = (task: string, reason = 'club field'): EntryPayload => ({
	kind: 'aside',
	task,
	reason,
	signedBy: 'Pilot',
});
const event = (what: EventKind, note = ''): EntryPayload => ({ kind: 'event', task: 'event', what, note });
const decide = (task: 'arm' | 'flight', decision: 'fly' | 'hold' = 'fly'): EntryPayload => ({
	kind: 'decision',
	task,
	decision,
	about: 'session',
	reason: '',
	signedBy: 'Pilot',
	marks: [],
});

/** Everything up to the first gate, seen and right. */
const upToArm = (craft = aircraft()): [StationId, EntryPayload][] => [
	...checklistFor({ aircraft: craft })
		.filter(({ station }) => !['response', 'hover', 'close'].includes(station))
		.map((item): [StationId, EntryPayload] => [item.station, check(item.id, 'done')]),
	['compass', test('site-field', 'pass')],
	['compass', compass('pass', 'accepted')],
	['power-up', check('restarted', 'done')],
	['position', test('position', 'pass')],
	['return', wind(3)],
	['return', test('way-home', 'pass')],
];
const behindArm = (craft = aircraft()): [StationId, EntryPayload][] => [
	...checklistFor({ aircraft: craft })
		.filter(({ station }) => station === 'response' || station === 'hover')
		.map((item): [StationId, EntryPayload] => [item.station, check(item.id, 'done')]),
	['hover', test('hover', 'pass')],
];
const everything = (): [StationId, EntryPayload][] => [...upToArm(), ['arm', decide('arm')], ...behindArm()];

type State = ReturnType<typeof assess>;
const tasksOf = (state: State) => state.stations.flatMap(({ tasks }) => tasks);
const taskOf = (state: State, task: string) => tasksOf(state).find((t) => t.task === task);
const markOf = (state: State, task: string) => taskOf(state, task)?.mark;
const station = (state: State, id: StationId) => state.stations.find((s) => s.id === id);

describe('a session in which nothing was seen', () => {
	it('has no clear station and no clear task, and both gates are shut', () => {
		const state = assess([]);
		expect(state.fly.clear).toEqual([]);
		expect(state.stations.some(({ mark }) => mark === 'clear')).toBe(false);
		expect(state.arm.headline).toMatch(/between you and arming|not been seen/);
		expect([state.arm.open, state.fly.open]).toEqual([false, false]);
	});
});

describe('the two gates', () => {
	it('Arm opens by a decision once everything before it was seen; Fly once everything was', () => {
		const before = assess(entries(...upToArm()));
		expect([before.arm.headline, before.arm.unsettled, before.arm.open]).toEqual([
			'Nothing here blocks arming',
			0,
			false,
		]);
		const armed = assess(entries(...upToArm(), ['arm', decide('arm')]));
		expect([armed.arm.open, armed.fly.open]).toEqual([true, false]);
		const ready = assess(entries(...everything()));
		expect([ready.fly.headline, ready.fly.open]).toEqual(['Nothing here blocks the flight', false]);
		expect(assess(entries(...everything(), ['fly', decide('flight')])).fly.open).toBe(true);
	});

	it('lose their word when any one thing is missing', () => {
		const all = everything();
		all.forEach(([, payload], k) => {
			if (payload.kind === 'decision') return;
			const state = assess(entries(...all.filter((_, i) => i !== k)));
			expect(state.fly.headline, payload.task).toMatch(/not been seen|stands? between/);
			expect(state.fly.unsettled, payload.task).toBeGreaterThan(0);
		});
	});

	it('a decision to hold shuts them, and a decision does not outlive what turns up after it', () => {
		expect(assess(entries(...upToArm(), ['arm', decide('arm', 'hold')])).arm.open).toBe(false);
		const since = assess(entries(...everything(), ['fly', decide('flight')], ['position', test('position', 'fail')]));
		expect([since.arm.open, since.fly.open]).toEqual([false, false]);
	});

	it('each thing is set aside by itself; one sentence is not a waiver for thirty', () => {
		const one = assess(entries(['plan', aside('legal')]));
		expect(markOf(one, 'legal')).toBe('aside');
		expect(one.arm.unsettled).toBe(assess([]).arm.unsettled - 1);
		const old: EntryPayload = {
			...decide('flight'),
			task: 'measurement-aside',
			decision: 'aside',
			about: 'position',
		} as EntryPayload;
		expect(markOf(assess(entries(['position', old])), 'position')).toBe('aside');
	});

	it('nothing behind Arm can be answered before it, and nothing behind a wrong nudge', () => {
		expect(taskOf(assess(entries(...upToArm())), 'nudge-roll')?.shut).toContain('Arm');
		expect(taskOf(assess(entries(...upToArm(), ['arm', decide('arm')])), 'nudge-roll')?.shut).toBe('');
	});

	it('a record that does not verify holds both', () => {
		const chain = {
			ok: false,
			entries: 3,
			broken: [{ number: 2, where: 'Entry 2', what: 'its content was changed' }],
			remarks: [],
		};
		const state = assess(entries(...everything()), { chain });
		expect(taskOf(state, 'record')?.detail).toBe('Entry 2: its content was changed.');
		expect([state.arm.unsettled, state.fly.unsettled]).toEqual([1, 1]);
	});
});

describe('a station whose item holds', () => {
	const planned = (payload: EntryPayload) => station(assess(entries(['plan', payload])), 'plan');
	it.each([
		['frame', 'bench', 'A screw is loose.', 'Not as it should be: a screw is loose'],
		['people', 'plan', 'Dogs or other animals', 'Not as it should be: dogs or other animals'],
		['people', 'plan', '', /^Not as it should be: no people, dogs/],
		['people', 'plan', 'x'.repeat(120), /^Not as it should be: no people, dogs/],
	] as const)('has what was found as its headline, not what it should be: %s, “%s”', (task, at, reason, headline) => {
		const state = station(assess(entries([at, check(task, 'failed', reason)])), at);
		if (typeof headline === 'string') expect(state?.headline).toBe(headline);
		else expect(state?.headline).toMatch(headline);
	});
	it.each([
		['GPS lost again', 'Not as it should be: GPS lost again'],
		['D-3 swollen', 'Not as it should be: D-3 swollen'],
	])('leaves names as they were written: %s', (reason, headline) => {
		expect(planned(check('people', 'failed', reason))?.headline).toBe(headline);
	});
	it('that was set aside says so on the line', () => {
		expect(planned(check('people', 'aside', 'none here'))?.summary).not.toMatch(/^Not as it should be/);
	});
	it('of a value tells the value, on the line too', () => {
		const volts = { ...check('pack-voltage', 'failed'), value: 3.4, unit: 'V per cell' } as EntryPayload;
		expect(planned(volts)?.headline).toBe('Pack at rest, volts per cell: 3.4 V per cell, not as it should be');
		expect(planned(volts)?.summary).toBe('Pack at rest');
	});
});

describe('the ground response', () => {
	const nudged = (...checks: EntryPayload[]) =>
		assess(
			entries(...upToArm(), ['arm', decide('arm')], ...checks.map((c): [StationId, EntryPayload] => ['response', c])),
		);

	it('stops at the first wrong answer, shuts what is behind it, and says so as its headline', () => {
		const state = nudged(check('nudge-roll', 'failed', '', 'opposite'));
		expect(station(state, 'response')?.headline).toMatch(/^Stop/);
		expect(taskOf(state, 'nudge-pitch')?.shut).toMatch(/^Stopped/);
		expect(taskOf(state, 'hover')?.shut).toMatch(/^Stopped/);
		expect(taskOf(state, 'nudge-roll')?.offered).toBeNull();
		expect(taskOf(state, 'nudge-roll')?.detail).toContain('the other way');
		expect(state.fly.open).toBe(false);
	});

	it('a doubtful answer is a caution and stops nothing', () => {
		const state = nudged(check('nudge-roll', 'doubtful'));
		expect(markOf(state, 'nudge-roll')).toBe('caution');
		expect(taskOf(state, 'nudge-pitch')?.shut).toBe('');
	});

	it('goes on once something was changed, and asks every nudge again', () => {
		const state = nudged(
			check('nudge-roll', 'done'),
			check('nudge-pitch', 'failed', '', 'flips'),
			event('part', 'propeller'),
		);
		expect(taskOf(state, 'response-stop')).toBeUndefined();
		for (const task of ['nudge-roll', 'nudge-pitch', 'props-on', 'frame'])
			expect(markOf(state, task), task).toBe('unseen');
		expect(state.arm.open).toBe(false);
	});
});

describe('the ladder of first flights', () => {
	const climbed = (...more: [StationId, EntryPayload][]) =>
		assess(entries(...upToArm(), ['arm', decide('arm')], ...more));

	it('ends with a fault: what is behind it is shut, and it cannot be set aside', () => {
		expect(taskOf(climbed(), 'hover')?.shut).toBe('');
		const state = climbed(['hover', check('first-rung', 'failed', 'leaned to the left')]);
		expect(taskOf(state, 'hover')?.shut).toMatch(/^Stopped/);
		expect(taskOf(state, 'first-rung')).toMatchObject({ mark: 'hold', offered: null, shut: '' });
		expect(state.fly.open).toBe(false);
	});

	it('begins again once something was changed, from its first rung', () => {
		const state = climbed(
			['hover', check('first-rung', 'failed', 'leaned to the left')],
			['hover', event('settings', 'gains back')],
		);
		expect(markOf(state, 'first-rung')).toBe('unseen');
		expect(taskOf(state, 'hover')?.shut ?? '').not.toMatch(/fault/);
	});

	it('has a mode, seconds, what to watch and what ends it on every rung, and none under a roof', () => {
		const rungs = (['multirotor', 'wing', 'longrange', 'sprayer'] as const).flatMap((kind) =>
			checklistFor({
				aircraft: newAircraft('r', kind, NOW),
				session: { occasion: 'first', venue: 'open' },
			}).flatMap(({ id, rung }) => (rung ? [{ id, ...rung }] : [])),
		);
		expect(new Set(rungs.map(({ id }) => id))).toEqual(
			new Set(['first-rung', 'height-rung', 'launch', 'laps-rung', 'circle-rung', 'follows']),
		);
		for (const { seconds, watch, ends, gustMps } of rungs) {
			expect(seconds).toBeGreaterThanOrEqual(30);
			expect(Math.min(watch.length, ends.length)).toBeGreaterThan(20);
			expect(gustMps).toBeGreaterThan(0);
		}
	});
});

describe('what happened', () => {
	it('asks again just what it may have undone, and says why', () => {
		const state = assess(entries(...everything(), ['fly', event('unplugged')]));
		for (const task of ['still', 'link', 'position']) expect(markOf(state, task), task).toBe('unseen');
		for (const task of ['legal', 'frame', 'compass', 'nudge-roll', 'props-on'])
			expect(markOf(state, task), task).toBe('clear');
		expect(taskOf(state, 'position')?.detail).toBe('Asked again: pack unplugged.');
		expect(state.arm.decision).toBeNull();
	});

	it('what was seen after it counts', () => {
		const state = assess(entries(...everything(), ['fly', event('unplugged')], ['position', test('position', 'pass')]));
		expect(markOf(state, 'position')).toBe('clear');
	});

	it('a new firmware undoes a calibration, a test and what was set aside about it', () => {
		const state = assess(
			entries(['compass', compass('pass', 'accepted')], ['power-up', aside('link')], ['bench', event('firmware', '2')]),
			{
				due: [sensorDue('compass', aircraft(), null, null, NOW)],
			},
		);
		expect(markOf(state, 'compass')).toBe('unseen');
		expect(markOf(state, 'link')).toBe('unseen');
	});
});

describe('simulated data', () => {
	it('never clear anything of a real session, and say so', () => {
		for (const task of ['site-field', 'position', 'hover'] as const) {
			const state = assess(entries([task === 'hover' ? 'hover' : 'site', test(task, 'pass', 'rehearsed')]));
			expect(markOf(state, task), task).toBe('unseen');
			expect(taskOf(state, task)?.detail).toContain('do not count');
		}
	});

	it('count in a rehearsal', () => {
		const rehearsed = everything().map(([at, payload]): [StationId, EntryPayload] => [
			at,
			'grade' in payload ? ({ ...payload, grade: 'rehearsed' } as EntryPayload) : payload,
		]);
		expect(assess(entries(...rehearsed), { session: { kind: 'rehearsal' } }).fly.unsettled).toBe(0);
		expect(assess(entries(...rehearsed)).fly.unsettled).toBeGreaterThan(20);
	});

	it('do not hide what was measured before them', () => {
		const state = assess(entries(['hover', test('hover', 'fail')], ['hover', test('hover', 'pass', 'rehearsed')]));
		expect(markOf(state, 'hover')).toBe('hold');
	});
});

describe('power-up', () => {
	const due = [sensorDue('gyro', aircraft(), null, null, NOW)];
	it('does not begin while something that needs the propellers off is due and not set aside', () => {
		const state = assess(entries(...upToArm()), { due });
		expect(markOf(state, 'propellers-off')).toBe('hold');
		expect(taskOf(state, 'link')?.shut).toContain('propellers');
		expect(
			taskOf(assess(entries(...upToArm(), ['bench', aside('due-gyro')]), { due }), 'propellers-off'),
		).toBeUndefined();
		const stay = assess(entries(...upToArm()), { due, aircraft: aircraft({ propellersStayOn: true }) });
		expect(taskOf(stay, 'propellers-off')).toBeUndefined();
	});
});

describe('what holds', () => {
	it('the latest entry about a task counts, in both directions', () => {
		const bad: [StationId, EntryPayload] = ['hover', test('hover', 'fail')];
		const good: [StationId, EntryPayload] = ['hover', test('hover', 'pass')];
		expect(markOf(assess(entries(...everything(), bad)), 'hover')).toBe('hold');
		expect(markOf(assess(entries(...everything(), bad, good)), 'hover')).toBe('clear');
	});

	it('a hold stands first, then what was not seen, then cautions, then what was set aside', () => {
		const state = assess(
			entries(
				['hover', test('hover', 'fail')],
				['site', test('site-field', 'caution')],
				['plan', check('legal', 'aside', 'club field')],
			),
		);
		const marks = state.fly.blocking.map(({ mark }) => mark);
		expect(marks[0]).toBe('hold');
		expect(marks.indexOf('caution')).toBeGreaterThan(marks.lastIndexOf('unseen'));
		expect(marks.at(-1)).toBe('aside');
		expect(state.fly.headline).toMatch(/^One thing stands between you and take-off; \d+ not seen yet$/);
		expect(state.fly.blocking.at(-1)?.detail).toContain('club field');
	});

	it('a calibration kept aside is not in force', () => {
		expect(markOf(assess(entries(['site', compass('pass', 'kept-aside')])), 'compass')).toBe('unseen');
	});

	it('an accepted calibration looser than the aircraft’s own limit is a caution', () => {
		expect(markOf(assess(entries(['site', compass('pass', 'accepted', 1.4)])), 'compass')).toBe('caution');
		const strict = { aircraft: aircraft({ compassHeadingLimitDeg: 0.2 }) };
		expect(markOf(assess(entries(['site', compass('pass', 'accepted')]), strict), 'compass')).toBe('caution');
	});

	it.each([
		[3, 'clear'],
		[5.2, 'caution'],
		[6, 'hold'],
		[9, 'hold'],
	])('gusts of %s m/s against a return speed of 6 are %s', (gust, mark) => {
		expect(markOf(assess(entries(['return', wind(gust)])), 'wind')).toBe(mark);
	});

	it('a failed item weighs as its kind says', () => {
		expect(markOf(assess(entries(['plan', check('legal', 'failed')])), 'legal')).toBe('hold');
		expect(markOf(assess(entries(['plan', check('daylight', 'failed')])), 'daylight')).toBe('caution');
	});

	it('a measurement set aside stays visible, and counts again once it is made', () => {
		expect(markOf(assess(entries(['position', aside('position')])), 'position')).toBe('aside');
		expect(
			markOf(assess(entries(['position', aside('position')], ['position', test('position', 'pass')])), 'position'),
		).toBe('clear');
	});
});

describe('the aircraft decides what is on the line', () => {
	it('a racer without receiver and compass has no position station and no compass', () => {
		const state = assess([], { aircraft: aircraft({ kind: 'racer', compasses: 0, hasPosition: false }) });
		expect(state.stations.map(({ id }) => id)).not.toContain('position');
		expect(markOf(state, 'compass')).toBeUndefined();
	});

	it('a wing has no hover and no nudges on the ground, but surfaces and balance', () => {
		const tasks = assess([], { aircraft: aircraft({ kind: 'wing', rotors: 0 }) }).stations.flatMap((s) =>
			s.tasks.map((t) => t.task),
		);
		expect(tasks).not.toContain('hover');
		expect(tasks).not.toContain('nudge-roll');
		expect(tasks).toEqual(expect.arrayContaining(['surfaces', 'balance']));
	});
});

describe('what is due on the bench', () => {
	const due = (['accelerometer', 'gyro'] as const).map((sensor) => sensorDue(sensor, aircraft(), null, null, NOW));
	const done = (sensor: 'accelerometer' | 'gyro', verdict: 'pass' | 'caution' | 'fail', grade: Grade = 'measured') =>
		({ ...test('hover', verdict, grade), task: 'six-faces', sensor, headline: `${sensor} ${verdict}` }) as EntryPayload;
	const bench = (...payloads: EntryPayload[]) => {
		const state = assess(entries(...payloads.map((p): [StationId, EntryPayload] => ['bench', p])), { due });
		return { gyro: taskOf(state, 'due-gyro'), accelerometer: taskOf(state, 'due-accelerometer'), state };
	};

	it('is a task a sensor, unseen until it was done', () => {
		expect(bench().gyro?.mark).toBe('unseen');
		expect(bench().gyro?.title).toBe('Gyro is due');
		const one = bench(done('accelerometer', 'pass'));
		expect([one.accelerometer?.mark, one.gyro?.mark]).toEqual(['clear', 'unseen']);
		expect([one.accelerometer, one.gyro].map((task) => task && fellDue(task))).toEqual([false, true]);
	});
	it('speaks with its latest finding, by its grade; a guided one counts', () => {
		expect(bench(done('accelerometer', 'fail')).accelerometer).toMatchObject({
			mark: 'hold',
			title: 'accelerometer fail',
		});
		expect(bench(done('accelerometer', 'fail'), done('accelerometer', 'pass', 'guided')).accelerometer).toMatchObject({
			mark: 'clear',
			grade: 'guided',
		});
		expect(bench(done('gyro', 'pass', 'told')).gyro?.detail).toContain('does not count');
	});
	it('may be set aside with its reason, which ends when it is taken up again', () => {
		expect(bench(aside('due-gyro', 'factory values')).gyro).toMatchObject({ mark: 'aside' });
		expect(bench(aside('due-gyro', 'factory values')).gyro?.detail).toContain('factory values');
		expect(bench(aside('due-gyro'), done('gyro', 'caution')).gyro?.mark).toBe('caution');
	});
	it('is clear where nothing is due, and absent where nothing can be', () => {
		const since = { at: '2026-05-14T08:00:00.000Z', place: null };
		const fresh = [sensorDue('gyro', aircraft(), since, null, NOW)];
		expect(taskOf(assess([], { due: fresh }), 'due-gyro')?.mark).toBe('clear');
		expect(taskOf(assess([]), 'due-gyro')).toBeUndefined();
	});
});

describe('the link-loss test', () => {
	const due = [sensorDue('link-loss', aircraft(), null, null, NOW)];
	const tested = (verdict: 'pass' | 'fail'): EntryPayload =>
		({
			...test('hover', verdict, 'seen'),
			task: 'link-loss',
			sensor: 'link-loss',
			headline: 'Radio off',
		}) as EntryPayload;
	it('is one entry, for wings too, and an audit of settings never stands for it', () => {
		const audit = { ...tested('pass'), task: 'settings-audit', grade: 'measured' } as EntryPayload;
		expect(markOf(assess(entries(['bench', audit]), { due }), 'link-loss')).toBe('unseen');
		expect(markOf(assess(entries(['bench', tested('pass')]), { due }), 'link-loss')).toBe('clear');
		const wing = aircraft({ kind: 'wing', rotors: 0, lossAction: 'return' });
		const asked = assess([], { aircraft: wing, due: aircraftDue(wing, new Map(), null, NOW) });
		expect(taskOf(asked, 'link-loss')?.title).toContain('return home');
	});
});

describe('the compass of an aircraft that shows no data', () => {
	const guided = (verdict: 'pass' | 'fail'): EntryPayload =>
		({
			...test('hover', verdict, 'guided'),
			task: 'guided-compass',
			sensor: 'compass',
			headline: 'Two turns: done',
		}) as EntryPayload;
	const camera = { aircraft: aircraft({ kind: 'camera' }) };
	it('is calibrated by its own routine, and asked to be proved by a hover', () => {
		const state = assess(entries(['compass', guided('pass')]), camera);
		expect(taskOf(state, 'compass')).toMatchObject({ mark: 'clear', grade: 'guided' });
		expect(taskOf(state, 'hover')?.detail).toContain('compass');
		expect(markOf(assess(entries(['compass', guided('fail')]), camera), 'compass')).toBe('hold');
	});
	it('where data could be had, a routine alone is a caution', () => {
		expect(markOf(assess(entries(['compass', guided('pass')])), 'compass')).toBe('caution');
	});
	it('has no field to measure, but a place to look round', () => {
		const tasks = tasksOf(assess([], camera)).map(({ task }) => task);
		expect(tasks).toContain('site-clean');
		expect(tasks).not.toContain('site-field');
	});
});

describe('the field of a place measured without values in force', () => {
	const unproved: EntryPayload = {
		...test('site-field', 'caution'),
		reasons: [{ code: 'site-unproved', text: 'may be its own offset', level: 'caution' }],
	} as EntryPayload;
	it('is a caution until the compass is turned, which answers it', () => {
		expect(markOf(assess(entries(['compass', unproved])), 'site-field')).toBe('caution');
		const turned = entries(['compass', unproved], ['compass', compass('pass', 'accepted')]);
		expect(markOf(assess(turned), 'site-field')).toBe('clear');
		const failed = entries(['compass', unproved], ['compass', compass('fail', 'accepted')]);
		expect(markOf(assess(failed), 'site-field')).toBe('caution');
	});
});

describe('an aircraft set for indoors', () => {
	const settings = [
		{ id: 'link-loss', name: 'When the link is lost', outdoors: 'return', indoors: 'hover', back: false },
	];
	const indoor = (back: boolean) => ({
		aircraft: aircraft({
			indoor: { since: '2026-05-01T08:00:00.000Z', settings: settings.map((s) => ({ ...s, back })) },
		}),
	});
	const task = (list: Entry[], back: boolean) =>
		assess(list, indoor(back))
			.stations.flatMap(({ tasks }) => tasks)
			.find(({ task: name }) => name === 'indoor');

	it('holds until everything is back, unless it is set aside with a reason', () => {
		expect(task([], false)?.mark).toBe('hold');
		expect(task([], false)?.detail).toContain('when the link is lost');
		expect(task([], true)).toBeUndefined();
		expect(task(entries(['power-up', aside('indoor', 'flying in the hall')]), false)?.mark).toBe('aside');
	});
});

describe('a calibration', () => {
	const hover = (list: Entry[], more: Partial<SessionEvidence> = {}) =>
		assess(list, more)
			.stations.flatMap(({ tasks }) => tasks)
			.find(({ task }) => task === 'hover');
	const level = (verdict: 'pass' | 'fail'): EntryPayload =>
		({ ...test('hover', verdict), task: 'level', sensor: 'level' }) as EntryPayload;

	it('asks for a hover that verifies it, and for another where it came after one', () => {
		expect(hover(entries(['site', compass('pass', 'accepted')]))?.reasons[0].text).toContain('compass');
		const before = entries(['site', compass('pass', 'accepted')], ['hover', test('hover', 'pass')]);
		expect(hover(before)?.mark).toBe('clear');
		const after = hover(entries(['hover', test('hover', 'pass')], ['bench', level('pass')]));
		expect(after?.mark).toBe('unseen');
		expect(after?.title).toBe('Hover again: calibrated since the hover: level');
	});

	it('that failed or was kept aside asks for none; one from the bench book does', () => {
		const list = entries(
			['hover', test('hover', 'pass')],
			['bench', level('fail')],
			['site', compass('pass', 'kept-aside')],
		);
		expect(hover(list)?.mark).toBe('clear');
		expect(hover([], { unverified: ['gyro'] })?.detail).toContain('gyro');
		expect(hover(entries(['hover', test('hover', 'pass')]), { unverified: ['gyro'] })?.mark).toBe('clear');
	});
});

describe('what a sprayer gives', () => {
	const sprayer = { aircraft: aircraft({ kind: 'sprayer' }) };
	const measured = (verdict: 'pass' | 'fail', grade: Grade = 'seen'): EntryPayload => ({
		kind: 'test',
		task: 'flow',
		grade,
		sourceName: 'typed in',
		headline: verdict === 'pass' ? 'It gives what is set' : 'Nozzle 3 gives 41 % less than the others',
		figures: [],
		verdict,
		reasons: [],
	});
	const stateOf = (task: string, ...list: [StationId, EntryPayload][]) =>
		assess(entries(...list), sprayer)
			.stations.flatMap(({ tasks }) => tasks)
			.find((t) => t.task === task);

	it('is asked of no other aircraft', () => {
		const asked = assess([]).stations.flatMap(({ tasks }) => tasks.map(({ task }) => task));
		expect(asked).not.toContain('flow');
		expect(asked).not.toContain('feed');
	});
	it('is not seen until it is measured, and a told figure is none', () => {
		expect(stateOf('flow')).toMatchObject({ mark: 'unseen', page: 'measure-flow' });
		expect(stateOf('flow', ['bench', measured('pass', 'told')])?.mark).toBe('unseen');
		expect(stateOf('flow', ['bench', measured('pass')])?.mark).toBe('clear');
	});
	it('holds the session while a nozzle is blocked, and is asked again after a part was replaced', () => {
		expect(stateOf('flow', ['bench', measured('fail')])).toMatchObject({
			mark: 'hold',
			title: 'Nozzle 3 gives 41 % less than the others',
		});
		const part: EntryPayload = { kind: 'event', task: 'event', what: 'part', note: 'nozzle 3' };
		const again = stateOf('flow', ['bench', measured('pass')], ['bench', part]);
		expect(again?.mark).toBe('unseen');
		expect(again?.detail).toContain('nozzle 3');
	});
});

it.each([
	['Circling to the right: the compass reads about 48° too far round', 'Circling to the right'],
	['The pack’s voltage holds it', 'The pack’s voltage holds it'],
	['One cell of the pack stands well below all of the others of it', 'One cell of the pack stands well…'],
])('on the line “%s” stands as “%s”', (headline, summary) => {
	const found = { ...test('hover', 'fail'), headline } as EntryPayload;
	const { stations } = assess(entries(['hover', found]));
	expect(stations.find(({ id }) => id === 'hover')?.summary).toBe(summary);
});

describe('no-go of an armed aircraft', () => {
	const craft = aircraft({ kind: 'multirotor', rotors: 4 });
	const begun = (...more: [StationId, EntryPayload][]) =>
		assess(entries(['power-up', check('props-on', 'done')], ['power-up', check('link', 'done')], ...more), {
			aircraft: craft,
			session: { kind: 'flight', occasion: 'first' },
		});
	const stateOf = (state: ReturnType<typeof assess>, id: string) =>
		state.stations.flatMap(({ tasks }) => tasks).find(({ task }) => task === id);
	const event = (what: EventKind): EntryPayload => ({ kind: 'event', task: 'event', what, note: '' });

	it.each(['spin-up', 'take-off', 'first-rung', 'height-rung'])(
		'%s: stops, locks what follows, asks for propellers again',
		(id) => {
			const state = begun(['hover', check(id, 'failed', 'It jumped')]);
			expect(state.record.stop?.payload.kind).toBe('check');
			expect(stateOf(state, 'response-stop')?.mark).toBe('hold');
			expect(stateOf(state, 'props-on')?.mark).toBe('unseen');
			expect(stateOf(state, 'link')?.mark).toBe('unseen');
			for (const { task, shut } of state.stations.find((s) => s.id === 'hover')?.tasks ?? [])
				if (task !== id && task !== 'response-stop') expect(shut, task).toMatch(/Stopped/);
		},
	);

	it('is released by a logged change alone', () => {
		const failed: [StationId, EntryPayload] = ['response', check('spin-up', 'failed', 'One jerks')];
		expect(begun(failed, ['response', check('spin-up', 'done')]).record.stop).not.toBeNull();
		expect(begun(failed, ['response', event('unplugged')]).record.stop).not.toBeNull();
		expect(begun(failed, ['response', event('part')]).record.stop).toBeNull();
	});

	it('entered by mistake: the stop is taken back, and the check is still to do', () => {
		const mistake = { ...check('spin-up', 'done'), remedy: ENTERED_BY_MISTAKE } as EntryPayload;
		const state = begun(['response', check('spin-up', 'failed')], ['response', mistake]);
		expect(state.record.stop).toBeNull();
		expect(stateOf(state, 'spin-up')?.mark).toBe('unseen');
	});

	it('a hover or a return that failed stops too; one watched too briefly is to do', () => {
		expect(begun(['hover', test('hover', 'fail')]).record.stop).not.toBeNull();
		const short: EntryPayload = {
			...(test('hover', 'fail') as TestPayload),
			reasons: [{ code: 'insufficient-duration', text: '7 s', level: 'fail' }],
		};
		const state = begun(['hover', short]);
		expect(state.record.stop).toBeNull();
		expect(stateOf(state, 'hover')?.mark).toBe('unseen');
	});

	it('after a failed hover a calibration is the change; after a wrong nudge it is none', () => {
		const hovered: [StationId, EntryPayload] = ['hover', test('hover', 'fail')];
		expect(begun(hovered, ['compass', compass('pass', 'accepted')]).record.stop).toBeNull();
		expect(begun(hovered, ['compass', compass('fail', 'accepted')]).record.stop).not.toBeNull();
		const wrong: [StationId, EntryPayload] = ['response', check('nudge-roll', 'failed', '', 'opposite')];
		expect(begun(wrong, ['compass', compass('pass', 'accepted')]).record.stop).not.toBeNull();
	});

	it('on the bench a problem stops nothing that follows', () => {
		expect(begun(['bench', check('frame', 'failed', 'Cracked')]).record.stop).toBeNull();
	});
});

describe('a finding whose facts have moved', () => {
	const blowing = (speedMps: number): [StationId, EntryPayload] => [
		'return',
		{ kind: 'wind', task: 'wind', grade: 'told', fromDeg: 250, speedMps, gustMps: speedMps + 2 },
	];
	const planned: [StationId, EntryPayload] = [
		'return',
		{
			...(test('way-home', 'pass') as TestPayload),
			uses: [{ key: 'windMps', value: 2, source: 'reported', entry: 'e0' }],
		},
	];
	const plan = (...list: [StationId, EntryPayload][]) =>
		assess(entries(...list))
			.stations.flatMap(({ tasks }) => tasks)
			.find(({ task }) => task === 'way-home');

	it('is OK while they stand', () => expect(plan(blowing(2), planned)?.mark).toBe('clear'));
	it('is to do again, and says what moved', () => {
		const state = plan(blowing(2), planned, blowing(5));
		expect(state).toMatchObject({ mark: 'unseen', next: 'Plan again' });
		expect(state?.detail).toMatch(/2.0 m\/s then, 5.0 m\/s now/);
	});
	it('stays skipped where it was skipped', () => {
		const skipped: EntryPayload = { kind: 'aside', task: 'way-home', reason: 'near', signedBy: 'Pilot' };
		expect(plan(blowing(2), ['return', skipped])?.mark).toBe('aside');
	});
});

describe('two values for one thing', () => {
	const read = (m: number): [StationId, EntryPayload] => [
		'return',
		{
			kind: 'check',
			task: 'return-height',
			outcome: 'done',
			value: m,
			unit: 'm',
			waitedS: null,
			reason: '',
			grade: 'read-off',
		},
	];
	const tasksOf = (...list: [StationId, EntryPayload][]) =>
		assess(entries(...list), { aircraft: aircraft({ returnHeightM: 30 }) }).stations.flatMap(({ tasks }) => tasks);

	it('are one row, to do before the Arm check', () => {
		const row = tasksOf(read(40)).find(({ task }) => task === 'fact-returnAltitudeM');
		expect(row).toMatchObject({ mark: 'unseen', offered: null, station: 'return' });
		expect(row?.detail).toMatch(/40.0 m, read from the aircraft’s display; 30.0 m, profile of Dunlin/);
	});
	it('are no row where they agree', () => {
		expect(tasksOf(read(30)).some(({ task }) => task.startsWith('fact-'))).toBe(false);
	});
});

describe('a question in the pilot’s own words', () => {
	it('is never converted into other units', () => {
		const own = {
			id: 'own-1',
			station: 'plan' as const,
			type: 'tick' as const,
			text: 'Tether 20 m, checked',
			why: '',
			weight: 'caution' as const,
		};
		const craft = aircraft({ ownList: { items: [own], off: [], limits: {}, order: [], changedAt: NOW } });
		const state = assess([], { aircraft: craft, units: 'imperial' });
		expect(taskOf(state, 'own-1')?.title).toBe('Tether 20 m, checked');
	});
});

describe('under a roof', () => {
	it('nothing asks for wind, GPS lock, compass or a return', () => {
		const state = assess([], { session: { kind: 'flight', venue: 'roof' } });
		const tasks = state.stations.flatMap(({ tasks }) => tasks).map(({ task }) => task);
		for (const id of ['wind', 'position', 'compass', 'site-field', 'way-home', 'return-height', 'worn-metal'])
			expect(tasks, id).not.toContain(id);
	});
});

describe('findings that the record outruns', () => {
	const audit: [StationId, EntryPayload] = [
		'return',
		{
			kind: 'test',
			task: 'settings-audit',
			grade: 'seen',
			sourceName: 'settings',
			headline: 'In the air nothing was tested',
			figures: [],
			verdict: 'caution',
			reasons: [{ code: 'switch-is-not-loss', text: 'In the air nothing was tested', level: 'caution' }],
		},
	];
	const flown = (task: 'return-switch' | 'return-radio-off'): [StationId, EntryPayload] => [
		'hover',
		{
			kind: 'test',
			task,
			grade: 'seen',
			sourceName: 'in the air',
			headline: 'Returned',
			figures: [],
			verdict: 'pass',
			reasons: [],
		},
	];
	const lossAction = (...list: [StationId, EntryPayload][]) =>
		taskOf(assess(entries(...list), { aircraft: aircraft({ kind: 'multirotor' }) }), 'loss-action');

	it('failsafe audit: a return flown since by its switch is not called untested', () => {
		expect(lossAction(audit)?.title).toMatch(/nothing was tested/);
		expect(lossAction(audit, flown('return-switch'))?.title).toMatch(/only the switch was tested/);
	});
	it('failsafe audit: a return flown since with the transmitter off settles it', () => {
		expect(lossAction(audit, flown('return-radio-off'))?.mark).toBe('clear');
	});

	it('a no-go of one method is not made a caution by another method', () => {
		const camera = (task: string, verdict: 'pass' | 'caution' | 'fail'): [StationId, EntryPayload] => [
			'bench',
			{
				kind: 'test',
				task,
				sensor: 'camera',
				grade: 'measured',
				sourceName: 'x',
				headline: `${task} ${verdict}`,
				figures: [],
				verdict,
				reasons: [{ code: 'tilted', text: 'tilted', level: verdict }],
			},
		];
		const speaks = (...list: [StationId, EntryPayload][]) =>
			assess(entries(...list)).record.speaking('due-camera')?.payload;
		expect(speaks(camera('guided-camera', 'fail'), camera('horizon', 'caution'))).toMatchObject({
			task: 'guided-camera',
		});
		expect(speaks(camera('guided-camera', 'fail'), camera('horizon', 'pass'))).toMatchObject({ task: 'horizon' });
		expect(speaks(camera('horizon', 'fail'), camera('horizon', 'caution'))).toMatchObject({ verdict: 'caution' });
	});
});
