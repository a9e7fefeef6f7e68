import type { EntryPayload, Grade } from '../../schema/entries';

/** What the simulated aircraft was called as a source before grades were kept. */
const SIMULATED = /^practice/;
/** What the source was called where figures were typed into a form, which then opened with answers already in it. */
const TYPED = 'typed in';
/** Forms that asked about tests and settings, and opened with the answers in them. */
const OLD_FORMS: readonly string[] = ['settings-audit'];

/**
 * How an entry was known; null where it is no evidence but a decision, an event, or the session itself. Entries of before grades
 * were kept are graded by what wrote them: simulated data are rehearsed, the aircraft's own routine guided, a form that opened with
 * answers told, a tick seen, a log measured.
 */
export function gradeOf(payload: EntryPayload): Grade | null {
	switch (payload.kind) {
		case 'calibration':
			return payload.grade ?? (payload.practice || SIMULATED.test(payload.sourceName) ? 'rehearsed' : 'measured');
		case 'test':
			if (payload.grade) return payload.grade;
			if (payload.practice || SIMULATED.test(payload.sourceName)) return 'rehearsed';
			if (payload.task.startsWith('guided-')) return 'guided';
			return payload.sourceName === TYPED || OLD_FORMS.includes(payload.task) ? 'told' : 'measured';
		case 'check':
			return payload.grade ?? 'seen';
		case 'wind':
			return payload.grade ?? 'told';
		case 'aside':
		case 'decision':
		case 'event':
		case 'flight':
		case 'photo':
		case 'session':
			return null;
	}
}
