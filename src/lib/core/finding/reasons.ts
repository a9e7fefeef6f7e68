import type { Message } from '../../messages/message';
import type { Reason, Verdict } from '../../schema/common';

const RANK: Record<Verdict, number> = { fail: 0, caution: 1, pass: 2 };

/** Reasons worst first, in the order given within a level, and the verdict that follows from them. */
export function judge(reasons: Reason[]): { verdict: Verdict; reasons: Reason[] } {
	const level = (reason: Reason) => reason.level ?? 'pass';
	const sorted = reasons.toSorted((a, b) => RANK[level(a)] - RANK[level(b)]);
	return { verdict: sorted.length === 0 ? 'fail' : level(sorted[0]), reasons: sorted };
}

export type Limit = { value: number; unit: string; source: string };

interface Figures {
	value?: number | null | undefined;
	limit?: Limit | undefined;
}

/** One reason behind a verdict: a message with value, limit and source; what follows from its arguments is worded in any units. */
export const reason = (
	level: Verdict,
	{ code, key, args, text, next }: Message,
	{ value, limit }: Figures = {},
): Reason => ({
	code,
	text,
	level,
	...(Number.isFinite(value) ? { value: Number(value) } : {}),
	...(limit === undefined ? {} : { limit: limit.value, unit: limit.unit, source: limit.source }),
	...(next === undefined ? {} : { next }),
	...(args === undefined ? {} : { wording: { key, args } }),
});
