import { detrend, line } from '../math/statistics';
import type { AttitudeEstimate } from './attitude';
import { estimateCompassError } from './compassError';
import { hoverLimits as limits } from './limits';
import { rotarySpectrum, type Rotary } from './spectrum';
import { resample } from './track';

/** The detector works on the track at this rate (docs/methods/hover.md#track). */
const RATE_HZ = 4;
const PEAK_LOW_HZ = 0.08;
const PEAK_HIGH_HZ = 0.6;

export interface Circling {
	present: boolean;
	confidence: number;
	evidence: number;
	periodS: number | null;
	growthPerTurn: number | null;
	sense: 'cw' | 'ccw' | null;
	compassErrorDeg: number;
	compassErrorSigmaDeg: number;
	excludedAboveDeg: number;
	fromTrack: AttitudeEstimate | null;
	fromTilt: AttitudeEstimate | null;
	/** Posterior probability of an error beyond 12°. */
	beyond: number;
}

/** Track and tilt see the same motion: their joint uncertainty is wider than that of two strangers. */
const SHARED_ERROR_DEG = 3.5;

/** The two estimates weighted by their certainty. The decision: as for the track alone, or three sigma of both together. */
export function withTilt(c: Circling, tilt: AttitudeEstimate | null): Circling {
	if (!tilt) return c;
	const [a, b] = [1 / c.compassErrorSigmaDeg ** 2, 1 / tilt.sigmaDeg ** 2];
	const compassErrorDeg = (a * c.compassErrorDeg + b * tilt.errorDeg) / (a + b);
	const compassErrorSigmaDeg = Math.hypot(1 / Math.sqrt(a + b), SHARED_ERROR_DEG);
	const sigmas = Math.abs(compassErrorDeg) / compassErrorSigmaDeg;
	const seen = Math.abs(compassErrorDeg) > limits.minErrorDeg.value && sigmas > limits.tiltEvidence.value;
	return {
		...c,
		present: c.present || seen,
		confidence: Math.max(c.confidence, 1 / (1 + Math.exp(-2 * (sigmas - limits.tiltEvidence.value)))),
		sense: seen ? (compassErrorDeg > 0 ? 'cw' : 'ccw') : c.sense,
		compassErrorDeg,
		compassErrorSigmaDeg,
		excludedAboveDeg: Math.abs(compassErrorDeg) + 2 * compassErrorSigmaDeg,
		fromTilt: tilt,
	};
}

function peakOf({ hz, s }: Rotary): number | null {
	let best = 0;
	let at: number | null = null;
	for (let i = 0; i < hz.length; i++) {
		const f = Math.abs(hz[i]);
		if (f < PEAK_LOW_HZ || f > PEAK_HIGH_HZ || f * s[i] <= best) continue;
		best = f * s[i];
		at = hz[i];
	}
	return at;
}

/** Turn time and growth per turn at a frequency: the track is brought to rest there and smoothed over one turn. */
function demodulate(
	north: Float64Array,
	east: Float64Array,
	peakHz: number,
): { periodS: number; growth: number } | null {
	const n = north.length;
	const half = Math.round(RATE_HZ / Math.abs(peakHz) / 2);
	if (n < 4 * half + 2) return null;
	const window = Float64Array.from(
		{ length: 2 * half + 1 },
		(_, k) => 0.5 * (1 + Math.cos((Math.PI * (k - half)) / (half + 1))),
	);
	const t: number[] = [];
	const phase: number[] = [];
	const logSize: number[] = [];
	let before = 0;
	for (let i = half; i < n - half; i++) {
		let re = 0;
		let im = 0;
		for (let k = -half; k <= half; k++) {
			const a = (-2 * Math.PI * peakHz * (i + k)) / RATE_HZ;
			const [c, s] = [Math.cos(a), Math.sin(a)];
			re += window[k + half] * (north[i + k] * c - east[i + k] * s);
			im += window[k + half] * (north[i + k] * s + east[i + k] * c);
		}
		let p = Math.atan2(im, re);
		p += 2 * Math.PI * Math.round((before - p) / (2 * Math.PI));
		before = p;
		t.push(i / RATE_HZ);
		phase.push(p);
		logSize.push(Math.log(Math.sqrt(re * re + im * im) + 1e-9));
	}
	const omega = 2 * Math.PI * peakHz + line(t, phase).slope;
	const periodS = (2 * Math.PI) / Math.max(1e-3, Math.abs(omega));
	return { periodS, growth: Math.exp(line(t, logSize).slope * periodS) };
}

/**
 * Circling of a position hold and the compass error behind it. Track in metres with jumps taken out, at least 20 s and
 * 1 fix/s. Angles in degrees, positive where the compass reads too far clockwise.
 */
export function detectCircling(
	t: Float64Array,
	north: Float64Array,
	east: Float64Array,
	progress?: (share: number) => void,
): Circling {
	const time = Float64Array.from(
		{ length: Math.floor((t[t.length - 1] - t[0]) * RATE_HZ + 1e-9) },
		(_, i) => i / RATE_HZ,
	);
	const n = detrend(time, resample(t, north, RATE_HZ));
	const e = detrend(time, resample(t, east, RATE_HZ));
	let squares = 0;
	for (let i = 0; i < n.length; i++) squares += n[i] * n[i] + e[i] * e[i];
	const spectrum = rotarySpectrum(n, e, RATE_HZ);
	const estimate = estimateCompassError(spectrum, Math.sqrt(squares / n.length), progress);
	const peakHz = peakOf(spectrum);
	const turn = peakHz === null ? null : demodulate(n, e, peakHz);
	return {
		present: estimate.evidence > limits.evidence.value && Math.abs(estimate.errorDeg) > limits.minErrorDeg.value,
		confidence: 1 / (1 + Math.exp(-(estimate.evidence - limits.evidence.value) / 2)),
		evidence: estimate.evidence,
		periodS: turn?.periodS ?? null,
		growthPerTurn: turn?.growth ?? null,
		sense: peakHz === null ? null : peakHz > 0 ? 'cw' : 'ccw',
		compassErrorDeg: estimate.errorDeg,
		compassErrorSigmaDeg: estimate.sigmaDeg,
		excludedAboveDeg: Math.abs(estimate.errorDeg) + 2 * estimate.sigmaDeg,
		fromTrack: { errorDeg: estimate.errorDeg, sigmaDeg: estimate.sigmaDeg },
		fromTilt: null,
		beyond: estimate.beyond,
	};
}
