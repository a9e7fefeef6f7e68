import { describe, expect, it } from 'vitest';
import type { Aircraft, Entry, EntryPayload, StationId } from '../../schema/records';
import { newAircraft } from '../../schema/newAircraft';
import { checklistFor } from '../checklist/items';
import { sensorDue } from '../due/due';
import { foldSession } from './fold';
import { type SessionEvidence } from './tasks';

const aircraft = (more: Partial<Aircraft> = {}): Aircraft => ({
	...newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z'),
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

const fold = (list: Entry[], more: Partial<SessionEvidence> = {}) =>
	foldSession({
		aircraft: aircraft(),
		entries: list,
		due: null,
		benchDue: [],
		compassSince: null,
		unverified: [],
		units: 'metric',
		...more,
	});

const check = (task: string, outcome: 'done' | 'failed' | 'aside', reason = ''): EntryPayload => ({
	kind: 'check',
	task,
	outcome,
	value: null,
	unit: '',
	waitedS: null,
	reason,
});
const test = (task: 'site-field' | 'position' | 'hover', verdict: 'pass' | 'caution' | 'fail'): EntryPayload => ({
	kind: 'test',
	task,
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
	fromDeg: 240,
	speedMps: gustMps / 1.5,
	gustMps,
});

const everything = (): [StationId, EntryPayload][] => [
	...checklistFor(aircraft()).map((item): [StationId, EntryPayload] => [item.station, check(item.id, 'done')]),
	['site', test('site-field', 'pass')],
	['site', compass('pass', 'accepted')],
	['position', test('position', 'pass')],
	['return', wind(3)],
	['hover', test('hover', 'pass')],
];
const markOf = (gate: ReturnType<typeof fold>, task: string) =>
	gate.stations.flatMap(({ tasks }) => tasks).find((t) => t.task === task)?.mark;

describe('a session in which nothing was seen', () => {
	it('has no clear station and no clear task', () => {
		const gate = fold([]);
		expect(gate.clear).toEqual([]);
		expect(gate.stations.every(({ mark }) => mark === 'unseen')).toBe(true);
		expect(gate.headline).toMatch(/not been seen/);
	});
});

describe('a session in which everything was seen and right', () => {
	it('says that nothing here blocks the flight, and never more', () => {
		const gate = fold(entries(...everything()));
		expect(gate.headline).toBe('Nothing here blocks the flight');
		expect(gate.blocking).toEqual([]);
	});

	it('loses its word when any one thing is missing', () => {
		const all = everything();
		all.forEach(([station, payload], k) => {
			if (station === 'close') return; // what comes after the flight does not block it
			const gate = fold(entries(...all.filter((_, i) => i !== k)));
			expect(gate.headline, payload.task).toMatch(/not been seen/);
		});
	});
});

describe('what holds', () => {
	it('the latest entry about a task counts, in both directions', () => {
		const bad: [StationId, EntryPayload] = ['hover', test('hover', 'fail')];
		const good: [StationId, EntryPayload] = ['hover', test('hover', 'pass')];
		expect(markOf(fold(entries(...everything(), bad)), 'hover')).toBe('hold');
		expect(markOf(fold(entries(...everything(), bad, good)), 'hover')).toBe('clear');
	});

	it('a hold stands first, then what was not seen, then cautions, then what was set aside', () => {
		const gate = fold(
			entries(
				['hover', test('hover', 'fail')],
				['site', test('site-field', 'caution')],
				['plan', check('legal', 'aside', 'club field')],
			),
		);
		const marks = gate.blocking.map(({ mark }) => mark);
		expect(marks[0]).toBe('hold');
		expect(marks.indexOf('caution')).toBeGreaterThan(marks.lastIndexOf('unseen'));
		expect(marks.at(-1)).toBe('aside');
		expect(gate.headline).toBe('One thing stands between you and take-off');
		expect(gate.blocking.at(-1)?.detail).toContain('club field');
	});

	it('a calibration kept aside is not in force', () => {
		expect(markOf(fold(entries(['site', compass('pass', 'kept-aside')])), 'compass')).toBe('unseen');
	});

	it('an accepted calibration looser than the aircraft’s own limit is a caution', () => {
		expect(markOf(fold(entries(['site', compass('pass', 'accepted', 1.4)])), 'compass')).toBe('caution');
		const strict = { aircraft: aircraft({ compassHeadingLimitDeg: 0.2 }) };
		expect(markOf(fold(entries(['site', compass('pass', 'accepted')]), strict), 'compass')).toBe('caution');
	});

	it.each([
		[3, 'clear'],
		[5.2, 'caution'],
		[6, 'hold'],
		[9, 'hold'],
	])('gusts of %s m/s against a return speed of 6 are %s', (gust, mark) => {
		expect(markOf(fold(entries(['return', wind(gust)])), 'wind')).toBe(mark);
	});

	it('a failed item weighs as its kind says', () => {
		expect(markOf(fold(entries(['plan', check('legal', 'failed')])), 'legal')).toBe('hold');
		expect(markOf(fold(entries(['plan', check('daylight', 'failed')])), 'daylight')).toBe('caution');
	});

	it('a measurement set aside stays visible, and counts again once it is made', () => {
		const aside: [StationId, EntryPayload] = [
			'position',
			{
				kind: 'decision',
				task: 'measurement-aside',
				decision: 'aside',
				about: 'position',
				reason: 'indoors',
				signedBy: 'Pilot',
				marks: [],
			},
		];
		expect(markOf(fold(entries(aside)), 'position')).toBe('aside');
		expect(markOf(fold(entries(aside, ['position', test('position', 'pass')])), 'position')).toBe('clear');
	});
});

describe('the aircraft decides what is on the line', () => {
	it('a racer without receiver and compass has no position station and no compass', () => {
		const gate = fold([], { aircraft: aircraft({ kind: 'racer', compasses: 0, hasPosition: false }) });
		expect(gate.stations.map(({ id }) => id)).not.toContain('position');
		expect(markOf(gate, 'compass')).toBeUndefined();
	});

	it('a wing has no hover and no nudges on the ground, but surfaces and balance', () => {
		const tasks = fold([], { aircraft: aircraft({ kind: 'wing', rotors: 0 }) }).stations.flatMap((s) =>
			s.tasks.map((t) => t.task),
		);
		expect(tasks).not.toContain('hover');
		expect(tasks).not.toContain('nudge-roll');
		expect(tasks).toEqual(expect.arrayContaining(['surfaces', 'balance']));
	});
});

describe('what is due on the bench', () => {
	const craft = aircraft({ school: 'after-events' });
	const benchDue = (['accelerometer', 'gyro'] as const).map((sensor) =>
		sensorDue(sensor, craft, null, null, '2026-05-14T09:00:00.000Z'),
	);
	const done = (sensor: 'accelerometer' | 'gyro', verdict: 'pass' | 'caution' | 'fail'): EntryPayload => ({
		kind: 'test',
		task: 'six-faces',
		sensor,
		sourceName: 'bench.csv',
		headline: `${sensor} ${verdict}`,
		figures: [],
		verdict,
		reasons: [],
	});
	const aside: EntryPayload = {
		kind: 'decision',
		task: 'measurement-aside',
		decision: 'aside',
		about: 'bench-due',
		reason: 'factory values, by the manual',
		signedBy: 'Pilot',
		marks: [],
	};
	const bench = (...payloads: EntryPayload[]) =>
		fold(entries(...payloads.map((p): [StationId, EntryPayload] => ['bench', p])), { benchDue })
			.stations.find(({ id }) => id === 'bench')
			?.tasks.find(({ task }) => task === 'bench-due');

	it('is unseen until every due sensor was done, and names what is left', () => {
		expect(bench()?.mark).toBe('unseen');
		expect(bench(done('accelerometer', 'pass'))?.title).toBe('Due on Dunlin: gyro');
		expect(bench(done('accelerometer', 'pass'), done('gyro', 'pass'))?.mark).toBe('clear');
	});
	it('speaks with the worst finding', () => {
		const found = bench(done('accelerometer', 'fail'), done('gyro', 'caution'));
		expect(found?.mark).toBe('hold');
		expect(found?.title).toBe('accelerometer fail');
		expect(bench(done('accelerometer', 'fail'), done('gyro', 'pass'), done('accelerometer', 'pass'))?.mark).toBe(
			'clear',
		);
	});
	it('may be set aside with its reason, which ends when it is taken up again', () => {
		expect(bench(aside)?.mark).toBe('aside');
		expect(bench(aside)?.detail).toContain('factory values');
		expect(bench(aside, done('gyro', 'pass'))?.mark).toBe('unseen');
	});
	it('is clear where nothing is due, and absent where nothing can be', () => {
		const since = { at: '2026-05-14T08:00:00.000Z', place: null };
		const fresh = [sensorDue('gyro', craft, since, null, '2026-05-14T09:00:00.000Z')];
		const gate = fold([], { benchDue: fresh });
		const task = gate.stations.find(({ id }) => id === 'bench')?.tasks.find(({ task: t }) => t === 'bench-due');
		expect(task?.mark).toBe('clear');
		expect(
			fold([])
				.stations.flatMap(({ tasks }) => tasks)
				.some(({ task: t }) => t === 'bench-due'),
		).toBe(false);
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
		fold(list, indoor(back))
			.stations.flatMap(({ tasks }) => tasks)
			.find(({ task: name }) => name === 'indoor');

	it('holds until everything is back, unless it is set aside with a reason', () => {
		expect(task([], false)?.mark).toBe('hold');
		expect(task([], false)?.detail).toContain('when the link is lost');
		expect(task([], true)).toBeUndefined();
		const aside: EntryPayload = {
			kind: 'decision',
			task: 'measurement-aside',
			decision: 'aside',
			about: 'indoor',
			reason: 'flying in the hall',
			signedBy: 'Pilot',
			marks: [],
		};
		expect(task(entries(['power-up', aside]), false)?.mark).toBe('aside');
	});
});

describe('a calibration', () => {
	const hover = (list: Entry[], more: Partial<SessionEvidence> = {}) =>
		fold(list, more)
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
