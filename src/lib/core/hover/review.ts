import type { Message } from '$lib/messages/message';
import { hover as say } from '$lib/messages/hover';
import type { Reason } from '../../schema/common';
import type { HoverAnswer, HoverRequest } from '../../schema/hover';
import { DEG, wrap360 } from '../frames/angles';
import { judge, reason, type Limit } from '../finding/reasons';
import { detrend, line, median, quantile, standardDeviation } from '../math/statistics';
import { compassErrorFromTilt } from './attitude';
import { causesOf } from './causes';
import { detectCircling, withTilt, type Circling } from './circling';
import { headingAt, splitDrift } from './drift';
import type { Findings } from './findings';
import { reviewHeight } from './height';
import { hoverLimits as limits } from './limits';
import { gapsOf } from '../math/gaps';
import { localTrack, resample, withoutJumps, type LocalTrack } from './track';
import { reasonsOf } from './verdict';

const NO_SPIRAL: HoverAnswer['spiral'] = {
	present: null,
	confidence: null,
	evidence: null,
	periodS: null,
	growthPerTurn: null,
	sense: null,
	compassErrorDeg: null,
	compassErrorSigmaDeg: null,
	excludedAboveDeg: null,
	fromTrack: null,
	fromTilt: null,
};

function refusal(why: Reason, durationS: number | null): HoverAnswer {
	return {
		durationS,
		bubble: { diameter50M: null, diameter95M: null },
		drift: { speedMps: null, towardDeg: null },
		spiral: NO_SPIRAL,
		height: { stdM: null, driftMps: null, oscillationHz: null, oscillationM: null },
		jumps: 0,
		causes: [],
		...judge([why]),
	};
}

const spreadOf = (values: Float64Array) => quantile(values, 1) - quantile(values, 0);

function insufficient({ t, north, east }: LocalTrack): HoverAnswer | null {
	const n = t.length;
	const T = n > 1 ? t[n - 1] - t[0] : 0;
	const refuse = (says: Message, value: number, limit: Limit) =>
		refusal(reason('fail', says, { value, limit }), n > 1 ? T : null);
	if (n < limits.minSamples.value) return refuse(say('insufficient-samples', { n }), n, limits.minSamples);
	if (T < limits.minDurationS.value) return refuse(say('insufficient-duration#review', { T }), T, limits.minDurationS);
	if ((n - 1) / T < limits.minRateHz.value * 0.999)
		return refuse(say('insufficient-rate'), (n - 1) / T, limits.minRateHz);
	if (Math.max(spreadOf(north), spreadOf(east)) < limits.frozenM.value)
		return refuse(say('insufficient-motion'), 0, limits.frozenM);
	const span = Math.hypot(spreadOf(north), spreadOf(east));
	if (span > limits.maxSpanM.value) return refuse(say('insufficient-hover'), span, limits.maxSpanM);
	return null;
}

/** White part of the fix noise: rms of the third difference of the 5 Hz track / √20 (docs/methods/hover.md#drift-and-jumps). */
function fixJitter(t: Float64Array, north: Float64Array, east: Float64Array): number {
	const rate = Math.min(5, (t.length - 1) / (t[t.length - 1] - t[0]));
	const n = resample(t, north, rate);
	const e = resample(t, east, rate);
	const third = (y: Float64Array, i: number) => y[i] - 3 * y[i - 1] + 3 * y[i - 2] - y[i - 3];
	let sum = 0;
	for (let i = 3; i < n.length; i++) sum += third(n, i) ** 2 + third(e, i) ** 2;
	return Math.sqrt(sum / Math.max(1, n.length - 3) / 2 / 20);
}

function straightness(t: Float64Array, north: Float64Array, east: Float64Array): number {
	const n = resample(t, north, 1);
	const e = resample(t, east, 1);
	let path = 0;
	for (let i = 1; i < n.length; i++) path += Math.hypot(n[i] - n[i - 1], e[i] - e[i - 1]);
	return path > 0 ? Math.hypot(n[n.length - 1] - n[0], e[e.length - 1] - e[0]) / path : 0;
}

