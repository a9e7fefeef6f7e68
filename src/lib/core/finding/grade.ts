import type { Message } from '../../messages/message';
import type { Reason } from '../../schema/common';
import { reason, type Limit } from './reasons';

interface Beyond {
	limit: Limit;
	says: Message;
}

interface Grades {
	fail?: Beyond;
	caution?: Beyond;
	pass: Message;
}

/** The worst grade that the value is beyond speaks; a pass is told with the strictest limit. What is no number is beyond all. */
function graded(value: number, { fail, caution, pass }: Grades, within: (limit: number) => boolean): Reason {
	for (const [level, beyond] of [
		['fail', fail],
		['caution', caution],
	] as const) {
		if (!beyond || within(beyond.limit.value)) continue;
		return reason(level, beyond.says, { value, limit: beyond.limit });
	}
	return reason('pass', pass, { value, limit: (caution ?? fail)?.limit });
}

/** A value that is to be small, judged by one limit or two. */
export const atMost = (value: number, grades: Grades): Reason => graded(value, grades, (limit) => value <= limit);

/** A value that is to be large, judged by one limit or two. */
export const atLeast = (value: number, grades: Grades): Reason => graded(value, grades, (limit) => value >= limit);

/** Which way a reason's limit is meant, as far as its value tells: null where value and limit are the same or one is missing. */
export function wanted({ value, limit, level }: Reason): 'at most' | 'at least' | null {
	if (value === undefined || limit === undefined || value === limit) return null;
	return value < limit === ((level ?? 'pass') === 'pass') ? 'at most' : 'at least';
}
