import { position as say } from '$lib/messages/position';
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
	const count = { ...limits.minSatellites, value: rule.minSatellites };
	const spread = { ...limits.maxHdop, value: rule.maxHdop };
	const held = { ...limits.holdS, value: rule.holdS };
	const out = [
		satellites === null
			? lockShown
				? reason('caution', say('count-not-shown'))
				: reason('fail', say('lock-not-shown'))
			: satellites >= rule.minSatellites
				? reason('pass', say('satellites-enough'), { value: satellites, limit: count })
				: reason('fail', say('few-satellites'), { value: satellites, limit: count }),
		homeStored ? reason('pass', say('home-stored')) : reason('fail', say('home-not-stored')),
		watchedS >= rule.holdS
			? reason('pass', say('lock-watched'), { value: watchedS, limit: held })
			: reason('caution', say('lock-glanced'), { value: watchedS, limit: held }),
		satellites === null
			? reason('pass', say('pattern-shown'))
			: hdop === null
				? reason('pass', say('hdop-not-shown'))
				: hdop <= rule.maxHdop
					? reason('pass', say('hdop-small'), { value: hdop, limit: spread })
					: reason('fail', say('hdop-large'), { value: hdop, limit: spread }),
		reason('pass', say('read-off')),
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
