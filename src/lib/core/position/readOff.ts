import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';
import { positionLimits as limits } from './limits';

/** What the aircraft's own screen or voice says of its lock. */
export interface LockReadOff {
	/** Null where it shows lights alone: then whether its lock pattern was shown. */
	satellites: number | null;
	lockShown?: boolean | null;
	/** Left out where the screen does not show it. */
	hdop: number | null;
	/** It said that home is stored, here. */
	homeStored: boolean;
	/** Seconds for which the count was watched and did not fall below the limit. */
	watchedS: number;
}

/**
 * The finding of a lock that was read off the aircraft's own screen against its limits. It cannot tell whether the position stands
 * still, so it says so.
 */
export function judgeReadOff(
	{ satellites, hdop, homeStored, watchedS, lockShown = null }: LockReadOff,
	rule: { minSatellites: number; maxHdop: number; holdS: number },
): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const wait = 'Wait under open sky, and look again.';
	const count = { ...limits.minSatellites, value: rule.minSatellites };
	const spread = { ...limits.maxHdop, value: rule.maxHdop };
	const held = { ...limits.holdS, value: rule.holdS };
	const out = [
		satellites === null
			? lockShown
				? reason(
						'caution',
						'count-not-shown',
						'Its lights show a GPS lock; they tell neither satellites nor scatter.',
						{
							next: 'Hover near and low first: a weak fix shows as wandering.',
						},
					)
				: reason('fail', 'lock-not-shown', 'Its lights do not show a GPS lock.', { next: wait })
			: satellites >= rule.minSatellites
				? reason('pass', 'satellites-enough', 'Enough satellites are used.', { value: satellites, limit: count })
				: reason('fail', 'few-satellites', 'Too few satellites are used.', {
						value: satellites,
						limit: count,
						next: wait,
					}),
		homeStored
			? reason('pass', 'home-stored', 'It says that home is stored.')
			: reason('fail', 'home-not-stored', 'It has not said that home is stored.', { next: wait }),
		watchedS >= rule.holdS
			? reason('pass', 'lock-watched', 'The count was watched long enough.', { value: watchedS, limit: held })
			: reason('caution', 'lock-glanced', 'The count was looked at only shortly.', {
					value: watchedS,
					limit: held,
					next: 'Watch it a while.',
				}),
		satellites === null
			? reason('pass', 'pattern-shown', 'The pattern is that of its own light table.')
			: hdop === null
				? reason('pass', 'hdop-not-shown', 'How well the satellites are spread was not shown.')
				: hdop <= rule.maxHdop
					? reason('pass', 'hdop-small', 'The satellites stand well spread (HDOP).', { value: hdop, limit: spread })
					: reason('fail', 'hdop-large', 'The satellites stand on one side of the sky (HDOP).', {
							value: hdop,
							limit: spread,
							next: wait,
						}),
		reason('pass', 'read-off', 'Read off its screen: whether the position stands still was not seen.'),
	];
	const judged = judge(out);
	return {
		headline:
			judged.verdict === 'fail'
				? judged.reasons[0].text
				: satellites === null
					? 'GPS lock by its lights, home stored'
					: `Read off: ${satellites} satellites, home stored`,
		...judged,
	};
}
