import { describe, expect, it } from 'vitest';
import type { Entry, EntryPayload } from '../../schema/entries';
import type { Aircraft } from '../../schema/records';
import { comesBack, deferredIn, isOwnTask, ownTask } from './deferred';
import { checklistFor } from './items';

let seq = 0;
const entry = (day: number, payload: object): Entry =>
	({
		id: `e${seq}`,
		seq: seq++,
		sessionId: `s${day}`,
		aircraftId: 'a',
		by: 'Ines',
		station: 'bench',
		corrects: null,
		at: `2026-11-${String(day).padStart(2, '0')}T10:00:00.000Z`,
		previous: '',
		hash: '',
		payload: payload as EntryPayload,
	}) as Entry;
const aside = (task: string, more: object = {}) => ({
	kind: 'aside',
	task,
	reason: 'no room',
	signedBy: 'Ines',
	about: task,
	dueAt: 'bench',
	...more,
});
const check = (task: string, more: object = {}) => ({
	kind: 'check',
	task,
	outcome: 'done',
	value: null,
	unit: '',
	waitedS: null,
	reason: '',
	grade: 'seen',
	...more,
});
const ASOF = '2026-11-26T08:00:00.000Z';
const tasks = (...entries: Entry[]) => deferredIn(entries, ASOF).map(({ task }) => task);

describe('what was left undone', () => {
	it('comes back until it is seen, set aside for good, or done', () => {
		expect(tasks(entry(2, aside('frame')))).toEqual(['frame']);
		expect(tasks(entry(2, aside('frame')), entry(3, check('frame')))).toEqual([]);
		expect(tasks(entry(3, check('frame')), entry(2, aside('frame')))).toEqual([]);
		expect(tasks(entry(2, aside('frame')), entry(4, aside('frame', { dueAt: undefined })))).toEqual([]);
		expect(tasks(entry(2, check('frame')), entry(4, aside('frame')))).toEqual(['frame']);
	});

	it('is not done by what failed, was rehearsed, or lies ahead', () => {
		const left = entry(2, aside('frame'));
		expect(tasks(left, entry(3, check('frame', { outcome: 'failed' })))).toEqual(['frame']);
		expect(tasks(left, entry(3, check('frame', { grade: 'rehearsed' })))).toEqual(['frame']);
		expect(tasks(left, entry(28, check('frame')))).toEqual(['frame']);
		expect(tasks(entry(28, aside('frame')))).toEqual([]);
	});

	it('the reason says whether it comes back', () => {
		expect(comesBack('No place to test it today')).toBe(true);
		expect(comesBack('Does not apply to this aircraft')).toBe(false);
	});

	it('in words of one’s own is one task for the same words', () => {
		expect(ownTask('Fit the new rear foam!')).toBe('left-fit-the-new-rear-foam');
		expect(ownTask(' fit the  new rear foam ')).toBe(ownTask('Fit the new rear foam!'));
		expect(isOwnTask(ownTask('x'))).toBe(true);
		expect(ownTask('w'.repeat(200)).length).toBeLessThanOrEqual(80);
	});
});

describe('the next checklist', () => {
	const aircraft = {
		id: 'a',
		name: 'Dunlin',
		kind: 'multirotor',
		rotors: 4,
		compasses: 1,
		hasPosition: true,
		events: [],
		lock: { minSatellites: 8, maxHdop: 2, holdS: 30 },
		returnHeightM: 30,
		returnSpeedMps: 10,
		minReturnDistanceM: 10,
	} as unknown as Aircraft;
	const after = (occasion: 'crash' | 'routine', venue: 'open' | 'roof' = 'open') => ({
		aircraft,
		session: { occasion, venue },
	});
	const ids = (setting: Parameters<typeof checklistFor>[0]) => checklistFor(setting).map(({ id }) => id);

	it('asks what was left of another occasion, at its station, and says why', () => {
		const routine = ids(after('routine'));
		const only = checklistFor(after('crash')).find(({ id }) => !routine.includes(id));
		expect(only).toBeDefined();
		const left = {
			task: only?.id ?? '',
			dueAt: 'bench' as const,
			about: '',
			reason: 'no time',
			at: '2026-11-02T10:00:00.000Z',
		};
		const item = checklistFor({ ...after('routine'), deferred: [left] }).find(({ id }) => id === left.task);
		expect(item).toMatchObject({ station: 'bench', text: only?.text });
		expect(item?.because).toMatch(/^Left on .*: no time\.$/);
	});

	it('asks words of one’s own, and nothing twice, and nothing that does not fit the aircraft', () => {
		const own = {
			task: ownTask('Fit foam'),
			dueAt: 'site' as const,
			about: 'Fit foam',
			reason: 'left',
			at: '2026-11-02T10:00:00.000Z',
		};
		const [first] = checklistFor(after('routine'));
		const wing = { ...own, task: 'surfaces' };
		const list = checklistFor({ ...after('routine'), deferred: [own, { ...own, task: first.id }, wing] });
		expect(list.filter(({ id }) => id === own.task)).toMatchObject([{ text: 'Fit foam', station: 'site' }]);
		expect(list.filter(({ id }) => id === first.id)).toHaveLength(1);
		expect(list.some(({ id }) => id === 'surfaces')).toBe(false);
	});
});
