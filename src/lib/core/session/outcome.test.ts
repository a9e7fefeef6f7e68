import { describe, expect, it } from 'vitest';
import type { DecisionPayload, EntryPayload } from '../../schema/entries';
import { newAircraft } from '../../schema/newAircraft';
import { entryOf, finding } from '../facts/entries.fixture';
import { decidedOn, outcomeOfSession } from './outcome';

const decision = (more: Partial<DecisionPayload> = {}): DecisionPayload => ({
	kind: 'decision',
	task: 'flight',
	decision: 'fly',
	about: 'session',
	reason: '',
	signedBy: 'Pilot',
	marks: [],
	...more,
});
const flight = (what: 'took-off' | 'landed'): EntryPayload => ({
	kind: 'flight',
	task: 'flying',
	what,
	note: '',
	landAfterMin: null,
});
const split = (...payloads: EntryPayload[]) =>
	decidedOn(
		{
			aircraft: { ...newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z'), name: 'Dunlin' },
			session: { kind: 'flight' },
			entries: payloads.map((payload, seq) => entryOf(seq, payload, { station: 'hover' })),
			due: [],
			done: new Map(),
			unverified: [],
			chain: { ok: true, entries: payloads.length, broken: [], remarks: [] },
			units: 'metric',
		},
		true,
	);
const skipped = Array.from({ length: 6 }, (_, k) => ({ task: `t${k}`, mark: 'aside' as const }));

describe('outcome of a session', () => {
	it('flown with skipped checks: says how many, and is not marked OK', () => {
		const found = outcomeOfSession({ decision: decision({ marks: skipped }), flew: true, ended: true });
		expect(found).toEqual({ mark: 'aside', words: 'Flown; 6 skipped' });
	});
	it('decided but never off the ground: says so', () => {
		expect(outcomeOfSession({ decision: decision(), flew: false, ended: true }).words).toBe(
			'Takeoff decided, not flown',
		);
	});
	it('held, armed only, nothing decided', () => {
		expect(
			outcomeOfSession({ decision: decision({ decision: 'hold', reason: 'gusts' }), flew: false, ended: true }),
		).toEqual({
			mark: 'hold',
			words: 'Held: gusts',
		});
		expect(outcomeOfSession({ decision: decision({ task: 'arm' }), flew: false, ended: false }).words).toMatch(/^Open/);
		expect(outcomeOfSession({ decision: null, flew: false, ended: true }).words).toMatch(/without a decision/);
	});
});

describe('session split at its decision', () => {
	it('what was found after it changes neither the outcome nor what was decided on', () => {
		const before = split(finding('hover', 'pass'), decision());
		const later = split(
			finding('hover', 'pass'),
			decision(),
			flight('took-off'),
			flight('landed'),
			finding('hover', 'fail'),
		);
		const hover = (one: typeof later) =>
			one.state.stations.flatMap(({ tasks }) => tasks).find(({ task }) => task === 'hover');
		expect(hover(later)?.mark).toBe('clear');
		expect(hover(before)?.mark).toBe('clear');
		expect(later.after.map(({ task }) => task)).toContain('hover');
		expect(later.outcome.words).toBe('Flown');
	});
	it('wind entered after the decision is not the wind that was decided on', () => {
		const blowing = (speedMps: number): EntryPayload => ({
			kind: 'wind',
			task: 'wind',
			grade: 'told',
			fromDeg: 250,
			speedMps,
			gustMps: speedMps,
		});
		const { state } = split(blowing(2), decision(), blowing(9));
		expect(state.facts.of('windMps')?.value).toBe(2);
	});
	it('nothing decided: the present state, nothing after it', () => {
		const { decision: none, after } = split(finding('hover', 'fail'));
		expect([none, after]).toEqual([null, []]);
	});
});
