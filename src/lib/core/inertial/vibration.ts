import { inertial as say } from '$lib/messages/inertial';
import FFT from 'fft.js';
import type { Reason } from '../../schema/common';
import type { VibrationAnswer, VibrationRequest } from '../../schema/inertial';
import { judge, reason } from '../finding/reasons';
import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { gapsOf } from '../math/gaps';
import { mean, median, standardDeviation } from '../math/statistics';
import { frozenAxes, frozenLog } from './frozen';
import { inertialLimits as limits } from './limits';
import { gapReasons } from './logGap';

const LONGEST_SEGMENT = 4096;
const FEWEST_SEGMENTS = 4;
const MOST_PEAKS = 12;
/** A peak stands this far above the middle of the spectrum around it. */
const PEAK_OVER_BACKGROUND = 6;
const SURROUNDINGS = 24;
/** A peak belongs to a multiple of the rotor's rate within this share of it, or two bins. */
const MATCH_SHARE = 0.04;
/** Two blades pass for each turn of the usual propeller. */
const BLADES = 2;
const NEAR_END = 1e-9;
const CLIP_RUN = 2;

const AXES = ['x', 'y', 'z'] as const;

/** Amplitude spectrum by Welch's method: Hann window, half overlap, coherent gain taken out; unit of the samples. */
function welch(samples: Float64Array, rateHz: number, size: number): { hz: number[]; amplitude: number[] } {
	const fft = new FFT(size);
	const out = fft.createComplexArray();
	const window = Float64Array.from({ length: size }, (_, k) => 0.5 * (1 - Math.cos((2 * Math.PI * k) / size)));
	const power = new Float64Array(size / 2 + 1);
	let segments = 0;
	for (let from = 0; from + size <= samples.length; from += size / 2) {
		const part = samples.subarray(from, from + size);
		const m = mean(part);
		fft.realTransform(
			out,
			part.map((value, k) => (value - m) * window[k]),
		);
		for (let k = 0; k <= size / 2; k++) power[k] += out[2 * k] ** 2 + out[2 * k + 1] ** 2;
		segments++;
	}
	// A sine of amplitude a gives |X| = a·size/4 through a Hann window.
	const amplitude = [...power].map((p) => (4 / size) * Math.sqrt(p / segments));
	return { hz: amplitude.map((_, k) => (k * rateHz) / size), amplitude };
}

interface Peak {
	hz: number;
	amplitude: number;
	axis: (typeof AXES)[number];
}

/** Peaks of a spectrum with frequency and amplitude refined between bins for a Hann window. */
function peaksOf(hz: readonly number[], a: readonly number[], axis: Peak['axis']): Peak[] {
	const bin = hz[1];
	const peaks: Peak[] = [];
	for (let k = 2; k + 1 < a.length; k++) {
		if (!(a[k] > a[k - 1] && a[k] >= a[k + 1])) continue;
		const around = a.slice(Math.max(1, k - SURROUNDINGS), k - 2).concat(a.slice(k + 3, k + SURROUNDINGS + 1));
		if (around.length > 4 && a[k] < PEAK_OVER_BACKGROUND * median(around)) continue;
		// Hann: the ratio of the neighbours tells how far the sine lies from the bin (Grandke 1983).
		const right = a[k + 1] > a[k - 1];
		const ratio = (right ? a[k + 1] : a[k - 1]) / a[k];
		const d = Math.max(0, Math.min(0.5, (2 * ratio - 1) / (1 + ratio)));
		const shape = d < 1e-6 ? 1 : (Math.PI * d * (1 - d * d)) / Math.sin(Math.PI * d);
		peaks.push({ hz: (k + (right ? d : -d)) * bin, amplitude: a[k] * shape, axis });
	}
	return peaks;
}

function likelyOf(hz: number, rotorHz: number | undefined, binHz: number): string {
	if (rotorHz === undefined) return 'unknown';
	const near = (target: number) => Math.abs(hz - target) <= Math.max(MATCH_SHARE * target, 2 * binHz);
	if (near(rotorHz)) return 'rotor';
	if (near(BLADES * rotorHz)) return 'blade-passing';
	for (let k = 3; k <= 6; k++) if (near(k * rotorHz)) return 'rotor-harmonic';
	return hz < 0.5 * rotorHz ? 'frame' : 'unknown';
}

/** Share of samples, per cent, with any axis at its extreme in a run: a sensor at its end repeats the same value. */
function clippedShare(axes: readonly Float64Array[]): number {
	const n = axes[0].length;
	const clipped = new Uint8Array(n);
	for (const axis of axes) {
		let [low, high] = [Infinity, -Infinity];
		for (const v of axis) {
			if (v < low) low = v;
			if (v > high) high = v;
		}
		if (!(high > low)) continue;
		for (const end of [low, high]) {
			const at: number[] = [];
			for (let i = 0; i < n; i++) if (Math.abs(axis[i] - end) <= NEAR_END * Math.max(1, Math.abs(end))) at.push(i);
			// One sample at the extreme is only the largest; several at exactly the same value are the end of the range.
			if (at.length > CLIP_RUN) for (const i of at) clipped[i] = 1;
		}
	}
	return (100 * clipped.reduce((sum, c) => sum + c, 0)) / n;
}

