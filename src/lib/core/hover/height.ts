import { detrend, line, standardDeviation } from '../math/statistics';
import { resample } from './track';

const OSCILLATION_LOW_HZ = 0.25;
const OSCILLATION_HIGH_HZ = 2.5;
const SLOW_HZ = 0.25;
const WASH_LOW_HZ = 0.4;
const PEAK_OVER_BACKGROUND = 12;
const POWER_SHARE = 0.5;
const MOST_RATE_HZ = 10;
const MOST_SAMPLES = 4096;

export interface HeightReview {
	stdM: number;
	driftMps: number;
	/** A regular bobbing, null where there is none. */
	oscillationHz: number | null;
	oscillationM: number | null;
	/** RMS of the height below 0.25 Hz, metres, trend included as deviation from the mean. */
	slowRmsM: number;
	/** RMS of the height between 0.4 and 2.5 Hz, metres. */
	washRmsM: number;
}

/** Height of a hover: spread, drift, bobbing (Hann-windowed spectrum), slow wander and fast jitter. */
export function reviewHeight(t: Float64Array, up: Float64Array, limitM: number): HeightReview {
	const T = t[t.length - 1] - t[0];
	const rate = Math.min(MOST_RATE_HZ, (t.length - 1) / T);
	const even = resample(t, up, rate).subarray(0, MOST_SAMPLES);
	const n = even.length;
	const time = Float64Array.from({ length: n }, (_, i) => i / rate);
	const flat = detrend(time, even);
	const shared = { stdM: standardDeviation(detrend(t, up)), driftMps: line(t, up).slope };
	if (n < 16) return { ...shared, oscillationHz: null, oscillationM: null, slowRmsM: 0, washRmsM: 0 };
	// Coherent gain of the Hann window is one half: amplitude = 4·|X|/n.
	const windowed = flat.map((value, k) => value * 0.5 * (1 - Math.cos((2 * Math.PI * k) / n)));
	const bins = Math.floor(n / 2);
	const amplitude = new Float64Array(bins);
	for (let m = 1; m < bins; m++) {
		const step = (-2 * Math.PI * m) / n;
		const [cs, sn] = [Math.cos(step), Math.sin(step)];
		let [c, s, re, im] = [1, 0, 0, 0];
		for (let k = 0; k < n; k++) {
			re += windowed[k] * c;
			im += windowed[k] * s;
			[c, s] = [c * cs - s * sn, c * sn + s * cs];
		}
		amplitude[m] = (4 * Math.sqrt(re * re + im * im)) / n;
	}
	const hz = (m: number) => (m * rate) / n;
	// Mean square of a band: Σ a²/2 over bins, less the window's noise bandwidth of 1.5 bins.
	const rms = (low: number, high: number) => {
		let sum = 0;
		for (let m = 1; m < bins; m++) if (hz(m) >= low && hz(m) < high) sum += amplitude[m] ** 2 / 2;
		return Math.sqrt(sum / 1.5);
	};
	let peak = 0;
	let power = 0;
	const inBand: number[] = [];
	for (let m = 1; m < bins; m++) {
		if (hz(m) < OSCILLATION_LOW_HZ || hz(m) > OSCILLATION_HIGH_HZ) continue;
		inBand.push(amplitude[m] ** 2);
		power += amplitude[m] ** 2;
		if (amplitude[m] > amplitude[peak]) peak = m;
	}
	inBand.sort((a, b) => a - b);
	const background = inBand[Math.floor(inBand.length / 2)] ?? 0;
	const around = [peak - 1, peak, peak + 1].reduce((sum, m) => sum + (amplitude[m] ?? 0) ** 2, 0);
	const regular =
		peak > 0 &&
		amplitude[peak] > limitM &&
		amplitude[peak] ** 2 > PEAK_OVER_BACKGROUND * background &&
		around > POWER_SHARE * power;
	return {
		...shared,
		oscillationHz: regular ? hz(peak) : null,
		oscillationM: regular ? amplitude[peak] : null,
		slowRmsM: rms(0, SLOW_HZ),
		washRmsM: rms(WASH_LOW_HZ, OSCILLATION_HIGH_HZ),
	};
}
