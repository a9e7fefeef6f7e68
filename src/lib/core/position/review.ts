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
 * Broken lines are counted and shown, never fatal. `progress` is told the share read.
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
	const { epochs } = log;
	const wait = 'Keep the receiver under open sky and wait.';
	if (log.counts.sentences === 0)
		return [
			reason('fail', 'insufficient-sentences', 'No whole sentence was received.', {
				value: 0,
				next: "Check that the receiver sends text sentences and that the rate is the receiver's.",
			}),
		];
	const out: Reason[] = [];
	const satelliteLimit = { ...limits.minSatellites, value: rule.minSatellites };
	const hdopLimit = { ...limits.maxHdop, value: rule.maxHdop };
	const holdLimit = { ...limits.holdS, value: rule.holdS };
	if (!epochs.fix.includes(1))
		out.push(reason('fail', 'insufficient-fix', 'There was no position fix.', { next: wait }));
	else if (hold.lockS !== null)
		out.push(
			reason('pass', 'lock-held', `The lock was held for ${rule.holdS} s; home can be trusted.`, {
				value: hold.longestS,
				limit: holdLimit,
			}),
		);
	else {
		if (hold.longestS > 0 && hold.still)
			out.push(
				reason(
					'fail',
					'insufficient-duration',
					`The lock has held for ${hold.longestS.toFixed(0)} s, not yet for ${rule.holdS} s.`,
					{ value: hold.longestS, limit: holdLimit, next: wait },
				),
			);
		else
			out.push(
				reason('fail', 'no-lock', 'The lock was never held long enough.', {
					value: hold.longestS,
					limit: holdLimit,
					next: wait,
				}),
			);
	}
	if (epochs.length > 0) {
		if (epochs.fix.at(-1) !== 1) out.push(reason('fail', 'fix-lost', 'There is no fix at the end.', { next: wait }));
		else {
			const satellites = epochs.satellites.findLast((count) => !Number.isNaN(count));
			const hdop = epochs.hdop.findLast((value) => !Number.isNaN(value));
			if (satellites !== undefined)
				out.push(
					satellites >= rule.minSatellites
						? reason('pass', 'satellites-enough', 'Enough satellites are used.', {
								value: satellites,
								limit: satelliteLimit,
							})
						: reason('fail', 'few-satellites', 'Too few satellites are used.', {
								value: satellites,
								limit: satelliteLimit,
								next: wait,
							}),
				);
			else
				out.push(
					reason('fail', 'insufficient-satellites', 'The receiver does not say how many satellites it uses.', {
						limit: satelliteLimit,
						next: 'Switch on GGA or GSA sentences.',
					}),
				);
			if (hdop !== undefined)
				out.push(
					hdop <= rule.maxHdop
						? reason('pass', 'hdop-small', 'The satellites stand well spread (HDOP).', {
								value: hdop,
								limit: hdopLimit,
							})
						: reason('fail', 'hdop-large', 'The satellites stand on one side of the sky (HDOP).', {
								value: hdop,
								limit: hdopLimit,
								next: wait,
							}),
				);
			if (hold.lastType === '2D') out.push(reason('caution', 'fix-2d', 'The fix has no height.', { next: wait }));
		}
	}
	if (hold.lockS !== null && hold.lockS > limits.slowLockS.value)
		out.push(
			reason('caution', 'lock-slow', 'The lock took long.', {
				value: hold.lockS,
				limit: limits.slowLockS,
				next: 'Compare with earlier sessions; look at antenna and sky.',
			}),
		);
	if (scatter && scatter.cep95M > limits.scatter95M.value)
		out.push(
			reason('caution', 'scatter-large', 'The position wanders while standing.', {
				value: scatter.cep95M,
				limit: limits.scatter95M,
				next: wait,
			}),
		);
	else if (scatter)
		out.push(
			reason('pass', 'scatter-small', 'The position stands still.', {
				value: scatter.cep95M,
				limit: limits.scatter95M,
			}),
		);
	const broken = log.counts.checksumErrors / (log.counts.sentences + log.counts.checksumErrors);
	if (broken > limits.checksumShare.value)
		out.push(
			reason('caution', 'lines-broken', `${log.counts.checksumErrors} lines arrived broken.`, {
				value: broken,
				limit: limits.checksumShare,
				next: 'Check cable, rate and grounding.',
			}),
		);
	return out;
}
