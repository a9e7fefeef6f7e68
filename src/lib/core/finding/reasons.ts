import type { Reason, Verdict } from '../../schema/common';

const RANK: Record<Verdict, number> = { fail: 0, caution: 1, pass: 2 };

/** Reasons worst first, in the order given within a level, and the verdict that follows from them. */
export function judge(reasons: Reason[]): { verdict: Verdict; reasons: Reason[] } {
	const level = (reason: Reason) => reason.level ?? 'pass';
	const sorted = reasons.toSorted((a, b) => RANK[level(a)] - RANK[level(b)]);
	return { verdict: sorted.length === 0 ? 'fail' : level(sorted[0]), reasons: sorted };
}

export type Limit = { value: number; unit: string; source: string };

interface Told {
	value?: number | null | undefined;
	limit?: Limit | undefined;
	next?: string | undefined;
}

/** One reason behind a verdict: a sentence a pilot would say, with value, limit, source and what to do next. */
export const reason = (level: Verdict, code: string, text: string, { value, limit, next }: Told = {}): Reason => ({
	code,
	text,
	level,
	...(Number.isFinite(value) ? { value: Number(value) } : {}),
	...(limit === undefined ? {} : { limit: limit.value, unit: limit.unit, source: limit.source }),
	...(next === undefined ? {} : { next }),
});
