import { max } from 'd3-array';
import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';
import type { HoverRequest } from '../../schema/hover';
import { hoverLimits } from '../hover/limits';
import { interpolate } from '../math/interpolate';
import { detrend, line, median, quantile, standardDeviation } from '../math/statistics';
import { filmedCompassError } from './filmLoop';
import { filmLimits as limits } from './limits';
import type { FilmTrack } from './trackFilm';

/** What is known of the film beside its track. */
export interface FilmSetup {
	/** From motor to motor as seen from the phone, metres. */
	spanM: number;
	/** The mark was made on the full picture, not on a small one. */
	markedLarge: boolean;
	/** Focal length in pixels of the track's pictures; left out where it is not known. */
	fPx?: number;
	/** How steeply the phone looked up, degrees: 90 on its back. */
	elevationDeg: number;
	hold: HoverRequest['hold'];
	/** The pilot saw the circle on the aircraft in every picture shown. */
	confirmed: boolean;
}

export interface FilmReview {
	durationS: number;
	scaleSigma: number;
	rangeM: number;
	bubble: { lower95M: number | null; estimate95M: number | null; upper95M: number | null };
	drift: { sidewaysMps: number | null; forwardMps: number | null; forwardSigmaMps: number | null };
	height: { stdM: number | null; oscillationHz: number | null; oscillationM: number | null };
	spiral: {
		present: boolean;
		compassErrorDeg: number | null;
		compassErrorSigmaDeg: number | null;
		excludedAboveDeg: number | null;
		sense: 'cw' | 'ccw' | null;
		periodS: number | null;
		radiusM: number | null;
	};
	leftFrame: boolean;
	/** Metres right, forward, up about the middle, at the track's times: to be drawn. */
	path: { t: Float64Array; right: Float64Array; forward: Float64Array; up: Float64Array };
	verdict: Verdict;
	reasons: Reason[];
}

const RATE_HZ = 4;

/** Reasons to say nothing of a film, by what its track is; none where it can be judged. */
function refusals(track: FilmTrack, { confirmed }: FilmSetup, durationS: number): Reason[] {
	const { t, z, z2, lost, shift, patches, restless, cr, widthPx, u, v } = track;
	const out: Reason[] = [];
	const no = (
		code: string,
		text: string,
		next: string,
		value?: number,
		limit?: { value: number; unit: string; source: string },
	) => out.push(reason('fail', `insufficient-${code}`, text, { value, limit, next }));
	const gaps = t.slice(1).map((at, k) => at - t[k]);
	if (durationS < limits.minDurationS.value)
		no('duration', `${durationS.toFixed(0)} s of film tell nothing.`, 'Film a minute.', durationS, limits.minDurationS);
	if (gaps.length > 0 && (median(gaps) > limits.gapS.value || (max(gaps) ?? 0) > limits.longestGapS.value))
		no(
			'rate',
			'The film has too few pictures, or a gap.',
			'Film again, with the phone doing nothing else.',
			median(gaps),
			limits.gapS,
		);
	if (widthPx < limits.minWidthPx.value)
		no(
			'size',
			'The aircraft is too small in the picture.',
			'Film from nearer, or zoom before you begin.',
			widthPx,
			limits.minWidthPx,
		);
	if (cr < limits.minContrast.value)
		no('contrast', 'It does not stand out from what is behind it.', 'Film it against the sky.', cr, limits.minContrast);
	const share = lost.filter(Boolean).length / Math.max(1, lost.length);
	const apartBar = widthPx < limits.smallPx.value ? limits.apartSmall : limits.apart;
	const found = [...lost.keys()].filter((k) => !lost[k]);
	const low =
		found.length > 0
			? quantile(
					found.map((k) => z[k]),
					0.1,
				)
			: 0;
	const apart =
		found.length > 0
			? quantile(
					found.map((k) => z[k] - z2[k]),
					0.1,
				)
			: 0;
	if (share > limits.lost.value)
		no(
			'track',
			`It was lost in ${(100 * share).toFixed(0)} % of the pictures.`,
			'Film it against the sky, the phone propped.',
			share,
			limits.lost,
		);
	else if (low < limits.likeness.value)
		no(
			'track',
			'What was followed did not look like it often enough.',
			'Mark it again, from motor to motor; film it against the sky.',
			low,
			limits.likeness,
		);
	else if (apart < apartBar.value)
		no('track', 'Something near looks like it.', 'Film it against the sky.', apart, apartBar);
	else if (!confirmed)
		no('track', 'Nobody has seen that the circle is on the aircraft.', 'Look at the six pictures, and say so.');
	if (Math.max(standardDeviation(u), standardDeviation(v)) < limits.minMotionPx.value)
		no('motion', 'What was followed never moved: it may be a mark on the background.', 'Mark the aircraft again.');
	const moved = Math.sqrt(shift.reduce((s, { x, y }) => s + x * x + y * y, 0) / Math.max(1, shift.length));
	if (patches >= limits.fewPatches.value) {
		if (moved > limits.mostShakePx.value)
			no('steadiness', 'The phone moved too much.', 'Prop it against something.', moved, limits.mostShakePx);
		else if (restless / Math.max(1, t.length) > limits.patchFrames.value)
			no(
				'background',
				'What is behind it moves too much to tell the hand from the wind.',
				'Prop the phone; film it against the sky.',
			);
	}
	return out;
}

