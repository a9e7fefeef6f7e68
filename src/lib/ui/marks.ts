import type { Grade } from '$lib/schema/entries';
import type { Mark } from '$lib/schema/records';

/** The word of each mark: read out, and shown wherever the outline stands alone. */
export const MARK_WORDS: Record<Mark, string> = {
	clear: 'clear',
	caution: 'caution',
	hold: 'hold',
	unseen: 'not seen yet',
	aside: 'set aside',
};

/** Text colour of a mark. Colour never carries the meaning alone. */
export const MARK_TEXT: Record<Mark, string> = {
	clear: 'text-clear',
	caution: 'text-caution',
	hold: 'text-hold',
	unseen: 'text-unseen',
	aside: 'text-aside',
};

export { MARK_OF_VERDICT, markOfFinding } from '$lib/core/evidence/standing';

/** How a thing was known, in a word. */
export const GRADE_WORDS: Record<Grade, string> = {
	measured: 'measured',
	'read-off': 'read off',
	seen: 'seen',
	guided: 'guided',
	calculated: 'calculated',
	told: 'told',
	rehearsed: 'rehearsed',
};
