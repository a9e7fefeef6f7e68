import type { Reason } from '../../schema/common';
import type { FixType, GnssAnswer } from '../../schema/gnss';
import { localScale, toLocal } from '../earth/geodesy';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { mean, median, quantile, standardDeviation } from '../math/statistics';
import { readEpochs, type Epoch, type Log } from './epochs';
import { positionLimits as limits } from './limits';

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

const MIN_FOR_SCATTER = 5;
/** Theil–Sen looks at all pairs: so many points are enough and quick. */
const MOST_FOR_SLOPE = 300;

/**
 * Which epochs are good enough for the lock, and the kind of fix at the last. Satellites, HDOP and kind are taken over from shortly
 * before where an epoch's own sentences carry none by nature.
 */
function qualityOf(epochs: readonly Epoch[], rule: LockRule): { good: boolean[]; lastType: FixType } {
	let known: Epoch | null = null;
	let lastType: FixType = 'none';
	const good = epochs.map((epoch) => {
		if (epoch.reportsQuality) known = epoch;
		const teller: Epoch | null =
			known && known.stretch === epoch.stretch && epoch.tS - known.tS <= limits.gapS.value ? known : null;
		lastType = epoch.fix && teller && teller.fixType !== 'none' ? teller.fixType : epoch.fixType;
		if (!teller || !epoch.fix || teller.satellites === null || teller.hdop === null) return false;
		return teller.satellites >= rule.minSatellites && teller.hdop <= rule.maxHdop;
	});
	return { good, lastType };
}

interface Hold {
	lockS: number | null;
	/** Epochs of the first hold that lasted, from its start to where it broke. */
	span: readonly Epoch[];
	/** True where the condition still holds at the last epoch. */
	still: boolean;
	/** The longest hold seen, seconds. */
	longestS: number;
}

function findHold(epochs: readonly Epoch[], good: readonly boolean[], rule: LockRule): Hold {
	let origin = epochs.length > 0 ? epochs[0].tS : 0;
	let start = -1;
	let lockS: number | null = null;
	let lockStart = -1;
	let lockEnd = -1;
	let longestS = 0;
	epochs.forEach((epoch, i) => {
		const before = epochs[i - 1];
		if (before && before.stretch !== epoch.stretch) {
			origin = epoch.tS;
			start = -1;
		} else if (before && epoch.tS - before.tS > limits.gapS.value) start = -1;
		if (!good[i]) {
			start = -1;
			return;
		}
		if (start < 0) start = i;
		const heldS = epoch.tS - epochs[start].tS;
		longestS = Math.max(longestS, heldS);
		if (lockS === null && heldS >= rule.holdS - 1e-6) {
			lockS = epoch.tS - origin;
			lockStart = start;
		}
		if (lockStart >= 0 && start === lockStart) lockEnd = i;
	});
	return {
		lockS,
		span: lockStart >= 0 ? epochs.slice(lockStart, lockEnd + 1) : [],
		still: good.at(-1) ?? false,
		longestS,
	};
}

const placed = (epoch: Epoch): epoch is Epoch & { latDeg: number; lonDeg: number } =>
	epoch.latDeg !== null && epoch.lonDeg !== null;

function localTrack(epochs: readonly Epoch[]) {
	const points = epochs.filter(placed);
	if (points.length === 0) return null;
	const origin = { latDeg: points[0].latDeg, lonDeg: points[0].lonDeg };
	const scale = localScale(origin.latDeg);
	const north = new Float64Array(points.length);
	const east = new Float64Array(points.length);
	points.forEach(({ latDeg, lonDeg }, i) => {
		const { northM, eastM } = toLocal(origin, latDeg, lonDeg, scale);
		north[i] = northM;
		east[i] = eastM;
	});
	return { points, origin, scale, north, east };
}

/** Median of the slopes of all pairs of points (Theil 1950, Sen 1968), per second. */
function theilSen(t: ArrayLike<number>, y: ArrayLike<number>): number {
	const slopes: number[] = [];
	for (let i = 0; i < t.length; i++)
		for (let j = i + 1; j < t.length; j++) if (t[j] > t[i]) slopes.push((y[j] - y[i]) / (t[j] - t[i]));
	return slopes.length > 0 ? median(slopes) : 0;
}

function scatterOf(epochs: readonly Epoch[]): GnssAnswer['scatter'] {
	const track = localTrack(epochs);
	if (!track || track.points.length < MIN_FOR_SCATTER) return undefined;
	const [n0, e0] = [median(track.north), median(track.east)];
	const distance = track.north.map((n, i) => Math.hypot(n - n0, track.east[i] - e0));
	const step = Math.ceil(track.points.length / MOST_FOR_SLOPE);
	const pick = (values: Float64Array) => values.filter((_, i) => i % step === 0);
	const t = pick(Float64Array.from(track.points, (p) => p.tS));
	const perSecond = Math.hypot(theilSen(t, pick(track.north)), theilSen(t, pick(track.east)));
	return { cep50M: quantile(distance, 0.5), cep95M: quantile(distance, 0.95), driftMPerMin: perSecond * 60 };
}