/** Focal length, pixels: as entered, else that of a usual phone. */
const focalOf = ({ width }: FilmTrack, { fPx }: FilmSetup): number => fPx ?? limits.fShare.value * width;

/** Metres right, forward and up from a track, by how steeply the phone looked up (docs/methods/film.md#metres). */
function inMetres(track: FilmTrack, setup: FilmSetup) {
	const { spanM, elevationDeg } = setup;
	const { t, u, v, q, cr, widthPx, width } = track;
	const n = t.length;
	const time = Float64Array.from(t);
	const smooth = hann(time, Float64Array.from(q), 1);
	const m = median(smooth);
	let variance = 0;
	for (let i = 0; i < n; i++) variance += (smooth[i] - m) ** 2 / n;
	const keep = variance > 0 ? Math.max(0, 1 - 0.02 ** 2 / variance) : 0;
	const f = focalOf(track, setup);
	const rangeM = (f * spanM) / (widthPx * Math.exp(m));
	const perPx = spanM / widthPx;
	const [cu, cv] = [width / 2, track.height / 2];
	const scaled = Float64Array.from(smooth, (value) => Math.exp(-(m + keep * (value - m))));
	const about = (values: Float64Array) => {
		const middle = median(values);
		return values.map((value) => value - middle);
	};
	const right = about(Float64Array.from(u, (value, i) => (value - cu) * perPx * scaled[i]));
	/** With one scale throughout: what the size's noise would put into it is a false phase. */
	const flat = about(Float64Array.from(u, (value) => (value - cu) * perPx * Math.exp(-m)));
	const m2 = about(Float64Array.from(v, (value, i) => -(value - cv) * perPx * scaled[i]));
	const d = Float64Array.from(smooth, (value) => rangeM * (Math.exp(-(value - m)) - 1));
	const sigmaQ = Math.hypot(0.024, 0.31 / Math.max(1, cr), 0.155 / widthPx);
	const sigmaD = rangeM * sigmaQ;
	const [c, s] = [Math.cos((elevationDeg * Math.PI) / 180), Math.sin((elevationDeg * Math.PI) / 180)];
	const [wd, wm, wh] = [1 / sigmaD ** 2, 1 / 0.02 ** 2, 1 / 0.15 ** 2];
	const [yy, hh, yh] = [wd * c * c + wm * s * s, wd * s * s + wm * c * c + wh, (wd - wm) * c * s];
	const det = yy * hh - yh * yh;
	const forward = new Float64Array(n);
	const up = new Float64Array(n);
	for (let i = 0; i < n; i++) {
		const [by, bh] = [wd * c * d[i] - wm * s * m2[i], wd * s * d[i] + wm * c * m2[i]];
		forward[i] = (hh * by - yh * bh) / det;
		up[i] = (yy * bh - yh * by) / det;
	}
	// Unmoved height is no information of its own: its prior only steadies the two equations.
	return {
		time,
		right,
		flat,
		forward,
		up,
		rangeM,
		sigmaY: Math.sqrt(hh / det),
		whiteM: rangeM * Math.hypot(0.31 / Math.max(1, cr), 0.155 / widthPx),
		sigmaD,
	};
}

