import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aircraftDue } from '$lib/core/due/aircraftDue';
import { lastDone } from '$lib/core/evidence/inForce';
import { undoneBy } from '$lib/core/session/checklist/undoes';
import { unpackSession } from '$lib/core/record/archive';
import { assessSession, type SessionState } from '$lib/core/session/assess';
import { checklistFor } from '$lib/core/session/items';
import { newAircraft } from '$lib/schema/newAircraft';
import { eventKindSchema, gradeSchema, type CheckPayload, type Entry, type EntryPayload } from '$lib/schema/entries';
import type { Verdict } from '$lib/schema/common';
import type { Session } from '$lib/schema/records';
import { exportSession, readBackup, restore } from './backup';
import { db } from './db';
import {
	appendEntry,
	endSession,
	loadSession,
	reopenSession,
	saveAircraft,
	saveSite,
	startSession,
} from './repository';
import { lastFindings } from './rows';

const AT = '2026-05-14T09:00:00.000Z';
const AIRCRAFT = { ...newAircraft('a1', 'sprayer', AT), name: 'Heron' };
const ITEMS = checklistFor({ aircraft: AIRCRAFT }).map(({ id, station }) => ({ id, station }));
type SessionKind = Session['kind'];
const MEASURED = ['site-field', 'position', 'hover'] as const;

/** What a session must know, told apart from how it is worked out: of each task the last that counts, and the decisions. */
interface Model {
	kind: SessionKind;
	/** Of each task: what counts of it now. */
	last: Map<string, 'clear' | 'caution' | 'hold'>;
	decided: Set<'arm' | 'flight'>;
	ended: boolean;
	written: number;
}
interface Real {
	id: string;
}

const bundleOf = async ({ id }: Real) => {
	const bundle = await loadSession(id);
	if (!bundle) throw new Error('the session is gone');
	return bundle;
};

async function stateOf(real: Real): Promise<{ state: SessionState; entries: readonly Entry[] }> {
	const { aircraft, entries, session, chain } = await bundleOf(real);
	const done = lastDone(await lastFindings('a1', AT, real.id), AT);
	const due = aircraftDue(aircraft, done, null, AT);
	const state = assessSession({ aircraft, session, entries, due, done, unverified: [], chain, units: 'metric' });
	return { state, entries };
}

/** What must hold whatever was done. */
async function expectSound(model: Model, real: Real): Promise<void> {
	const { entries, chain, session } = await bundleOf(real);
	expect(chain).toMatchObject({ ok: true, broken: [] });
	expect(entries.length).toBe(model.written);
	expect(entries.map(({ seq }) => seq)).toEqual(entries.map((_, k) => k));
	expect(session.endedAt !== null).toBe(model.ended);
	const { state } = await stateOf(real);
	for (const { tasks } of state.stations)
		for (const { task, mark, entry } of tasks) {
			if (mark !== 'clear') continue;
			// Nothing is clear that was not seen: an entry speaks for it, and by the model it counts and is good.
			expect(entry, `${task} is clear without an entry`).not.toBeNull();
			if (entry && entries.some(({ id }) => id === entry.id)) expect(model.last.get(task), task).toBe('clear');
		}
	for (const { id: task } of ITEMS) {
		const expected = model.last.get(task);
		const found = state.stations.flatMap(({ tasks }) => tasks).find((t) => t.task === task);
		if (found && !expected) expect(['unseen', 'aside'], `${task} was never seen`).toContain(found.mark);
	}
	for (const [gate, decision] of [
		[state.arm, 'arm'],
		[state.fly, 'flight'],
	] as const)
		if (gate.open) {
			expect(model.decided.has(decision)).toBe(true);
			expect(gate.blocking.some(({ mark }) => mark === 'hold' || mark === 'unseen')).toBe(false);
		}
}

class Write implements fc.AsyncCommand<Model, Real> {
	readonly station: Entry['station'];
	readonly payload: EntryPayload;
	readonly correcting: boolean;
	constructor(station: Entry['station'], payload: EntryPayload, correcting = false) {
		[this.station, this.payload, this.correcting] = [station, payload, correcting];
	}
	check = ({ ended }: Readonly<Model>) => !ended;
	async run(model: Model, real: Real): Promise<void> {
		const { payload } = this;
		// A page decides on the decision that it shows.
		const decided =
			payload.kind === 'decision' && payload.task !== 'measurement-aside'
				? (await stateOf(real)).state.record.decision(payload.task)
				: null;
		const earlier = this.correcting ? (await bundleOf(real)).entries.at(-1) : decided;
		await appendEntry(real.id, this.station, 'Pilot', payload, earlier?.id ?? null);
		model.written++;
		const counts = (grade: string | undefined) =>
			grade !== 'told' && (grade !== 'rehearsed' || model.kind === 'rehearsal');
		if (payload.kind === 'check' && counts(payload.grade) && payload.outcome !== 'aside')
			model.last.set(payload.task, { done: 'clear', doubtful: 'caution', failed: 'hold' }[payload.outcome] as 'clear');
		if (payload.kind === 'test' && counts(payload.grade))
			model.last.set(payload.task, { pass: 'clear', caution: 'caution', fail: 'hold' }[payload.verdict] as 'clear');
		if (payload.kind === 'event') {
			for (const task of undoneBy(payload.what)) model.last.delete(task);
			model.decided.clear();
		}
		if (payload.kind === 'decision' && payload.task !== 'measurement-aside')
			model.decided[payload.decision === 'fly' ? 'add' : 'delete'](payload.task);
		await expectSound(model, real);
	}
	toString = () => `Write(${JSON.stringify(this.payload)}${this.correcting ? ', as a correction' : ''})`;
}