/** How many of n readings count as independent: the wander of a fix makes neighbours alike (lag-one autocorrelation). */
function independent(values: ArrayLike<number>): number {
	const m = mean(values);
	let top = 0;
	let bottom = 0;
	for (let i = 0; i < values.length; i++) {
		bottom += (values[i] - m) ** 2;
		if (i > 0) top += (values[i] - m) * (values[i - 1] - m);
	}
	const rho = bottom > 0 ? Math.max(0, Math.min(0.999, top / bottom)) : 0;
	return Math.max(1, (values.length * (1 - rho)) / (1 + rho));
}

function homeOf(span: readonly Epoch[]): GnssAnswer['home'] {
	const track = localTrack(span);
	if (!track) return undefined;
	const [n, e] = [mean(track.north), mean(track.east)];
	const altitudes = track.points.map((p) => p.altM).filter((alt) => alt !== null);
	const variance = [track.north, track.east]
		.map((values) => standardDeviation(values) ** 2 / independent(values))
		.reduce((a, b) => a + b);
	const deg = 180 / Math.PI;
	const lonDeg = track.origin.lonDeg + (e / track.scale.eastM) * deg;
	return {
		latDeg: track.origin.latDeg + (n / track.scale.northM) * deg,
		lonDeg: lonDeg > 180 ? lonDeg - 360 : lonDeg < -180 ? lonDeg + 360 : lonDeg,
		altM: altitudes.length > 0 ? mean(altitudes) : null,
		sigmaM: Math.sqrt(variance),
	};
}

function firstFixS(epochs: readonly Epoch[]): number | null {
	let origin = 0;
	let stretch = -1;
	for (const epoch of epochs) {
		if (epoch.stretch !== stretch) [origin, stretch] = [epoch.tS, epoch.stretch];
		if (epoch.fix) return epoch.tS - origin;
	}
	return null;
}

function rateOf(epochs: readonly Epoch[]): number | null {
	const steps: number[] = [];
	for (let i = 1; i < epochs.length; i++)
		if (epochs[i].stretch === epochs[i - 1].stretch) steps.push(epochs[i].tS - epochs[i - 1].tS);
	const step = steps.length > 0 ? median(steps) : 0;
	return step > 0 ? 1 / step : null;
}

const known = (values: (number | null)[]) => values.filter((value) => value !== null);

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
	const { good, lastType } = qualityOf(epochs, rule);
	const fixes = epochs.filter((epoch) => epoch.fix);
	const hold = findHold(epochs, good, rule);
	const home = hold.lockS === null ? undefined : homeOf(hold.span);
	const scatter = scatterOf(fixes);
	const satellites = known(fixes.map((epoch) => epoch.satellites));
	const hdops = known(fixes.map((epoch) => epoch.hdop));
	return {
		sentences: log.counts.sentences,
		checksumErrors: log.counts.checksumErrors,
		withoutChecksum: log.counts.withoutChecksum,
		unknownSentences: log.unknownSentences,
		epochs: epochs.length,
		fixes: fixes.length,
		firstFixS: firstFixS(epochs),
		lockS: hold.lockS,
		satellitesUsed: {
			min: leastOf(satellites),
			median: satellites.length > 0 ? median(satellites) : null,
			last: satellites.at(-1) ?? null,
		},
		satellitesInView: log.inView?.length ?? null,
		hdop: {
			best: leastOf(hdops),
			median: hdops.length > 0 ? median(hdops) : null,
			last: hdops.at(-1) ?? null,
		},
		fixType: lastType,
		...(home ? { home } : {}),
		...(scatter ? { scatter } : {}),
		rateHz: rateOf(epochs),
		sky: log.inView ?? [],
		problems: log.counts.problems,
		...judge(reasonsFor(log, lastType, hold, scatter, rule)),
	};
}

/** The least of a list, null for none: spreading a long one into Math.min would overflow the stack. */
const leastOf = (values: readonly number[]): number | null =>
	values.length === 0 ? null : values.reduce((least, value) => Math.min(least, value));

function reasonsFor(log: Log, lastType: FixType, hold: Hold, scatter: GnssAnswer['scatter'], rule: LockRule): Reason[] {
	const { epochs } = log;
	const wait = 'Keep the receiver under open sky and wait.';
	if (log.counts.sentences === 0)
		return [
			reason('fail', 'insufficient-sentences', 'No whole sentence was received.', {
				value: 0,
				next: "Check that the receiver sends text sentences and that the rate is the receiver's.",
			}),
		];
	const last = epochs.at(-1);
	const out: Reason[] = [];
	const satelliteLimit = { ...limits.minSatellites, value: rule.minSatellites };
	const hdopLimit = { ...limits.maxHdop, value: rule.maxHdop };
	const holdLimit = { ...limits.holdS, value: rule.holdS };
	if (!epochs.some((epoch) => epoch.fix))
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
	if (last) {
		if (!last.fix) out.push(reason('fail', 'fix-lost', 'There is no fix at the end.', { next: wait }));
		else {
			const satellites = epochs.findLast((epoch) => epoch.satellites !== null)?.satellites;
			const hdop = epochs.findLast((epoch) => epoch.hdop !== null)?.hdop;
			if (satellites !== null && satellites !== undefined)
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
			if (hdop !== null && hdop !== undefined)
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
			if (lastType === '2D') out.push(reason('caution', 'fix-2d', 'The fix has no height.', { next: wait }));
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