/** Smoothed by a Hann window so many seconds wide. */
function hann(t: Float64Array, values: Float64Array, widthS: number): Float64Array {
	const out = new Float64Array(values.length);
	let from = 0;
	for (let i = 0; i < t.length; i++) {
		while (t[from] < t[i] - widthS / 2) from++;
		let [sum, all] = [0, 0];
		for (let k = from; k < t.length && t[k] <= t[i] + widthS / 2; k++) {
			const w = 1 + Math.cos((2 * Math.PI * (t[k] - t[i])) / widthS) + 1e-6;
			sum += w * values[k];
			all += w;
		}
		out[i] = sum / all;
	}
	return out;
}

/** The track up to a moment: what came before it left the picture. */
function upTo(track: FilmTrack, atS: number): FilmTrack {
	const n = track.t.filter((at) => at <= atS).length;
	const cut = <T>(values: T[]) => values.slice(0, n);
	const { t, u, v, q, z, z2, lost, shift } = track;
	return {
		...track,
		t: cut(t),
		u: cut(u),
		v: cut(v),
		q: cut(q),
		z: cut(z),
		z2: cut(z2),
		lost: cut(lost),
		shift: cut(shift),
	};
}

const evenly = (t: Float64Array, values: Float64Array) => {
	const n = Math.max(0, Math.floor((t[t.length - 1] - t[0]) * RATE_HZ));
	const at = Float64Array.from({ length: n }, (_, k) => t[0] + k / RATE_HZ);
	return { at, values: detrend(at, interpolate(t, values, at)) };
};

/** Bobbing: the largest interior peak of a spectrum of the height. */
function bobbing(t: Float64Array, up: Float64Array, durationS: number): { hz: number; amplitudeM: number } | null {
	const rate = 10;
	const n = Math.floor(durationS * rate);
	if (n < 40) return null;
	const at = Float64Array.from({ length: n }, (_, k) => t[0] + k / rate);
	const h = detrend(at, interpolate(t, up, at));
	const low = Math.max(0.25, 6 / durationS);
	const bins: { hz: number; amplitudeM: number }[] = [];
	for (let m = Math.ceil((low * n) / rate); m <= (2.5 * n) / rate; m++) {
		let [re, im, w] = [0, 0, 0];
		for (let k = 0; k < n; k++) {
			const g = 1 - Math.cos((2 * Math.PI * (k + 0.5)) / n);
			re += g * h[k] * Math.cos((2 * Math.PI * m * k) / n);
			im += g * h[k] * Math.sin((2 * Math.PI * m * k) / n);
			w += g;
		}
		bins.push({ hz: (m * rate) / n, amplitudeM: (2 * Math.hypot(re, im)) / w });
	}
	const peaks = bins.filter(
		(b, k) =>
			k > 0 && k < bins.length - 1 && b.amplitudeM > bins[k - 1].amplitudeM && b.amplitudeM >= bins[k + 1].amplitudeM,
	);
	const best = peaks.reduce<(typeof bins)[number] | null>((a, b) => (a && a.amplitudeM >= b.amplitudeM ? a : b), null);
	return best && best.amplitudeM > limits.bobbingM.value ? best : null;
}

/** Period and radius of a turn at the strongest frequency of z = forward + i right. */
function turnOf(forward: Float64Array, right: Float64Array): { periodS: number; hz: number } | null {
	const n = forward.length;
	let best = { power: 0, hz: 0 };
	for (let m = -8 * n; m <= 8 * n; m++) {
		const hz = (m * RATE_HZ) / (8 * n);
		if (Math.abs(hz) < 0.05 || Math.abs(hz) > 0.6) continue;
		let [re, im] = [0, 0];
		const step = (-2 * Math.PI * hz) / RATE_HZ;
		for (let k = 0; k < n; k++) {
			const g = 1 - Math.cos((2 * Math.PI * (k + 0.5)) / n);
			const [c, s] = [Math.cos(step * k), Math.sin(step * k)];
			re += g * (forward[k] * c - right[k] * s);
			im += g * (forward[k] * s + right[k] * c);
		}
		const power = (re * re + im * im) * Math.abs(hz);
		if (power > best.power) best = { power, hz };
	}
	return best.power > 0 ? { periodS: 1 / Math.abs(best.hz), hz: best.hz } : null;
}

/**
 * What a film's track shows: the bubble between its bounds, drift, height and bobbing, circling with its sense and the compass error behind it;
 * nothing at all where the film does not carry it. Metres; right and forward as seen from the phone.
 */
