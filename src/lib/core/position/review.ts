import { position as say } from '$lib/messages/position';
import type { Reason } from '../../schema/common';
import type { GnssAnswer } from '../../schema/gnss';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { median } from '../math/statistics';
import { readEpochs, type Epochs, type Log } from './epochs';
import { positionLimits as limits } from './limits';
import { DEFAULT_LOCK_RULE, findHold, type Hold, type LockRule } from './lock';
import { rowsWhere } from './epochTable';
import { homeOf, scatterOf } from './spread';

/** Seconds from the beginning of its stretch to the first fix; null where there was none. */
function firstFixS({ length, tS, stretch, fix }: Epochs): number | null {
	let origin = 0;
	for (let k = 0; k < length; k++) {
		if (k === 0 || stretch[k] !== stretch[k - 1]) origin = tS[k];
		if (fix[k] === 1) return tS[k] - origin;
	}
	return null;
}

/** Epochs a second, by the step in the middle; null where nothing tells. */
function rateOf({ length, tS, stretch }: Epochs): number | null {
	const steps = new Float64Array(Math.max(0, length - 1));
	let n = 0;
	for (let k = 1; k < length; k++) if (stretch[k] === stretch[k - 1]) steps[n++] = tS[k] - tS[k - 1];
	const step = n > 0 ? median(steps.subarray(0, n)) : 0;
	return step > 0 ? 1 / step : null;
}

/** The values of some epochs where they are known, and the last of them. */
function knownOf(values: Float64Array, rows: Uint32Array) {
	const known = new Float64Array(rows.length);
	let n = 0;
	let least = Infinity;
	for (const row of rows) {
		const value = values[row];
		if (Number.isNaN(value)) continue;
		known[n++] = value;
		least = Math.min(least, value);
	}
	return n === 0
		? { least: null, median: null, last: null }
		: { least, median: median(known.subarray(0, n)), last: known[n - 1] };
}

/**
 * Reviews a receiver's NMEA 0183 text: fix, lock held, home, scatter, sky. Times are the receiver's own clock.
 * Broken lines are counted and shown, never fatal. `progress` receives the share read.
 * @throws InputError `empty` (path `body`) for an empty text.
 */
export function reviewGnss(
	text: string,
	rule: LockRule = DEFAULT_LOCK_RULE,
	progress?: (share: number) => void,
): GnssAnswer {
	if (text.length === 0) throw new InputError('empty', 'body', 'The text is empty: nothing was recorded.');
	const log = readEpochs(text, progress);
	const { epochs } = log;
	const hold = findHold(epochs, rule);
	const fixes = rowsWhere(0, epochs.length, (k) => epochs.fix[k] === 1);
	const home = hold.lockS === null ? undefined : homeOf(epochs, hold.from, hold.to);
	const scatter = scatterOf(epochs, fixes);
	const satellites = knownOf(epochs.satellites, fixes);
	const hdop = knownOf(epochs.hdop, fixes);
	return {
		sentences: log.counts.sentences,
		checksumErrors: log.counts.checksumErrors,
		withoutChecksum: log.counts.withoutChecksum,
		unknownSentences: log.unknownSentences,
		epochs: epochs.length,
		fixes: fixes.length,
		firstFixS: firstFixS(epochs),
		lockS: hold.lockS,
		satellitesUsed: { min: satellites.least, median: satellites.median, last: satellites.last },
		satellitesInView: log.inView?.length ?? null,
		hdop: { best: hdop.least, median: hdop.median, last: hdop.last },
		fixType: hold.lastType,
		...(home ? { home } : {}),
		...(scatter ? { scatter } : {}),
		rateHz: rateOf(epochs),
		sky: log.inView ?? [],
		problems: log.counts.problems,
		...judge(reasonsFor(log, hold, scatter, rule)),
	};
}

