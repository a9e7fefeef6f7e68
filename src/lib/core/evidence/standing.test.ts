import { describe, expect, it } from 'vitest';
import type { CalibrationPayload, CheckPayload, EntryPayload, Grade, TestPayload } from '../../schema/entries';
import { gradeSchema } from '../../schema/entries';
import { sensorOf, taskOf } from './about';
import { gradeOf } from './grade';
import { isAside, markOf, standingOf, type Scope, type Standing } from './standing';

const AT = '2026-05-14T09:00:00.000Z';
const BEFORE = '2026-05-14T08:59:59.000Z';
const VERDICTS = ['pass', 'caution', 'fail'] as const;
const GRADES: readonly Grade[] = gradeSchema.options;
const SCOPES = {
	session: { of: 'session', rehearsal: false },
	rehearsal: { of: 'session', rehearsal: true },
	aircraft: { of: 'aircraft' },
} as const satisfies Record<string, Scope>;
type ScopeName = keyof typeof SCOPES;

const test = (more: Partial<TestPayload> = {}): TestPayload => ({
	kind: 'test',
	task: 'gyro',
	sensor: 'gyro',
	sourceName: 'rest.csv',
	headline: '',
	figures: [],
	verdict: 'pass',
	reasons: [],
	...more,
});
const calibration = (more: Partial<CalibrationPayload> = {}): CalibrationPayload => ({
	kind: 'calibration',
	task: 'compass',
	accepted: 'accepted',
	sourceName: 'turns.csv',
	hardIronUt: [1, 2, 3],
	softIron: [
		[1, 0, 0],
		[0, 1, 0],
		[0, 0, 1],
	],
	fieldUt: 50,
	headingSigmaDeg: 0.4,
	headingBeforeDeg: 20,
	headingAfterDeg: 0.5,
	samples: 900,
	rejected: 0,
	verdict: 'pass',
	reasons: [],
	...more,
});
const check = (more: Partial<CheckPayload> = {}): CheckPayload => ({
	kind: 'check',
	task: 'frame',
	outcome: 'done',
	value: null,
	unit: '',
	waitedS: null,
	reason: '',
	...more,
});
const standing = (payload: EntryPayload, scope: ScopeName, asOf = AT): Standing =>
	standingOf({ payload, at: AT }, SCOPES[scope], asOf);

/** What an entry of a grade and verdict is worth in each scope: the whole of it, told once. */
const EXPECTED: Record<ScopeName, (grade: Grade, failed: boolean) => Standing> = {
	session: (grade) => (grade === 'rehearsed' ? 'rehearsed' : grade === 'told' ? 'told' : 'in-force'),
	rehearsal: (grade) => (grade === 'told' ? 'told' : 'in-force'),
	aircraft: (grade, failed) =>
		grade === 'rehearsed' ? 'rehearsed' : grade === 'told' ? 'told' : failed ? 'failed' : 'in-force',
};