/**
 * Reviews vibration (m/s²): RMS per axis with the mean removed, spectrum, peaks matched to the rotor's rate, clipping.
 * Evenly sampled to a good approximation, gaps apart. A rotor rate above half the sample rate, or any in a slow log, cannot be seen:
 * `insufficient-rate`. A mean of 1 is a log in g: `insufficient-unit`.
 */
export function reviewVibration({ accel, rotorHz }: VibrationRequest): VibrationAnswer {
	const n = accel.t.length;
	const { stepS, longestS } = gapsOf(accel.t);
	const refuse = (why: Reason, sampleRateHz: number | null): VibrationAnswer => ({
		sampleRateHz,
		rms: null,
		peaks: [],
		clippedPct: null,
		spectrum: null,
		...judge([why]),
	});
	const rate = n > 1 ? 1 / stepS : null;
	if (n < limits.minSamples.value || rate === null)
		return refuse(
			reason('fail', say('insufficient-samples#vibration', { n }), { value: n, limit: limits.minSamples }),
			rate,
		);
	if (rotorHz === undefined && rate < limits.vibrationRateHz.value)
		return refuse(
			reason('fail', say('insufficient-rate', { rate }), { value: rate, limit: limits.vibrationRateHz }),
			rate,
		);
	if (rotorHz !== undefined && rotorHz > rate / 2)
		return refuse(
			reason('fail', say('insufficient-rate#vibration', { rate, rotorHz }), {
				value: rate,
				limit: { value: 2 * rotorHz, unit: 'Hz', source: 'Sampling theorem' },
			}),
			rate,
		);
	const axes = AXES.map((axis) => Float64Array.from(accel[axis]));
	if (frozenAxes(axes).length === axes.length) return refuse(frozenLog(), rate);
	const steady = Math.hypot(...axes.map((axis) => mean(axis)));
	if (Math.abs(steady - 1) <= limits.inGOff.value) return refuse(inG(steady), rate);
	let size = 64;
	while (size * 2 <= LONGEST_SEGMENT && size * 2 * ((FEWEST_SEGMENTS + 1) / 2) <= n) size *= 2;
	const spectra = axes.map((samples) => welch(samples, rate, Math.min(size, 2 ** Math.floor(Math.log2(n)))));
	const binHz = spectra[0].hz[1];
	const rms = axes.map((samples) => standardDeviation(samples));
	const peaks = spectra
		.flatMap(({ hz, amplitude }, k) => peaksOf(hz, amplitude, AXES[k]))
		.sort((a, b) => b.amplitude - a.amplitude)
		.slice(0, MOST_PEAKS)
		.map((peak) => ({ ...peak, likely: likelyOf(peak.hz, rotorHz, binHz) }));
	const clippedPct = clippedShare(axes);
	return {
		sampleRateHz: rate,
		rms: [rms[0], rms[1], rms[2]],
		peaks,
		clippedPct,
		spectrum: { hz: spectra[0].hz, x: spectra[0].amplitude, y: spectra[1].amplitude, z: spectra[2].amplitude },
		...judge([
			...gapReasons(longestS),
			...gravityReasons(steady),
			...reasonsOf(Math.max(...rms), clippedPct, peaks[0]),
		]),
	};
}

const inG = (steady: number): Reason =>
	reason('fail', say('insufficient-unit', { steady }), { value: Math.abs(steady - 1), limit: limits.inGOff });

/** A log in flight or at rest has gravity in its mean, or none where it was taken out: another figure says that its unit is another. */
function gravityReasons(steady: number): Reason[] {
	const off = Math.abs(steady - STANDARD_GRAVITY_MPS2);
	if (steady < 1 - limits.inGOff.value || off <= limits.gravityOffMps2.value) return [];
	return [reason('caution', say('gravity-not-seen', { steady }), { value: off, limit: limits.gravityOffMps2 })];
}

function reasonsOf(rms: number, clippedPct: number, top: VibrationAnswer['peaks'][number] | undefined): Reason[] {
	const out: Reason[] = [];
	if (rms > limits.vibrationFailMps2.value)
		out.push(reason('fail', say('vibration-large'), { value: rms, limit: limits.vibrationFailMps2 }));
	else if (rms > limits.vibrationMps2.value)
		out.push(reason('caution', say('vibration-raised'), { value: rms, limit: limits.vibrationMps2 }));
	else out.push(reason('pass', say('vibration-small'), { value: rms, limit: limits.vibrationMps2 }));
	if (clippedPct > limits.clippedPct.value)
		out.push(reason('fail', say('clipping'), { value: clippedPct, limit: limits.clippedPct }));
	else out.push(reason('pass', say('no-clipping'), { value: clippedPct, limit: limits.clippedPct }));
	if (top)
		out.push(
			reason('pass', say('strongest-peak', { hz: top.hz, axis: top.axis, likely: top.likely }), {
				value: top.amplitude,
			}),
		);
	return out;
}
