import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import { entryOf, finding, ticked } from '../facts/entries.fixture';
import { assessSession } from '../session/assess';
import type { Entry, EntryPayload, TestPayload } from '../../schema/entries';
import { REOPENING, reopenedBy } from './reopens';
import { TABLE } from './table';

const AT = '2026-05-14T09:00:00.000Z';
const result = (more: Partial<NonNullable<TestPayload['troubleshooting']>>): EntryPayload => ({
	...finding('finder', 'fail', 'seen'),
	troubleshooting: {
		sign: 'It squats',
		cause: 'A motor turns the wrong way',
		remedy: 'Exchange two wires',
		outcome: 'open',
		locked: true,
		reopens: ['motors-bare'],
		...more,
	},
});
function tasksOf(...payloads: EntryPayload[]) {
	const entries: Entry[] = payloads.map((payload, seq) => entryOf(seq, payload, { station: 'bench' }));
	const state = assessSession({
		aircraft: { ...newAircraft('a', 'multirotor', AT), name: 'Dunlin' },
		session: { kind: 'flight', occasion: 'first' },
		entries,
		due: [],
		done: new Map(),
		unverified: [],
		chain: { ok: true, entries: entries.length, broken: [], remarks: [] },
		units: 'metric',
	});
	return new Map(state.stations.flatMap(({ tasks }) => tasks).map((task) => [task.task, task]));
}

describe('recorded troubleshooting', () => {
	it('table: every check that a remedy names stands for tasks of a session', () => {
		expect(new Set(REOPENING)).toEqual(new Set(Object.keys(TABLE.repeats)));
		expect(reopenedBy([{ id: 'spin' }, { id: 'spin' }])).toEqual(['motors-bare', 'motor-walk']);
	});

	it('holds what must not be tried, and asks the checks that it names again', () => {
		const tasks = tasksOf(ticked('motors-bare'), result({}));
		expect(tasks.get('troubleshooting')).toMatchObject({ mark: 'hold', offered: null });
		expect(tasks.get('motors-bare')?.mark).toBe('unseen');
		expect(tasks.get('motors-bare')?.detail).toMatch(/after troubleshooting/);
	});

	it('not locked: the remedy is to do', () => {
		expect(tasksOf(result({ locked: false })).get('troubleshooting')?.mark).toBe('unseen');
	});

	it('is settled by a logged change or a sign that is gone, never where the maker is to be asked', () => {
		const part: EntryPayload = { kind: 'event', task: 'event', what: 'part', note: 'wires' };
		expect(tasksOf(result({}), part).get('troubleshooting')?.mark).toBe('clear');
		expect(tasksOf(result({ outcome: 'gone' })).get('troubleshooting')?.mark).toBe('clear');
		expect(tasksOf(result({ outcome: 'ask-maker' }), part).get('troubleshooting')?.mark).toBe('hold');
	});
});