export function reviewFilm(whole: FilmTrack, setup: FilmSetup, progress?: (share: number) => void): FilmReview {
	const { markedLarge, hold } = setup;
	const bar = hoverLimits.bubble95M;
	const left = whole.leftAtS !== null;
	const track = whole.leftAtS === null ? whole : upTo(whole, whole.leftAtS);
	const { t } = track;
	const durationS = t.length > 1 ? t[t.length - 1] - t[0] : 0;
	const scaleSigma = Math.sqrt(limits.spanSigma.value ** 2 + 2 * ((markedLarge ? 0.33 : 1) / track.widthPx) ** 2);
	const out: FilmReview = {
		durationS,
		scaleSigma,
		rangeM: 0,
		leftFrame: left,
		bubble: { lower95M: null, estimate95M: null, upper95M: null },
		drift: { sidewaysMps: null, forwardMps: null, forwardSigmaMps: null },
		height: { stdM: null, oscillationHz: null, oscillationM: null },
		spiral: {
			present: false,
			compassErrorDeg: null,
			compassErrorSigmaDeg: null,
			excludedAboveDeg: null,
			sense: null,
			periodS: null,
			radiusM: null,
		},
		path: { t: new Float64Array(), right: new Float64Array(), forward: new Float64Array(), up: new Float64Array() },
		verdict: 'fail',
		reasons: [],
	};
	const reasons = refusals(track, setup, durationS);
	if (left)
		reasons.push(
			reason(hold === 'position' ? 'fail' : 'caution', 'left-frame', 'It left the picture.', {
				next:
					hold === 'position'
						? 'It did not hold its place: land. Film again from farther off once the cause is known.'
						: 'Film from farther off.',
			}),
		);
	if (reasons.some(({ code }) => code.startsWith('insufficient-'))) return { ...out, ...judge(reasons) };

	const metres = inMetres(track, setup);
	const { time, right, flat, forward, up, rangeM, sigmaY, whiteM, sigmaD } = metres;
	out.rangeM = rangeM;
	out.path = { t: time, right, forward, up };
	const level = detrend(time, up);
	out.height.stdM = standardDeviation(level);
	const bob = bobbing(time, up, durationS);
	if (bob) {
		[out.height.oscillationHz, out.height.oscillationM] = [bob.hz, bob.amplitudeM];
		reasons.push(
			reason(
				'caution',
				'height-oscillation',
				`Its height bobs by ${(2 * bob.amplitudeM).toFixed(1)} m every ${(1 / bob.hz).toFixed(1)} s.`,
				{
					value: bob.amplitudeM,
					limit: limits.bobbingM,
					next: 'Look at the gains of the height hold, and at air on the pressure sensor.',
				},
			),
		);
	}
	out.drift = {
		sidewaysMps: line(time, right).slope,
		forwardMps: line(time, forward).slope,
		forwardSigmaMps: (sigmaY * Math.sqrt(12)) / durationS,
	};
	if (durationS < limits.minHoldS.value) {
		reasons.push(
			reason('caution', 'too-short', `${durationS.toFixed(0)} s cannot show a circle.`, {
				value: durationS,
				limit: limits.minHoldS,
				next: 'Film a minute.',
			}),
		);
		return { ...out, ...judge(reasons) };
	}
	// The bubble: sideways alone bounds it from below, both together from above.
	const a = quantile(right.map(Math.abs), 0.95);
	const r = quantile(
		right.map((x, i) => Math.hypot(x, forward[i])),
		0.95,
	);
	const sdX = standardDeviation(right);
	const varY = standardDeviation(forward) ** 2;
	const shrink = varY > 0 ? Math.sqrt(Math.max(0, 1 - sigmaY ** 2 / varY)) : 0;
	const estimate =
		sigmaY < 0.5 * sdX
			? 2 *
				quantile(
					right.map((x, i) => Math.hypot(x, shrink * forward[i])),
					0.95,
				)
			: Math.min(2 * r, 2.44 * a);
	// Where nobody knows how wide the camera sees, what is toward and away may be as much larger.
	const far = setup.fPx === undefined ? 1 + 2 * limits.fSigma.value : 1;
	const widest = inMetres(track, { ...setup, fPx: far * focalOf(track, setup) });
	const rMost = quantile(
		right.map((x, i) => Math.hypot(x, widest.forward[i])),
		0.95,
	);
	out.bubble = {
		lower95M: 2 * a * (1 - 2 * scaleSigma),
		estimate95M: estimate,
		upper95M: Math.max(2.3 * rMost, 2.1 * a) * (1 + 2 * scaleSigma),
	};
	if (hold !== 'position') {
		reasons.push(
			reason(
				'caution',
				'no-place-held',
				'Without position hold there is no place to hold: drifting with the wind is right.',
				{
					next: 'Film it in position hold.',
				},
			),
		);
		return { ...out, ...judge(reasons) };
	}
	const { lower95M, upper95M } = out.bubble;
	if ((lower95M ?? 0) > bar.value)
		reasons.push(
			reason(
				'fail',
				'bubble-large',
				`It wanders: 95 % of it takes a circle more than ${(lower95M ?? 0).toFixed(1)} m across.`,
				{
					value: estimate,
					limit: bar,
					next: 'Satellites and their spread first, then the compass, then the gains.',
				},
			),
		);
	else if ((upper95M ?? Infinity) <= bar.value)
		reasons.push(
			reason('pass', 'bubble', `Holds position: 95 % of it in a circle ${(upper95M ?? 0).toFixed(1)} m across.`, {
				value: estimate,
				limit: bar,
			}),
		);
	else
		reasons.push(
			reason(
				'caution',
				'insufficient-depth',
				`Sideways it keeps within ${(2 * a).toFixed(1)} m; how far it moves toward and away, this film does not tell well enough.`,
				{
					value: estimate,
					limit: bar,
					next: 'Phone on its back on the ground, the aircraft five to eight metres above; nobody below.',
				},
			),
		);
	const d4 = evenly(time, forward);
	const x4 = evenly(time, flat);
	const noise = { whiteM: (whiteM * sigmaY) / Math.max(1e-9, sigmaD), slowM: sigmaY };
	const found = filmedCompassError(d4.values, x4.values, RATE_HZ, noise, progress);
	const present = found.evidence > limits.evidence.value && Math.abs(found.errorDeg) > limits.minErrorDeg.value;
	const sure = found.clockwise > 0.9 || found.clockwise < 0.1;
	const excluded = sure ? Math.abs(found.errorDeg) + 2 * found.sigmaDeg : found.sizeDeg + 2 * found.sizeSigmaDeg;
	const turn = present ? turnOf(d4.values, x4.values) : null;
	let radiusM: number | null = null;
	if (turn) {
		let [re, im] = [0, 0];
		x4.values.forEach((x, k) => {
			re += x * Math.cos((2 * Math.PI * k) / RATE_HZ / turn.periodS);
			im += x * Math.sin((2 * Math.PI * k) / RATE_HZ / turn.periodS);
		});
		radiusM = (2 * Math.hypot(re, im)) / Math.max(1, x4.values.length);
	}
	out.spiral = {
		present,
		compassErrorDeg: found.errorDeg,
		compassErrorSigmaDeg: found.sigmaDeg,
		excludedAboveDeg: excluded,
		sense: present && sure ? (found.clockwise > 0.9 ? 'cw' : 'ccw') : null,
		periodS: turn?.periodS ?? null,
		radiusM,
	};
	if (present)
		reasons.push(
			reason(
				'fail',
				'circling',
				`It circles${sure ? ` to the ${found.clockwise > 0.9 ? 'right' : 'left'}` : ''}: its compass is about ${Math.abs(found.errorDeg).toFixed(0)}° ± ${found.sigmaDeg.toFixed(0)}° off.`,
				{
					value: Math.abs(found.errorDeg),
					limit: limits.minErrorDeg,
					next: 'Land. Calibrate the compass away from metal, look at its mounting, hover again.',
				},
			),
		);
	else
		reasons.push(
			reason(
				excluded > limits.mostExcludedDeg.value ? 'caution' : 'pass',
				'no-circle',
				`No circling. Compass errors above about ${excluded.toFixed(0)}° are excluded.`,
				{
					value: excluded,
					limit: limits.mostExcludedDeg,
					...(excluded > limits.mostExcludedDeg.value
						? { next: 'Film longer, or with the phone on its back: smaller errors would look the same.' }
						: {}),
				},
			),
		);
	return { ...out, ...judge(reasons) };
}
