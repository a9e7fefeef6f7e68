import { position as say } from '$lib/messages/position';
import { isEvidence } from '../evidence/standing';
import type { Reason } from '../../schema/common';
import type { Entry } from '../../schema/entries';
import { valueIn } from '../figures/figure';
import { reason } from '../finding/reasons';
import { studentQuantile } from '../math/student';
import { positionLimits as limits } from './limits';

/** What is expected of a receiver that nobody watched: seconds, deviation of the logarithm, and what that is worth in locks. */
const PRIOR = { seconds: 45, sigma: 0.5, spreadWorth: 4, meanWorth: 0.5 } as const;
const OUTSIDE = 0.975;
const HOUR_MS = 3_600_000;

export interface UsualLock {
	/** Seconds in the middle, and the range that holds all but one in twenty. */
	usualS: number;
	lowS: number;
	highS: number;
	n: number;
}

/** How long a receiver usually takes to lock, by earlier locks alike (cold or warm); null where too few are known. */
export function usualLock(seconds: readonly number[]): UsualLock | null {
	const n = seconds.length;
	if (n < limits.fewLocks.value) return null;
	const logs = seconds.map((s) => Math.log(Math.max(0.5, s)));
	const prior = Math.log(PRIOR.seconds);
	const sum = logs.reduce((a, b) => a + b, 0);
	const [k, mean] = [n + PRIOR.meanWorth, sum / n];
	const middle = (PRIOR.meanWorth * prior + sum) / k;
	const spread = logs.reduce((all, l) => all + (l - mean) ** 2, 0);
	const pull = ((PRIOR.meanWorth * n) / k) * (mean - prior) ** 2;
	const sigma = Math.sqrt((PRIOR.spreadWorth * PRIOR.sigma ** 2 + spread + pull) / (PRIOR.spreadWorth + n));
	const reach = studentQuantile(OUTSIDE, PRIOR.spreadWorth + n) * sigma * Math.sqrt(1 + 1 / k);
	return { usualS: Math.exp(middle), lowS: Math.exp(middle - reach), highS: Math.exp(middle + reach), n };
}

/**
 * Seconds of earlier locks that are alike: where the receiver had been on within two hours before (warm) as it has now, or not (cold).
 * `entries` about the lock, of one aircraft, in any order; `now` as ISO time.
 */
export function locksLike(entries: readonly Pick<Entry, 'at' | 'payload'>[], now: string): number[] {
	const inTime = entries.toSorted((a, b) => (a.at < b.at ? -1 : 1));
	const warmAt = (at: string, before: string | undefined) =>
		before !== undefined && Date.parse(at) - Date.parse(before) < limits.warmHours.value * HOUR_MS;
	const warmNow = warmAt(now, inTime.findLast(({ at }) => at < now)?.at);
	return inTime.flatMap((entry, i) => {
		const { at, payload } = entry;
		if (payload.kind !== 'test' || !isEvidence(entry) || at >= now) return [];
		const found = valueIn(payload.figures, 'gps-lock-time');
		return typeof found === 'number' && warmAt(at, inTime[i - 1]?.at) === warmNow ? [found] : [];
	});
}

/** What a lock, or the wait for one, says beside the receiver's usual; null where too few are known. */
export function lockBeside(usual: UsualLock | null, seconds: number, locked: boolean): Reason | null {
	if (!usual) return null;
	const limit = { value: usual.highS, unit: 's', source: `Its own ${usual.n} locks alike` };
	if (seconds > usual.highS)
		return reason(
			'caution',
			say('lock-unusual', { locked, usualS: usual.usualS, lowS: usual.lowS, highS: usual.highS }),
			{ value: seconds, limit },
		);
	return locked
		? reason('pass', say('lock-usual', { usualS: usual.usualS, lowS: usual.lowS, highS: usual.highS }), {
				value: seconds,
				limit,
			})
		: null;
}
