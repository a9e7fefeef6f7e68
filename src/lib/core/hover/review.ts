import type { Reason } from '../../schema/common';
import type { Cause, HoverAnswer, HoverRequest } from '../../schema/hover';
import { DEG, wrap360 } from '../frames/angles';
import { judge, reason } from '../frames/reasons';
import { detrend, line, median, quantile, standardDeviation } from '../frames/statistics';
import { compassErrorFromTilt } from './attitude';
import { detectCircling, withTilt, type Circling } from './circling';
import { headingAt, splitDrift, type DriftCause } from './drift';
import { reviewHeight, type HeightReview } from './height';
import { hoverLimits as limits } from './limits';
import { localTrack, resample, withoutJumps, type LocalTrack } from './track';

const LAND = 'Go back to self-level, land, disarm, disconnect.';
const CALIBRATE = `${LAND} Take the aircraft away from metal and calibrate the compass again.`;

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
	const refuse = (
		code: string,
		text: string,
		value: number,
		limit: (typeof limits)[keyof typeof limits],
		next: string,
	) => refusal(reason('fail', `insufficient-${code}`, text, value, limit, next), n > 1 ? T : null);
	if (n < limits.minSamples.value)
		return refuse('samples', `${n} points are too few.`, n, limits.minSamples, 'Record the whole hover.');
	if (T < limits.minDurationS.value)
		return refuse('duration', `${T.toFixed(1)} s are too short.`, T, limits.minDurationS, 'Hover for a minute.');
	if ((n - 1) / T < limits.minRateHz.value * 0.999)
		return refuse('rate', 'The points are too far apart.', (n - 1) / T, limits.minRateHz, 'Log positions at 5 Hz.');
	if (Math.max(spreadOf(north), spreadOf(east)) < limits.frozenM.value)
		return refuse(
			'motion',
			'The track does not move at all: a frozen log shows nothing.',
			0,
			limits.frozenM,
			'Log the position while hovering.',
		);
	const span = Math.hypot(spreadOf(north), spreadOf(east));
	if (span > limits.maxSpanM.value)
		return refuse(
			'hover',
			'This track is a flight, not a hover.',
			span,
			limits.maxSpanM,
			'Cut the hover out of the log.',
		);
	return null;
}

/** White part of the fix noise: rms of the third difference of the 5 Hz track / √20 (METHODS-HOVER 7). */
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

interface Findings {
	request: HoverRequest;
	T: number;
	speedMps: number;
	diameter95M: number;
	runaway: boolean;
	circling: Circling | null;
	drift: DriftCause | null;
	height: HeightReview;
	jumps: number;
	jitterM: number;
	nearGround: boolean;
	sticksShare: number;
}

