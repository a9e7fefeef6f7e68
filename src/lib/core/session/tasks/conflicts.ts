import { session as say } from '$lib/messages/session';
import type { UsedFact } from '../../../schema/facts';
import { movedSince, type Facts } from '../../facts/facts';
import { FACT_RULES } from '../../facts/keys';
import { settledTask } from '../../facts/statements';
import { factWords, movedWords, statementWords } from '../../facts/words';
import { reason } from '../../finding/reasons';
import type { TaskEvidence } from '../sessionRecord';
import { taskState, type TaskState } from '../task';

/** A row for each value that two statements disagree about: to do where it decides safety, else a caution. */
export const conflictStates = ({ facts, units }: TaskEvidence): TaskState[] =>
	facts.conflicts.map(({ key, first, second, used }) => {
		const { label, safety } = FACT_RULES[key];
		const title = `${label}: ${factWords(key, first.value, units)} or ${factWords(key, second.value, units)}?`;
		const both = `${statementWords(first, units)}; ${statementWords(second, units)}`;
		return taskState({
			task: settledTask(key),
			station: 'return',
			page: 'conflict',
			mark: safety ? 'unseen' : 'caution',
			title,
			detail: `${both}. ${factWords(key, used.value, units)} is used until you choose.`,
			reasons: [
				reason(
					'caution',
					say('values-disagree', {
						one: statementWords(first, units),
						other: statementWords(second, units),
					}),
				),
			],
			next: 'Choose one value',
			offered: null,
		});
	});

/** The facts that what speaks for a task was computed with. */
function usesOf({ entry }: TaskState): readonly UsedFact[] {
	const payload = entry?.payload;
	return payload?.kind === 'test' || payload?.kind === 'calibration' || payload?.kind === 'check'
		? (payload.uses ?? [])
		: [];
}

/** A finding whose facts have moved since is to do again, and says what moved; a skipped task stays skipped. */
export function orStale(state: TaskState, { units }: Pick<TaskEvidence, 'units'>, facts: Facts): TaskState {
	if (state.mark === 'aside' || state.mark === 'unseen') return state;
	const moved = movedSince(usesOf(state), facts);
	if (moved.length === 0) return state;
	const words = moved.map((one) => movedWords(one, units)).join('; ');
	return {
		...state,
		mark: 'unseen',
		title: `Out of date: ${state.title}`,
		detail: `${words}.`,
		reasons: [reason('caution', say('facts-moved', { moved: words })), ...state.reasons],
		next: state.task === 'way-home' ? 'Plan again' : 'Do it again',
		grade: null,
	};
}