describe('what an entry proves: kind × verdict × grade × scope', () => {
	for (const scope of Object.keys(SCOPES) as ScopeName[])
		for (const grade of GRADES)
			for (const verdict of VERDICTS) {
				const wanted = EXPECTED[scope](grade, verdict === 'fail');
				it(`${scope}: a ${grade} ${verdict} is ${wanted}`, () => {
					expect(standing(test({ grade, verdict }), scope)).toBe(wanted);
					expect(standing(calibration({ grade, verdict }), scope)).toBe(wanted);
					const outcome = verdict === 'fail' ? 'failed' : verdict === 'caution' ? 'doubtful' : 'done';
					expect(standing(check({ grade, outcome }), scope)).toBe(wanted);
				});
			}

	it('values kept beside are in force nowhere, whatever their grade and verdict', () => {
		for (const scope of Object.keys(SCOPES) as ScopeName[])
			for (const grade of GRADES)
				for (const verdict of VERDICTS)
					expect(standing(calibration({ grade, verdict, accepted: 'kept-aside' }), scope)).toBe('kept-beside');
	});

	it('what is set aside is never in force, in all three forms', () => {
		const forms: EntryPayload[] = [
			{ kind: 'aside', task: 'frame', reason: 'r', signedBy: 'P' },
			check({ outcome: 'aside' }),
			{
				kind: 'decision',
				task: 'measurement-aside',
				decision: 'aside',
				about: 'frame',
				reason: 'r',
				signedBy: 'P',
				marks: [],
			},
		];
		for (const payload of forms) {
			expect(isAside(payload)).toBe(true);
			expect(taskOf(payload)).toBe('frame');
			for (const scope of Object.keys(SCOPES) as ScopeName[]) expect(standing(payload, scope)).toBe('set-aside');
		}
	});

	it('of the aircraft, what is dated after the moment asked about does not count yet; within its session the number counts', () => {
		expect(standing(test(), 'aircraft', BEFORE)).toBe('ahead');
		expect(standing(test({ verdict: 'fail' }), 'aircraft', BEFORE)).toBe('ahead');
		expect(standing(test(), 'session', BEFORE)).toBe('in-force');
	});

	it('the wind may be told; decisions, events, flights and the session itself are no evidence', () => {
		const wind: EntryPayload = { kind: 'wind', task: 'wind', grade: 'told', fromDeg: 1, speedMps: 2, gustMps: 3 };
		expect(standing(wind, 'session')).toBe('in-force');
		const none: EntryPayload[] = [
			{ kind: 'decision', task: 'arm', decision: 'fly', about: 'session', reason: '', signedBy: 'P', marks: [] },
			{ kind: 'event', task: 'event', what: 'knock', note: '' },
			{ kind: 'flight', task: 'flying', what: 'landed', note: '', landAfterMin: null },
		];
		for (const payload of none)
			for (const scope of Object.keys(SCOPES) as ScopeName[]) expect(standing(payload, scope)).toBe('no-evidence');
	});
});

describe('entries of before grades were kept', () => {
	it.each<[EntryPayload, Grade]>([
		[calibration(), 'measured'],
		[calibration({ practice: true }), 'rehearsed'],
		[calibration({ sourceName: 'practice aircraft' }), 'rehearsed'],
		[test(), 'measured'],
		[test({ practice: true }), 'rehearsed'],
		[test({ sourceName: 'practice: a good one' }), 'rehearsed'],
		[test({ task: 'guided-gyro' }), 'guided'],
		[test({ sourceName: 'typed in' }), 'told'],
		[test({ task: 'settings-audit', sensor: 'link-loss', sourceName: 'x' }), 'told'],
		[check(), 'seen'],
	])('are graded by what wrote them', (payload, grade) => expect(gradeOf(payload)).toBe(grade));

	it('a form that opened with its answers proves nothing, and an audit of settings is never a test', () => {
		const audit = test({ task: 'settings-audit', sensor: 'link-loss', sourceName: 'typed in' });
		expect(standing(audit, 'session')).toBe('told');
		expect(sensorOf({ ...audit, grade: 'measured' })).toBeNull();
	});
});

describe('which task an entry is about', () => {
	it.each<[EntryPayload, string, string | null]>([
		[calibration(), 'compass', 'compass'],
		[test({ task: 'guided-compass', sensor: 'compass', grade: 'guided' }), 'compass', 'compass'],
		[test({ task: 'six-faces', sensor: 'accelerometer' }), 'due-accelerometer', 'accelerometer'],
		[test({ task: 'guided-accelerometer', sensor: 'accelerometer' }), 'due-accelerometer', 'accelerometer'],
		[test({ task: 'link-loss', sensor: 'link-loss' }), 'link-loss', 'link-loss'],
		[test({ task: 'guided-link-loss', sensor: 'link-loss' }), 'link-loss', 'link-loss'],
		[{ ...test({ task: 'hover' }), sensor: undefined } as TestPayload, 'hover', null],
	])('whichever door it came through', (payload, task, sensor) => {
		expect([taskOf(payload), sensorOf(payload)]).toEqual([task, sensor]);
	});
});

describe('the mark of what is in force', () => {
	it('follows verdict and outcome; a failed check weighs as its item', () => {
		expect(VERDICTS.map((verdict) => markOf(test({ verdict })))).toEqual(['clear', 'caution', 'hold']);
		expect(markOf(check({ outcome: 'doubtful' }))).toBe('caution');
		expect([markOf(check({ outcome: 'failed' })), markOf(check({ outcome: 'failed' }), 'caution')]).toEqual([
			'hold',
			'caution',
		]);
	});
});