class End implements fc.AsyncCommand<Model, Real> {
	check = () => true;
	async run(model: Model, real: Real): Promise<void> {
		if (model.ended) await reopenSession(real.id, 'Forgot the landing');
		else await endSession(real.id);
		model.ended = !model.ended;
		model.written++;
		await expectSound(model, real);
	}
	toString = () => 'End or reopen';
}

class ThroughAFile implements fc.AsyncCommand<Model, Real> {
	check = () => true;
	async run(model: Model, real: Real): Promise<void> {
		const before = await readBackup();
		const state = await stateOf(real);
		const { data, fault } = await exportSession(real.id);
		expect(fault).toBeNull();
		await db.delete();
		await db.open();
		await restore(unpackSession(data, 'session.json'));
		const after = await readBackup();
		expect(after.entries).toEqual(before.entries);
		expect(after.sessions.map(({ head }) => head)).toEqual(before.sessions.map(({ head }) => head));
		expect(JSON.stringify((await stateOf(real)).state)).toBe(JSON.stringify(state.state));
		await expectSound(model, real);
	}
	toString = () => 'Through a file';
}

const item = fc.constantFrom(...ITEMS);
const grade = fc.constantFrom(...gradeSchema.options);
const check = fc
	.record({
		of: item,
		outcome: fc.constantFrom<CheckPayload['outcome']>('done', 'done', 'doubtful', 'failed'),
		grade: fc.constantFrom(...gradeSchema.options, 'seen', 'seen'),
		correcting: fc.boolean(),
	})
	.map(({ of, outcome, grade: known, correcting }) => {
		const reason = outcome === 'done' ? '' : 'It looked odd';
		const fields = { kind: 'check', task: of.id, outcome, value: null, unit: '', waitedS: null, reason } as const;
		return new Write(of.station, { ...fields, grade: known }, correcting);
	});
const aside = item.map(
	({ id, station }) => new Write(station, { kind: 'aside', task: id, reason: 'Not here', signedBy: 'Pilot' }),
);
const measured = fc
	.record({ task: fc.constantFrom(...MEASURED), verdict: fc.constantFrom<Verdict>('pass', 'caution', 'fail'), grade })
	.map(({ task, verdict, grade: known }) => {
		const station = task === 'site-field' ? 'compass' : task;
		return new Write(station, {
			kind: 'test',
			task,
			sourceName: 'log.csv',
			headline: 'Found',
			figures: [],
			reasons: [],
			verdict,
			grade: known,
		});
	});
const event = fc
	.constantFrom(...eventKindSchema.options)
	.map((what) => new Write('bench', { kind: 'event', task: 'event', what, note: '' }));
const decision = fc
	.record({ task: fc.constantFrom('arm' as const, 'flight' as const), fly: fc.boolean() })
	.map(({ task, fly }) => {
		return new Write(task === 'arm' ? 'arm' : 'fly', {
			kind: 'decision',
			task,
			about: task,
			reason: '',
			signedBy: 'Pilot',
			marks: [],
			decision: fly ? 'fly' : 'hold',
		});
	});

describe('a session, whatever is done in it', () => {
	it('shows nothing clear that was not seen, keeps its chain, and goes whole through a file', async () => {
		await fc.assert(
			fc.asyncProperty(
				fc.constantFrom<SessionKind>('flight', 'rehearsal'),
				fc.commands(
					[
						check,
						check,
						check,
						aside,
						measured,
						event,
						decision,
						fc.constant(new End()),
						fc.constant(new ThroughAFile()),
					],
					{ maxCommands: 24 },
				),
				async (kind, commands) => {
					await db.delete();
					await db.open();
					await saveAircraft(AIRCRAFT);
					const site = { id: 'p1', name: 'Saltings', latDeg: 54.2, lonDeg: -3.1, altM: 10, notes: '', updatedAt: AT };
					await saveSite(site);
					const input = { title: 'Morning', aircraftId: 'a1', siteId: 'p1', packId: null, pilot: 'Pilot' };
					const { id } = await startSession({ kind, ...input });
					const model: Model = { kind, last: new Map(), decided: new Set(), ended: false, written: 1 };
					await fc.asyncModelRun(() => ({ model, real: { id } }), commands);
				},
			),
			{ numRuns: 60, seed: 20260514 },
		);
	}, 120_000);
});
