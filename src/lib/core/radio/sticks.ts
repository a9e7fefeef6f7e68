import { radio as say } from '$lib/messages/radio';
import type { Reason } from '../../schema/common';
import type { StickReport, SticksAnswer } from '../../schema/radio';
import { InputError } from '../finding/inputError';
import { judge, reason, type Limit } from '../finding/reasons';
import { mean, median, quantile, robustSigma } from '../math/statistics';
import { radioLimits as limits, REST_S } from './limits';

export interface StickRecording {
	/** Seconds, increasing. */
	t: ArrayLike<number>;
	/** One per channel, −1 to 1. */
	axes: readonly { name: string; values: ArrayLike<number>; selfCentring?: boolean }[];
}

interface Rest {
	from: number;
	to: number;
	level: number;
	sigma: number;
}

/** A stick counts as brought to its centre when it rests within this part of its travel about the middle. */
const NEAR_CENTRE = 0.25;
const QUIET_RANGE = 0.02;
const END_QUANTILE = 0.005;
/** A sweep goes from one end to the other in one direction, in no less than this. */
const SWEEP_S = 1.2;
const SWEEP_LOW = 0.05;

/** Stretches in which a channel stays within a narrow range: range about its travel, wider where the channel is noisy. */
function rests(t: ArrayLike<number>, v: ArrayLike<number>, travel: number): Rest[] {
	const steps = new Float64Array(Math.max(1, v.length - 1));
	for (let i = 1; i < v.length; i++) steps[i - 1] = v[i] - v[i - 1];
	// Differences of white noise are √2 wider; six sigma hold nearly all of a quiet stretch.
	const range = Math.max(QUIET_RANGE * travel, (6 * robustSigma(steps)) / Math.SQRT2);
	const out: Rest[] = [];
	let from = 0;
	let low = v[0];
	let high = v[0];
	const close = (to: number) => {
		if (t[to] - t[from] < REST_S || to - from < 4) return;
		const part = Float64Array.from({ length: to - from + 1 }, (_, k) => v[from + k]);
		const level = median(part);
		out.push({ from, to, level, sigma: Math.sqrt(mean(part.map((x) => (x - mean(part)) ** 2))) });
	};
	for (let i = 1; i < v.length; i++) {
		const nextLow = Math.min(low, v[i]);
		const nextHigh = Math.max(high, v[i]);
		if (nextHigh - nextLow <= range) {
			[low, high] = [nextLow, nextHigh];
			continue;
		}
		close(i - 1);
		from = i;
		low = high = v[i];
	}
	close(v.length - 1);
	return out;
}

/** Largest distance of a steady end-to-end sweep from a straight line in time, as a share of the travel; null without one. */
function bend(t: ArrayLike<number>, v: ArrayLike<number>, low: number, high: number): number | null {
	const travel = high - low;
	const [a, b] = [low + SWEEP_LOW * travel, high - SWEEP_LOW * travel];
	let worst: number | null = null;
	const consider = (from: number, to: number) => {
		if (t[to] - t[from] < SWEEP_S || to - from < 12) return;
		const slope = (v[to] - v[from]) / (t[to] - t[from]);
		let most = 0;
		for (let i = from; i <= to; i++)
			most = Math.max(most, Math.abs(v[i] - v[from] - slope * (t[i] - t[from])) / travel);
		worst = worst === null ? most : Math.min(worst, most);
	};
	// The last leaving of an end before the other end is reached.
	let left: 'low' | 'high' | null = null;
	let at = 0;
	for (let i = 0; i < v.length; i++) {
		if (v[i] <= a) {
			if (left === 'high') consider(at, i);
			[left, at] = ['low', i];
		} else if (v[i] >= b) {
			if (left === 'low') consider(at, i);
			[left, at] = ['high', i];
		}
	}
	return worst;
}