/**
 * Reviews a test hover: bubble, drift, circling with the compass error behind it, height, yaw, landing, causes ranked.
 * Track in metres (north, east, up above take-off) or degrees; heading degrees; wind at hover height. Formulas and
 * measured accuracy: docs/methods/hover.md. Too short, too sparse, too far: `fail` with `insufficient-…` and null figures.
 * `progress` is told the share done, 0..1.
 */
export function reviewHover(request: HoverRequest, progress?: (share: number) => void): HoverAnswer {
	const track = localTrack(request);
	const refused = insufficient(track);
	if (refused) return refused;
	const { t, north, east, up } = track;
	const T = t[t.length - 1] - t[0];
	const [n0, e0] = [median(north), median(east)];
	const distance = Float64Array.from(north, (n, i) => Math.sqrt((n - n0) ** 2 + (east[i] - e0) ** 2));
	const v: [number, number] = [line(t, north).slope, line(t, east).slope];
	const speedMps = Math.hypot(...v);
	const clean = withoutJumps(track);
	const gaps = gapsOf(t);
	const seenS = T - gaps.totalS;
	const inPosition = request.hold === 'position';
	const runaway =
		inPosition &&
		speedMps * T > limits.runawayM.value &&
		straightness(t, north, east) > limits.runawayStraightness.value;
	const circling =
		inPosition && seenS >= limits.minHoldS.value && !runaway
			? withTilt(
					detectCircling(t, clean.north, clean.east, progress),
					compassErrorFromTilt(t, clean.north, clean.east, request.heading, request.attitude),
				)
			: null;
	const height = reviewHeight(t, up, limits.oscillationM.value);
	const aboveM = track.aboveGround ? median(track.aboveGround) : null;
	const psi = headingAt(t, request.heading);
	const home = request.setpoint ?? { north: north[0], east: east[0] };
	const findings: Findings = {
		request,
		T,
		speedMps,
		towardRad: Math.atan2(v[1], v[0]),
		diameter95M: 2 * quantile(distance, 0.95),
		runaway,
		circling,
		drift: inPosition ? null : splitDrift(request, t, north, east, v),
		height,
		gapS: gaps.longestS,
		seenS,
		jumps: clean.jumps.length,
		jitterM: fixJitter(t, clean.north, clean.east),
		nearGround: aboveM !== null && aboveM < limits.groundEffectHeightM.value,
		sticksShare: request.sticks ? sharedActive(request.sticks.active) : 0,
	};
	return {
		durationS: T,
		bubble: { diameter50M: 2 * quantile(distance, 0.5), diameter95M: findings.diameter95M },
		drift: { speedMps, towardDeg: speedMps > 0 ? wrap360(Math.atan2(v[1], v[0]) / DEG) : 0 },
		spiral: circling ? spiralOf(circling) : NO_SPIRAL,
		height: {
			stdM: height.stdM,
			driftMps: height.driftMps,
			oscillationHz: height.oscillationHz,
			oscillationM: height.oscillationM,
		},
		...(psi ? { yaw: { driftDegps: line(t, psi).slope / DEG, stdDeg: standardDeviation(detrend(t, psi)) / DEG } } : {}),
		...(request.touchdown
			? { landingErrorM: Math.hypot(request.touchdown.north - home.north, request.touchdown.east - home.east) }
			: {}),
		jumps: clean.jumps.length,
		causes: causesOf(findings),
		...judge(reasonsOf(findings)),
	};
}

const spiralOf = ({ beyond: _, ...spiral }: Circling): HoverAnswer['spiral'] => spiral;

const sharedActive = (active: readonly (boolean | number)[]) =>
	active.length === 0 ? 0 : active.filter((a) => (typeof a === 'boolean' ? a : a > 0.5)).length / active.length;
