import type { Message } from '$lib/messages/message';
import { compass as say } from '$lib/messages/compass';
import type { SurveyAnswer } from '../../schema/compassExtras';
import { InputError } from '../finding/inputError';
import { interpolate } from '../math/interpolate';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { median, quantile } from '../math/statistics';
import { compassLimits as limits } from './limits';

export interface Walk {
	mag: { t: ArrayLike<number>; x: ArrayLike<number>; y: ArrayLike<number>; z: ArrayLike<number> };
	/** Where the walker was, metres north and east of any point. */
	track: { t: ArrayLike<number>; north: ArrayLike<number>; east: ArrayLike<number> };
	/** The model's strength at the place, where it is known. */
	modelUt: number | null;
}

const SMOOTH_S = 0.6;
const LEAST_WALK_M = 5;
const FEWEST = 40;
const MOST_POINTS = 600;
const MODEL_SHARE = 0.1;

/**
 * Walk-about survey: how far the strength of the field leaves its usual value along a track. The sensor is carried one way
 * up at one height, so its own offset stays the same all along and falls out; what varies is the place. Metres north, east.
 * @throws InputError where the track's columns have different lengths.
 */
export function surveySite({ mag, track, modelUt }: Walk): SurveyAnswer {
	if (track.north.length !== track.t.length || track.east.length !== track.t.length)
		throw new InputError('lengths', 'track', 'The track has as many places as times.');
	const n = mag.t.length;
	const nothing = {
		medianUt: null,
		modelUt,
		worstUt: null,
		worstAt: null,
		cleanShare: null,
		cleanAt: null,
		points: [],
	};
	const refuse = (says: Message, value: number, limit: number, unit: string) => ({
		...nothing,
		...judge([reason('fail', says, { value, limit: { value: limit, unit, source: 'Winglogos rule' } })]),
	});
	if (n < FEWEST || track.t.length < 2) return refuse(say('insufficient-samples#survey'), n, FEWEST, 'samples');
	const north = interpolate(track.t, track.north, mag.t);
	const east = interpolate(track.t, track.east, mag.t);
	const span = Math.hypot(quantile(north, 0.99) - quantile(north, 0.01), quantile(east, 0.99) - quantile(east, 0.01));
	if (span < LEAST_WALK_M) return refuse(say('insufficient-walk'), span, LEAST_WALK_M, 'm');
	const strength = Float64Array.from({ length: n }, (_, i) => Math.hypot(mag.x[i], mag.y[i], mag.z[i]));
	const smooth = movingMedian(mag.t, strength, SMOOTH_S);
	const medianUt = median(smooth);
	const deviation = smooth.map((v) => v - medianUt);
	let worst = 0;
	for (let i = 1; i < n; i++) if (Math.abs(deviation[i]) > Math.abs(deviation[worst])) worst = i;
	const clean = [...deviation.keys()].filter((i) => Math.abs(deviation[i]) <= limits.surveyUt.value);
	const at = (i: number) => ({ north: north[i], east: east[i] });
	const worstUt = Math.abs(deviation[worst]);
	const offModel = modelUt === null ? null : Math.abs(medianUt / modelUt - 1);
	const step = Math.ceil(n / MOST_POINTS);
	const reasons = [
		worstUt > limits.surveyFailUt.value
			? reason('caution', say('steel-here'), { value: worstUt, limit: limits.surveyFailUt })
			: atMost(worstUt, {
					caution: { limit: limits.surveyUt, says: say('uneven') },
					pass: say('even'),
				}),
	];
	const share = clean.length / n;
	if (share < 0.5)
		reasons.unshift(
			reason('fail', say('no-clean-ground'), {
				value: share,
				limit: { value: 0.5, unit: 'of the walk', source: 'Winglogos default' },
			}),
		);
	if (offModel !== null && offModel > MODEL_SHARE)
		reasons.push(
			reason('caution', say('strength-off'), {
				value: offModel,
				limit: { value: MODEL_SHARE, unit: 'of the model', source: 'World Magnetic Model' },
			}),
		);
	return {
		medianUt,
		modelUt,
		worstUt,
		worstAt: at(worst),
		cleanShare: share,
		cleanAt: middleOfLongest(clean, at),
		points: [...deviation.keys()].filter((i) => i % step === 0).map((i) => ({ ...at(i), deviationUt: deviation[i] })),
		...judge(reasons),
	};
}

/** Times are written in so many decimals: a reading at the edge of a window belongs to it however it was rounded. */
const EDGE_S = 1e-4;

/** Median over a window of so many seconds: a passing watch is a spike, iron in the ground is a hill. */
function movingMedian(t: ArrayLike<number>, v: Float64Array, forS: number): Float64Array {
	let from = 0;
	let to = 0;
	return v.map((_, i) => {
		while (t[i] - t[from] > forS / 2 + EDGE_S) from++;
		while (to < v.length && t[to] - t[i] <= forS / 2 + EDGE_S) to++;
		return median(v.subarray(from, to));
	});
}

function middleOfLongest<T>(indices: readonly number[], at: (i: number) => T): T | null {
	let best: [number, number] | null = null;
	let from = 0;
	for (let k = 1; k <= indices.length; k++) {
		if (k < indices.length && indices[k] === indices[k - 1] + 1) continue;
		if (!best || k - from > best[1] - best[0]) best = [from, k];
		from = k;
	}
	return best && indices.length > 0 ? at(indices[(best[0] + best[1] - 1) >> 1]) : null;
}
