import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../../schema/newAircraft';
import type { CheckPayload } from '../../../schema/entries';
import { entryOf, ticked } from '../../facts/entries.fixture';
import { gatherFacts, valueOf } from '../../facts/facts';
import { assessSession } from '../assess';

const fitted = (value: string): CheckPayload => ({ ...ticked('tank-power'), states: [{ key: 'payload', value }] });
function asked(payloads: CheckPayload[], parts = {}) {
	const aircraft = { ...newAircraft('a', 'sprayer', '2026-05-14T09:00:00.000Z'), parts };
	const entries = payloads.map((payload, seq) => entryOf(seq, payload));
	const given = { aircraft, entries, session: { kind: 'flight' as const } };
	const state = assessSession({
		...given,
		due: [],
		done: new Map(),
		unverified: [],
		units: 'metric',
		chain: { ok: true, entries: entries.length, broken: [], remarks: [] },
	});
	const tasks = new Set(state.stations.flatMap((stage) => stage.tasks).map(({ task }) => task));
	return { tasks, payload: valueOf(gatherFacts(given), 'payload') };
}
const SPRAY = ['flow', 'water-only', 'lines-vented'];
const SPREAD = ['feed', 'spreader-ready'];

describe('payload in force', () => {
	it('both are asked for until the pilot states which one is fitted', () => {
		const { tasks, payload } = asked([]);
		for (const task of [...SPRAY, ...SPREAD]) expect(tasks, task).toContain(task);
		expect(payload).toBeNull();
	});
	it.each([
		['tank', SPRAY, SPREAD],
		['spreader', SPREAD, SPRAY],
	])('%s: only its own checks are asked for', (value, own, other) => {
		const { tasks, payload } = asked([fitted(value)]);
		for (const task of own) expect(tasks, task).toContain(task);
		for (const task of other) expect(tasks, task).not.toContain(task);
		expect(payload).toBe(value);
	});
	it('exchanged in the same session: the later one is in force', () => {
		const { tasks, payload } = asked([fitted('tank'), fitted('spreader')]);
		expect(tasks).toContain('feed');
		expect(tasks).not.toContain('flow');
		expect(payload).toBe('spreader');
	});
	it('an aircraft of one payload is not asked which', () => {
		const { tasks } = asked([], { spreader: false });
		expect(tasks).toContain('flow');
		expect(tasks).not.toContain('feed');
	});
});
