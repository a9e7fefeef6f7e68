import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import type { Crew } from '../../schema/records';
import { entryOf, finding, ticked } from '../facts/entries.fixture';
import { confirmation, confirmations, toConfirm } from './confirmed';
import { assessSession } from './assess';

const [frame, flow, bad] = [
	entryOf(0, ticked('frame')),
	entryOf(1, finding('flow', 'pass')),
	entryOf(2, { ...ticked('leads'), outcome: 'failed', reason: 'bare wire' }),
];
const tasks = [
	{ entry: frame, mark: 'clear', title: 'Frame' },
	{ entry: flow, mark: 'caution', title: 'Flow' },
	{ entry: bad, mark: 'hold', title: 'Leads' },
	{ entry: null, mark: 'unseen', title: 'Antennas' },
] as unknown as Parameters<typeof toConfirm>[0];
const ids = (entries: Parameters<typeof confirmations>[0]) =>
	toConfirm(tasks, confirmations(entries)).map(({ id }) => id);

describe('confirmation by the second person', () => {
	it('offers answers and measured findings, but no problem and nothing unanswered', () => {
		expect(ids([frame, flow, bad])).toEqual([frame.id, flow.id]);
	});
	it('covers the entries that it names, and no later answer to the same check', () => {
		const given = confirmation('bench', [frame.id], { by: 'Ada', titles: ['Frame'] });
		expect(ids([frame, flow, bad, entryOf(3, given)])).toEqual([flow.id]);
		expect(confirmations([entryOf(3, given)]).get(frame.id)).toBe('Ada');
		const again = { ...frame, id: 'later' };
		expect(
			toConfirm([{ ...tasks[0], entry: again } as (typeof tasks)[number]], confirmations([entryOf(3, given)])),
		).toHaveLength(1);
	});
	it('of a single answer counts for that answer', () => {
		const confirmed = entryOf(0, { ...ticked('frame'), confirmedBy: 'Ada' });
		expect(ids([confirmed, flow, bad])).toEqual([flow.id]);
	});
});

describe('spotter', () => {
	it.each<[string, Crew['role'][], string]>([
		['no crew named: the pilot’s word', [], 'clear'],
		['a spotter in the crew', ['spotter'], 'clear'],
		['only a launcher in the crew', ['launcher'], 'caution'],
	])('%s: %j gives %s', (_, roles, mark) => {
		const crew = roles.map((role, k) => ({ name: `Person ${k}`, role }));
		const state = assessSession({
			aircraft: newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z'),
			session: { kind: 'flight', crew },
			entries: [entryOf(0, ticked('spotter'))],
			due: [],
			done: new Map(),
			unverified: [],
			units: 'metric',
			chain: { ok: true, entries: 1, broken: [], remarks: [] },
		});
		const asked = state.stations.flatMap((stage) => stage.tasks).find(({ task }) => task === 'spotter');
		expect(asked?.mark).toBe(mark);
	});
});
