import { returnToHome as say } from '$lib/messages/return';
import { plain } from '../../../words/plain';
import { begunSmall } from '../../../words/begun';
import type { CheckPayload, Entry } from '../../../schema/entries';
import type { Mark } from '../../../schema/records';
import { undoneBy } from '../checklist/undoes';
import { judge, reason } from '../../finding/reasons';
import type { Reason } from '../../../schema/common';
import { MARK_OF_VERDICT, markOf } from '../../evidence/standing';
import { formatQuantity } from '../../../words/units';
import { foundState } from './measured';
import { CREW_WORDS, crewWords } from '../crew';
import { checklistFor, type Item } from '../items';
import type { SessionEvidence, SessionRecord } from '../sessionRecord';
import { orAside, silence, taskState, USUAL_REASONS, type TaskState } from '../task';

/** What an item's check says, in the pilot's unit. */
function valueWords(item: Item, check: CheckPayload, { units }: SessionEvidence): string {
	if (check.value === null) return '';
	return item.limit?.quantity
		? formatQuantity(check.value, item.limit.quantity, units)
		: `${check.value} ${check.unit}`.trim();
}

/** The check that an entry holds; null where it is another kind or none. */
export const checkOf = (entry: Entry | null): CheckPayload | null =>
	entry?.payload.kind === 'check' ? entry.payload : null;

const ODD_WORDS: Record<NonNullable<CheckPayload['odd']>, string> = {
	opposite: 'it leaned the other way',
	'swapped-axis': 'it leaned about another axis',
	none: 'nothing happened',
	squats: 'it was pressed to the ground',
	flips: 'it flipped',
	spins: 'it spun',
};

function detailOf(item: Item, mark: Mark, check: CheckPayload | null, evidence: SessionEvidence): string {
	if (!check || mark === 'unseen') return item.why;
	const value = valueWords(item, check, evidence);
	if (mark === 'clear')
		return [value, check.remedy ? `After a problem: ${check.remedy}.` : ''].filter(Boolean).join(' ');
	const wrong = check.odd ? ODD_WORDS[check.odd] : value;
	const said = check.outcome === 'doubtful' ? 'Doubtful' : 'Not as it should be';
	return `${said}${wrong ? `: ${wrong}` : ''}. ${check.reason}`.trim();
}

const LONGEST_REASON = 90;

/** An answer that holds, as a headline: what was found, not what it should be. */
function foundWords(item: Item, check: CheckPayload, evidence: SessionEvidence): string {
	const value = valueWords(item, check, evidence);
	if (value) return `${item.text}: ${value}, not as it should be`;
	const reason = check.reason.replace(/[.\s]+$/, '');
	const what = check.odd ? ODD_WORDS[check.odd] : reason && reason.length <= LONGEST_REASON ? reason : item.text;
	return `Not as it should be: ${begunSmall(what)}`;
}

/** What an instrument found that answers an item, where it came after the last answer by hand; a value is asked for itself. */
function foundBy({ id, found }: Item, record: SessionRecord, answered: Entry | null): Entry | null {
	const entry = found ? record.speaking(found) : null;
	if (entry?.payload.kind !== 'test' || entry.seq < (answered?.seq ?? -1)) return null;
	// What undoes the item undoes the finding for it, whatever else the finding is good for.
	const undone = record.entries.some(
		({ seq, payload }) => seq > entry.seq && payload.kind === 'event' && undoneBy(payload.what, payload).has(id),
	);
	return undone ? null : entry;
}

/** An audit was asked before the return was flown: what the record proves since stands above what it was told then. */
function withFlownReturns(state: TaskState, record: SessionRecord): TaskState {
	const proved = (task: string) => {
		const payload = record.speaking(task)?.payload;
		return payload?.kind === 'test' && payload.verdict !== 'fail';
	};
	const [lost, switched] = [proved('return-radio-off'), proved('return-switch')];
	if (!lost && !switched) return state;
	const reasons = state.reasons.flatMap((one): Reason[] => {
		if (one.code !== 'switch-is-not-loss') return [one];
		if (lost) return [];
		const { limit, unit, source, value, level = 'caution' } = one;
		const figures = {
			value,
			limit: limit === undefined ? undefined : { value: limit, unit: unit ?? '', source: source ?? '' },
		};
		return [reason(level, say('switch-is-not-loss#audit', { switchInAir: 'yes' }), figures)];
	});
	const { verdict } = judge([...reasons]);
	const [first] = reasons;
	const told = state.reasons[0]?.code === 'switch-is-not-loss';
	return {
		...state,
		reasons,
		mark: MARK_OF_VERDICT[reasons.length === 0 ? 'pass' : verdict],
		title: told ? plain(first?.text ?? 'Failsafe settings checked; return tested in the air') : state.title,
		next: verdict === 'pass' || !first ? '' : (first.next ?? state.next),
	};
}

/** What an OK contradicts where the session names a crew without the role that the item needs; empty where it has one, or no crew. */
function lackingRole({ role }: Item, { session: { crew = [] } }: SessionEvidence): string {
	if (!role || crew.length === 0 || crew.some((one) => one.role === role)) return '';
	return `No ${CREW_WORDS[role].toLowerCase()} in the crew: ${crewWords(crew)}. Change the crew of the session.`;
}

/** One task of an item of the checklist: what was answered or measured last, and that it may be asked again. */
export function itemState(item: Item, evidence: SessionEvidence, record: SessionRecord): TaskState {
	const spoken = record.speaking(item.id);
	// An instrument of the item's own name speaks as a finding, not as an answer.
	const entry = checkOf(spoken) ? spoken : null;
	const offered = item.must ? null : (item.offered ?? USUAL_REASONS);
	const found = foundBy(item, record, entry);
	if (found) {
		const state = foundState(found, { task: item.id, station: item.station, page: null, offered });
		return orAside(item.found === 'settings-audit' ? withFlownReturns(state, record) : state, record);
	}
	const check = checkOf(entry);
	const lacking = lackingRole(item, evidence);
	const answered = check ? markOf(check, item.weight) : 'unseen';
	const mark = answered === 'clear' && lacking ? 'caution' : answered;
	const asked = silence(record, item.id);
	// What went wrong on an armed aircraft is put right, never skipped.
	const settled = entry && record.stop?.id === entry.id ? null : offered;
	const state = taskState({
		task: item.id,
		station: item.station,
		mark,
		title: item.text,
		...(check && mark === 'hold' ? { found: foundWords(item, check, evidence) } : {}),
		detail:
			mark === 'unseen' && asked
				? asked
				: answered === 'clear' && lacking
					? lacking
					: detailOf(item, mark, check, evidence),
		next: mark === 'unseen' ? 'Check it' : mark === 'clear' ? '' : 'Put it right and check again',
		entry,
		offered: settled,
	});
	return orAside(state, record);
}

/** All items of the aircraft's checklist, in the order of the stations. */
export const itemStates = (evidence: SessionEvidence, record: SessionRecord): TaskState[] =>
	checklistFor(evidence).map((item) => itemState(item, evidence, record));