function report(t: ArrayLike<number>, name: string, v: ArrayLike<number>, selfCentring: boolean): StickReport {
	const low = quantile(v, END_QUANTILE);
	const high = quantile(v, 1 - END_QUANTILE);
	const travel = high - low;
	const all = travel > 0 ? rests(t, v, travel) : [];
	const centred = all.filter(({ level }) => Math.abs(level - (low + high) / 2) < NEAR_CENTRE * travel);
	const arrivals = centred.flatMap((rest) => {
		// Where it came from: the last value before the rest that is far from it.
		for (let i = rest.from - 1; i >= 0; i--)
			if (Math.abs(v[i] - rest.level) > 0.3 * travel) return [{ from: v[i] > rest.level ? 'high' : 'low', rest }];
		return [];
	});
	const levelFrom = (side: string) => {
		const levels = arrivals.filter(({ from }) => from === side).map(({ rest }) => rest.level);
		return levels.length > 0 ? median(levels) : null;
	};
	const [fromHigh, fromLow] = [levelFrom('high'), levelFrom('low')];
	const centre = selfCentring && centred.length > 0 ? median(centred.map(({ level }) => level)) : null;
	const hysteresis = fromHigh !== null && fromLow !== null && selfCentring ? Math.abs(fromHigh - fromLow) : null;
	const jitter = all.length > 0 ? median(all.map(({ sigma }) => sigma)) : null;
	return {
		name,
		selfCentring,
		centre,
		low,
		high,
		hysteresis,
		jitter,
		deadBand: jitter === null ? null : 3 * jitter + (hysteresis ?? 0),
		asymmetry: centre === null ? null : high - centre - (centre - low),
		bend: travel > 0 ? bend(t, v, low, high) : null,
		moved: travel > limits.gestureTravel.value,
	};
}

/** What a stick that moved is judged by. */
type Kept = 'centre-off' | 'hysteresis' | 'jitter' | 'asymmetry' | 'bend';

const pct = (v: number) => `${v < 0 ? '−' : ''}${Math.abs(100 * v).toFixed(0)} %`;

function reasonsOf(r: StickReport): Reason[] {
	const at = r.name;
	if (!r.moved)
		return [reason('fail', say('insufficient-travel', { at }), { value: r.high - r.low, limit: limits.gestureTravel })];
	const out: Reason[] = [];
	const check = (code: Kept, value: number | null, limit: Limit) => {
		if (value === null) return;
		const over = Math.abs(value) > limit.value;
		out.push(
			reason(over ? 'caution' : 'pass', say(over ? code : `${code}#ok`, { at }), { value: Math.abs(value), limit }),
		);
	};
	const short = Math.min(r.high, -r.low);
	out.push(
		short < limits.travel.value
			? reason(short < 0.5 ? 'fail' : 'caution', say('travel-short', { at, low: pct(r.low), high: pct(r.high) }), {
					value: short,
					limit: limits.travel,
				})
			: reason('pass', say('travel-full', { at }), { value: short, limit: limits.travel }),
	);
	if (r.selfCentring && r.centre === null) out.push(reason('fail', say('insufficient-rest', { at })));
	check('centre-off', r.centre, limits.centre);
	check('hysteresis', r.hysteresis, limits.hysteresis);
	check('jitter', r.jitter, limits.jitter);
	check('asymmetry', r.asymmetry, limits.symmetry);
	if (r.bend !== null) check('bend', r.bend, limits.linearity);
	return out;
}

/**
 * Reviews a recording of sticks: centre, ends, hysteresis of the return, jitter, symmetry, evenness of a slow sweep, and the
 * dead band that follows (3σ of the jitter + hysteresis). Values −1 to 1; a channel with `selfCentring: false` (a throttle
 * that stays) has no centre.
 * @throws InputError where a channel has another length than the times or a value outside −1.5 to 1.5.
 */
export function reviewSticks({ t, axes }: StickRecording): SticksAnswer {
	if (axes.length === 0) throw new InputError('empty', 'axes', 'There is no channel in this recording.');
	axes.forEach(({ name, values }, k) => {
		if (values.length !== t.length)
			throw new InputError('lengths', `axes.${k}`, `${name} has ${values.length} values, the time has ${t.length}.`);
		for (let i = 0; i < values.length; i++)
			if (!(Math.abs(values[i]) <= 1.5))
				throw new InputError(
					'out-of-range',
					`axes.${k}.${i}`,
					`${name}, sample ${i + 1}: ${values[i]} is not between −1.5 and 1.5.`,
				);
	});
	const seconds = t.length > 1 ? t[t.length - 1] - t[0] : 0;
	if (t.length < 20 || seconds < 2)
		return {
			sticks: [],
			...judge([
				reason('fail', say('insufficient-samples'), {
					value: seconds,
					limit: { value: 2, unit: 's', source: 'Winglogos rule' },
				}),
			]),
		};
	const sticks = axes.map(({ name, values, selfCentring = true }) => report(t, name, values, selfCentring));
	return { sticks, ...judge(sticks.flatMap(reasonsOf)) };
}
