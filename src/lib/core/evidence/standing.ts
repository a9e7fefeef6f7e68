import type { CheckPayload, Entry, EntryPayload } from '../../schema/entries';
import type { Reason, Verdict } from '../../schema/common';
import type { Mark } from '../../schema/records';
import { gradeOf } from './grade';

/**
 * Where an entry is asked what it proves: within its own session, or for the aircraft, beyond the session. Nothing of a rehearsal
 * counts outside it.
 */
export type Scope = { of: 'session'; rehearsal: boolean } | { of: 'aircraft' };

/**
 * Whether an entry is in force, or why not: kept beside without being taken over; set aside undone; rehearsed; told only; failed, so
 * that nothing was done; dated after the moment that is asked about; or no evidence at all.
 */
export type Standing =
	'in-force' | 'kept-beside' | 'set-aside' | 'rehearsed' | 'told' | 'failed' | 'ahead' | 'no-evidence';

/** What a verdict is as a mark. */
export const MARK_OF_VERDICT: Record<Verdict, Mark> = { pass: 'clear', caution: 'caution', fail: 'hold' };

/** Whether everything that fails is a lack of evidence: then nothing was found wrong, and the measurement is to do again. */
export function isInsufficient(reasons: readonly Reason[]): boolean {
	const failing = reasons.filter(({ level }) => level === 'fail');
	return failing.length > 0 && failing.every(({ code }) => code.startsWith('insufficient'));
}

/** The mark of a finding: too little evidence is to do, never a no-go. */
export const markOfFinding = ({ verdict, reasons }: { verdict: Verdict; reasons: readonly Reason[] }): Mark =>
	verdict === 'fail' && isInsufficient(reasons) ? 'unseen' : MARK_OF_VERDICT[verdict];

const failedOf = (payload: EntryPayload): boolean =>
	((payload.kind === 'calibration' || payload.kind === 'test') && payload.verdict === 'fail') ||
	(payload.kind === 'check' && payload.outcome === 'failed');

/** Entries by which something is left undone, of today's form and of the two before it. */
export const isAside = (payload: EntryPayload): boolean =>
	payload.kind === 'aside' ||
	(payload.kind === 'decision' && payload.task === 'measurement-aside') ||
	(payload.kind === 'check' && payload.outcome === 'aside');

/**
 * What an entry is worth in a scope, as of an ISO time: the one place that decides it. Within its own session a failure speaks, as a
 * hold; for the aircraft a failure means that nothing was done. The wind is a condition, not evidence: told is enough for it.
 */
export function standingOf({ payload, at }: Pick<Entry, 'payload' | 'at'>, scope: Scope, asOf: string): Standing {
	if (isAside(payload)) return 'set-aside';
	const grade = gradeOf(payload);
	if (grade === null) return 'no-evidence';
	if (payload.kind === 'calibration' && payload.accepted === 'kept-aside') return 'kept-beside';
	if (grade === 'rehearsed' && !(scope.of === 'session' && scope.rehearsal)) return 'rehearsed';
	if (grade === 'told' && payload.kind !== 'wind') return 'told';
	if (scope.of === 'session') return 'in-force';
	if (at > asOf) return 'ahead';
	return failedOf(payload) ? 'failed' : 'in-force';
}

/** Whether an entry is evidence about the real aircraft, beyond its session; a finding that failed is evidence too. */
export function isEvidence(entry: Pick<Entry, 'payload' | 'at'>): boolean {
	const standing = standingOf(entry, { of: 'aircraft' }, entry.at);
	return standing === 'in-force' || standing === 'failed';
}

const MARK_OF_OUTCOME: Record<CheckPayload['outcome'], Mark | null> = {
	done: 'clear',
	doubtful: 'caution',
	failed: null,
	aside: 'aside',
};

/** The mark of an entry that is in force; a check's failure weighs as its item says. */
export function markOf(payload: EntryPayload, weight: 'hold' | 'caution' = 'hold'): Mark {
	switch (payload.kind) {
		case 'calibration':
		case 'test':
			return markOfFinding(payload);
		case 'check':
			return MARK_OF_OUTCOME[payload.outcome] ?? weight;
		case 'wind':
			return 'clear';
		case 'aside':
			return 'aside';
		case 'decision':
		case 'event':
		case 'flight':
		case 'photo':
		case 'session':
			return 'unseen';
	}
}