function reasonsFor(log: Log, hold: Hold, scatter: GnssAnswer['scatter'], rule: LockRule): Reason[] {
	if (log.counts.sentences === 0) return [reason('fail', say('insufficient-sentences'), { value: 0 })];
	return [
		aboutLock(log.epochs, hold, rule),
		...(log.epochs.length > 0 ? aboutEnd(log.epochs, hold, rule) : []),
		...aboutCare(log, hold, scatter),
	];
}

/** Whether there was a fix, and whether it held for as long as the rule asks. */
function aboutLock(epochs: Epochs, { lockS, longestS, still }: Hold, { holdS }: LockRule): Reason {
	const held = { value: longestS, limit: { ...limits.holdS, value: holdS } };
	if (!epochs.fix.includes(1)) return reason('fail', say('insufficient-fix'));
	if (lockS !== null) return reason('pass', say('lock-held', { holdS }), held);
	return longestS > 0 && still
		? reason('fail', say('insufficient-duration', { longestS, holdS }), { ...held })
		: reason('fail', say('no-lock'), { ...held });
}

/** What the fix is worth at the end of the record: satellites, how they stand, height. */
function aboutEnd(epochs: Epochs, { lastType }: Hold, rule: LockRule): Reason[] {
	if (epochs.fix.at(-1) !== 1) return [reason('fail', say('fix-lost'))];
	const last = (values: Float64Array) => values.findLast((value) => !Number.isNaN(value));
	const satellites = last(epochs.satellites);
	const hdop = last(epochs.hdop);
	const out: Reason[] = [];
	const enough = { value: satellites, limit: { ...limits.minSatellites, value: rule.minSatellites } };
	if (satellites === undefined) out.push(reason('fail', say('insufficient-satellites'), { limit: enough.limit }));
	else if (satellites >= rule.minSatellites) out.push(reason('pass', say('satellites-enough'), enough));
	else out.push(reason('fail', say('few-satellites#review'), { ...enough }));
	const spread = { value: hdop, limit: { ...limits.maxHdop, value: rule.maxHdop } };
	if (hdop !== undefined && hdop <= rule.maxHdop) out.push(reason('pass', say('hdop-small'), spread));
	else if (hdop !== undefined) out.push(reason('fail', say('hdop-large#review'), { ...spread }));
	if (lastType === '2D') out.push(reason('caution', say('fix-2d')));
	return out;
}

/** Seconds for which the place, height too, is the same to the last digit, at the end of the record. */
function samePlaceS({ length, latDeg, lonDeg, altM, tS, stretch }: Epochs): number {
	const last = length - 1;
	let first = last;
	const same = (values: Float64Array, k: number) => Object.is(values[k], values[last]);
	while (
		first > 0 &&
		stretch[first - 1] === stretch[last] &&
		[latDeg, lonDeg, altM].every((values) => same(values, first - 1))
	)
		first--;
	return last < 0 || Number.isNaN(latDeg[last]) ? 0 : tS[last] - tS[first];
}

/** What holds nothing and is worth a look: how long the lock took, how the place wanders, how the lines arrive. */
function aboutCare({ counts, epochs }: Log, { lockS }: Hold, scatter: GnssAnswer['scatter']): Reason[] {
	const out: Reason[] = [];
	if (lockS !== null && lockS > limits.slowLockS.value)
		out.push(reason('caution', say('lock-slow'), { value: lockS, limit: limits.slowLockS }));
	const sameS = samePlaceS(epochs);
	if (sameS > limits.samePlaceS.value)
		out.push(reason('caution', say('place-held', { sameS }), { value: sameS, limit: limits.samePlaceS }));
	else if (scatter) {
		const wanders = { value: scatter.cep95M, limit: limits.scatter95M };
		out.push(
			scatter.cep95M > limits.scatter95M.value
				? reason('caution', say('scatter-large'), { ...wanders })
				: reason('pass', say('scatter-small'), wanders),
		);
	}
	const broken = counts.checksumErrors / (counts.sentences + counts.checksumErrors);
	if (broken > limits.checksumShare.value)
		out.push(
			reason('caution', say('lines-broken', { checksumErrors: counts.checksumErrors }), {
				value: broken,
				limit: limits.checksumShare,
			}),
		);
	return out;
}