/**
 * Reviews a test hover: bubble, drift, circling with the compass error behind it, height, yaw, landing, causes ranked.
 * Track in metres (north, east, up above take-off) or degrees; heading degrees; wind at hover height. Formulas and
 * measured accuracy: METHODS-HOVER. Too short, too sparse, too far: `fail` with `insufficient-…` and null figures.
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
	const inPosition = request.hold === 'position';
	const runaway =
		inPosition &&
		speedMps * T > limits.runawayM.value &&
		straightness(t, north, east) > limits.runawayStraightness.value;
	const circling =
		inPosition && T >= limits.minHoldS.value && !runaway
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
		diameter95M: 2 * quantile(distance, 0.95),
		runaway,
		circling,
		drift: inPosition ? null : splitDrift(request, t, north, east, v),
		height,
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

const logistic = (x: number) => 1 / (1 + Math.exp(-x));

function causesOf(f: Findings): Cause[] {
	const causes: Cause[] = [];
	const add = (code: string, probability: number, why: string, next: string) =>
		causes.push({ code, probability: Math.max(0, Math.min(1, probability)), why, next });
	if (f.request.hold === 'position')
		add(
			'no-position-hold',
			f.runaway ? 0.95 : 0.02,
			`it travelled ${(f.speedMps * f.T).toFixed(1)} m in ${f.T.toFixed(0)} s`,
			`${LAND} Look whether position hold was really on and the fix good.`,
		);
	if (f.circling) {
		const { present, confidence, compassErrorDeg, compassErrorSigmaDeg, beyond } = f.circling;
		add(
			'compass-error',
			present ? Math.max(0.6, confidence) : Math.min(0.45, beyond),
			`the motion turns one way: compass ${compassErrorDeg >= 0 ? '+' : '−'}${Math.abs(compassErrorDeg).toFixed(0)}° ± ${compassErrorSigmaDeg.toFixed(0)}°`,
			CALIBRATE,
		);
	}
	if (f.drift) {
		const told = f.request.wind !== undefined || f.request.heading !== undefined;
		const most = told ? 1 : 0.8;
		const turn = 'Repeat the hover with the nose turned by half a turn: wind stays, trim turns with the nose.';
		add('wind-drift', Math.min(most, f.drift.wind), f.drift.why, turn);
		add('level-trim', Math.min(most, f.drift.trim), f.drift.why, 'Check the level calibration on a level surface.');
	}
	add('fix-jump', f.jumps > 0 ? 0.9 : 0.02, `${f.jumps} jumps of the fix`, 'Wait for more satellites under open sky.');
	add(
		'weak-fix',
		logistic((f.jitterM - limits.weakFixM.value) / 0.03),
		`the fix jitters by ${f.jitterM.toFixed(2)} m`,
		'Wait for more satellites under open sky, look at the antenna.',
	);
	const { oscillationHz, oscillationM, slowRmsM, driftMps, washRmsM } = f.height;
	add(
		'height-oscillation',
		oscillationHz === null ? 0.03 : 0.9,
		oscillationM === null || oscillationHz === null
			? 'no regular bobbing'
			: `bobbing by ${oscillationM.toFixed(2)} m at ${oscillationHz.toFixed(1)} Hz`,
		'Soften the height loop one step at a time.',
	);
	const slow = Math.max(slowRmsM / limits.heightRmsM.value, (Math.abs(driftMps) * f.T) / limits.heightDriftM.value);
	const direct = f.request.upSource === 'pressure' ? 0.5 : 1;
	add(
		'pressure-disturbance',
		direct * logistic((slow - 1) / 0.12),
		`the height wandered by ${slowRmsM.toFixed(2)} m`,
		'Shield the pressure sensor from wind and wash with open-cell foam.',
	);
	add(
		'ground-effect',
		f.nearGround ? logistic((washRmsM - limits.groundEffectRmsM.value) / 0.004) : 0.02,
		f.nearGround
			? `near the ground, jitter ${(washRmsM * 100).toFixed(1)} cm`
			: 'well above the ground, or the height above it is not known',
		'Climb to head height and look again.',
	);
	const worst = Math.max(...causes.map(({ probability }) => probability));
	add(
		'holding-well',
		f.request.hold !== 'position' || f.T < limits.minHoldS.value || f.diameter95M > limits.bubble95M.value
			? Math.min(0.3, 1 - worst)
			: 1 - worst,
		f.circling
			? `nothing else was found; compass errors above about ${f.circling.excludedAboveDeg.toFixed(0)}° are excluded`
			: 'nothing else was found',
		'Go on to the next rung.',
	);
	return causes.sort((a, b) => b.probability - a.probability);
}

function reasonsOf(f: Findings): Reason[] {
	const out: Reason[] = [];
	const { circling: c } = f;
	if (f.request.hold === 'position') {
		if (f.T < limits.minHoldS.value)
			out.push(
				reason(
					'fail',
					'insufficient-duration',
					`${f.T.toFixed(0)} s of position hold cannot show a circle.`,
					f.T,
					limits.minHoldS,
					'Hover for a minute, hands off.',
				),
			);
		if (f.runaway)
			out.push(
				reason(
					'fail',
					'no-position-hold',
					'It travelled straight away: position was not held.',
					f.speedMps * f.T,
					limits.runawayM,
					LAND,
				),
			);
		if (c?.present)
			out.push(
				reason(
					'fail',
					'compass-error',
					`It circles ${c.sense === 'ccw' ? 'to the left' : 'to the right'}: the compass reads about ${Math.abs(c.compassErrorDeg).toFixed(0)}° ± ${c.compassErrorSigmaDeg.toFixed(0)}° too far ${c.compassErrorDeg > 0 ? 'clockwise' : 'anticlockwise'}.`,
					c.evidence,
					limits.evidence,
					CALIBRATE,
				),
			);
		else if (c && c.evidence > limits.evidence.value)
			out.push(
				reason(
					'caution',
					'turns-one-way',
					`The motion turns one way more than the other, though the compass error found is small: ${Math.abs(c.compassErrorDeg).toFixed(0)}° ± ${c.compassErrorSigmaDeg.toFixed(0)}°.`,
					c.evidence,
					limits.evidence,
					'Fly straight ahead for 5 to 10 m in self-level and compare course and heading, or hover again for two minutes.',
				),
			);
		else if (c)
			out.push(
				reason(
					'pass',
					'no-circling',
					`No circling found. Compass errors above about ${c.excludedAboveDeg.toFixed(0)}° are excluded, smaller ones are not.`,
					c.evidence,
					limits.evidence,
				),
			);
		out.push(
			f.diameter95M > limits.bubble95M.value
				? reason(
						'caution',
						'bubble-wide',
						'It wanders widely.',
						f.diameter95M,
						limits.bubble95M,
						'Compare with the wind; look at the fix.',
					)
				: reason(
						'pass',
						'bubble-small',
						'It stays in a small bubble (the logged track: the real one is larger).',
						f.diameter95M,
						limits.bubble95M,
					),
		);
		if (!f.runaway)
			out.push(
				f.speedMps > limits.driftMps.value
					? reason(
							'caution',
							'drifting',
							'It drifts though it should hold its place.',
							f.speedMps,
							limits.driftMps,
							LAND,
						)
					: reason('pass', 'not-drifting', 'The mean does not move.', f.speedMps, limits.driftMps),
			);
	} else
		out.push(reason('pass', 'free-drift', 'Without position hold the drift is wind and trim together.', f.speedMps));
	if (f.drift && f.drift.trim > 0.6)
		out.push(
			reason(
				'caution',
				'level-trim',
				`Level trim is likely: ${f.drift.why}.`,
				f.speedMps,
				undefined,
				'Check the level calibration.',
			),
		);
	if (f.jumps > 0)
		out.push(
			reason(
				'caution',
				'fix-jump',
				`The fix jumped ${f.jumps} times.`,
				f.jumps,
				limits.jumpM,
				'Wait for more satellites.',
			),
		);
	out.push(
		f.jitterM > limits.weakFixM.value
			? reason(
					'caution',
					'weak-fix',
					'The fix is noisy.',
					f.jitterM,
					limits.weakFixM,
					'Wait for more satellites under open sky.',
				)
			: reason('pass', 'fix-smooth', 'The fix is smooth.', f.jitterM, limits.weakFixM),
	);
	const { oscillationM, slowRmsM, driftMps } = f.height;
	if (oscillationM !== null)
		out.push(
			reason(
				'caution',
				'height-oscillation',
				'It bobs regularly.',
				oscillationM,
				limits.oscillationM,
				'Soften the height loop one step at a time.',
			),
		);
	if (slowRmsM > limits.heightRmsM.value || Math.abs(driftMps) * f.T > limits.heightDriftM.value)
		out.push(
			reason(
				'caution',
				'height-wander',
				'The height wanders.',
				slowRmsM,
				limits.heightRmsM,
				'Shield the pressure sensor from wind.',
			),
		);
	else out.push(reason('pass', 'height-held', 'The height is held.', f.height.stdM, limits.heightRmsM));
	if (f.sticksShare > limits.sticksShare.value)
		out.push(
			reason(
				'caution',
				'sticks-moved',
				'The sticks were moved during the hover.',
				f.sticksShare,
				limits.sticksShare,
				'Repeat it hands off.',
			),
		);
	return out;
}
