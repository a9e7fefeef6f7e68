import type { Epochs } from './epochs';
import type { FixType } from '../../schema/gnss';
import { positionLimits as limits } from './limits';

/** What a pilot asks of a receiver before home is trusted. */
export interface LockRule {
	minSatellites: number;
	maxHdop: number;
	holdS: number;
}

export const DEFAULT_LOCK_RULE: LockRule = {
	minSatellites: limits.minSatellites.value,
	maxHdop: limits.maxHdop.value,
	holdS: limits.holdS.value,
};

/** How long the lock was held. */
export interface Hold {
	/** Seconds from the beginning of its stretch until the lock had been held long enough; null where it never was. */
	lockS: number | null;
	/** First epoch of the first hold that lasted, and the one after its last; both 0 where there was none. */
	from: number;
	to: number;
	/** True where the condition still holds at the last epoch. */
	still: boolean;
	/** The longest hold seen, seconds. */
	longestS: number;
	/** The kind of fix at the last epoch. */
	lastType: FixType;
}

/**
 * Walks through the epochs for the first hold that is long enough. Satellites, HDOP and kind of fix are taken over from shortly before
 * where an epoch's own sentences carry none by nature. A gap or a jump of the clock ends a hold.
 */
export function findHold(epochs: Epochs, rule: LockRule): Hold {
	const { tS, stretch, fix, satellites, hdop, reportsQuality } = epochs;
	const hold: Hold = { lockS: null, from: 0, to: 0, still: false, longestS: 0, lastType: 'none' };
	let origin = 0;
	let start = -1;
	let teller = -1;
	for (let k = 0; k < epochs.length; k++) {
		if (k === 0 || stretch[k] !== stretch[k - 1]) {
			origin = tS[k];
			start = -1;
			teller = -1;
		} else if (tS[k] - tS[k - 1] > limits.gapS.value) start = -1;
		if (reportsQuality[k] === 1) teller = k;
		const reported = teller >= 0 && tS[k] - tS[teller] <= limits.gapS.value;
		const good = reported && fix[k] === 1 && satellites[teller] >= rule.minSatellites && hdop[teller] <= rule.maxHdop;
		if (k === epochs.length - 1) {
			const taken = fix[k] === 1 && reported ? epochs.fixType(teller) : 'none';
			hold.lastType = taken === 'none' ? epochs.fixType(k) : taken;
			hold.still = good;
		}
		if (!good) {
			start = -1;
			continue;
		}
		if (start < 0) start = k;
		const heldS = tS[k] - tS[start];
		hold.longestS = Math.max(hold.longestS, heldS);
		if (hold.lockS === null && heldS >= rule.holdS - 1e-6) {
			hold.lockS = tS[k] - origin;
			hold.from = start;
		}
		if (hold.lockS !== null && start === hold.from) hold.to = k + 1;
	}
	return hold;
}
