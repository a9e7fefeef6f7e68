import FFT from 'fft.js';
import { mean } from '../math/statistics';

/** Samples a second of what is listened to: motors and propellers hum below three kilohertz. */
export const SOUND_RATE_HZ = 8000;

/** Samples of one moment, and from one to the next. */
export const [FRAME, HOP] = [1024, 256];
export const FRAMES_PER_S = SOUND_RATE_HZ / HOP;
const [LOW_HZ, HIGH_HZ] = [100, 2800];
/** Steps of the logarithmic axis. */
export const PER_OCTAVE = 96;
/** A quarter of an octave to both sides: what is louder there altogether is no tone. */
const AROUND = PER_OCTAVE / 4;
/** Tones are looked for so far from where they are on average: a third of an octave. */
const MOST_SHIFT = PER_OCTAVE / 3;
const ROUNDS = 3;
/** After the first round a shift is known to within this. */
const NEAR = 6;
/** Nothing is quieter, so that its logarithm is a number. */
export const FLOOR = 1e-9;

const LOG_HZ = Float64Array.from(
	{ length: Math.floor(Math.log2(HIGH_HZ / LOW_HZ) * PER_OCTAVE) },
	(_, k) => LOW_HZ * 2 ** (k / PER_OCTAVE),
);

/** Hann's window. */
export const hann = (size: number) =>
	Float64Array.from({ length: size }, (_, k) => 0.5 * (1 - Math.cos((2 * Math.PI * k) / size)));

/** Power of every stretch of a series: one row a stretch. */
export function spectra(samples: ArrayLike<number>, size: number, hop: number): Float64Array[] {
	const fft = new FFT(size);
	const out = fft.createComplexArray();
	const window = hann(size);
	const part = new Float64Array(size);
	const rows: Float64Array[] = [];
	for (let from = 0; from + size <= samples.length; from += hop) {
		for (let k = 0; k < size; k++) part[k] = samples[from + k] * window[k];
		fft.realTransform(out, part);
		const power = new Float64Array(size / 2);
		for (let k = 0; k < power.length; k++) power[k] = out[2 * k] ** 2 + out[2 * k + 1] ** 2;
		rows.push(power);
	}
	return rows;
}

/** A spectrum on an axis on which a change of the turning rate is a shift, less what is loud all about it, of length one. */
function toned(power: Float64Array): Float64Array {
	const binHz = SOUND_RATE_HZ / FRAME;
	const log = new Float64Array(LOG_HZ.length);
	for (let k = 0; k < log.length; k++) {
		const at = LOG_HZ[k] / binHz;
		const low = Math.floor(at);
		const share = at - low;
		log[k] = Math.log((1 - share) * power[low] + share * power[low + 1] + FLOOR);
	}
	const sums = new Float64Array(log.length + 1);
	for (let k = 0; k < log.length; k++) sums[k + 1] = sums[k] + log[k];
	const out = new Float64Array(log.length);
	for (let k = 0; k < log.length; k++) {
		const [from, to] = [Math.max(0, k - AROUND), Math.min(log.length, k + AROUND + 1)];
		// What lies below its surroundings tells nothing: it is noise between the tones.
		out[k] = Math.max(0, log[k] - (sums[to] - sums[from]) / (to - from));
	}
	return unit(out);
}

/** About its own mean, of length one: two that have nothing in common are alike by zero. */
function unit(row: Float64Array): Float64Array {
	const m = mean(row);
	let square = 0;
	for (let k = 0; k < row.length; k++) {
		row[k] -= m;
		square += row[k] * row[k];
	}
	const size = Math.sqrt(square) || 1;
	for (let k = 0; k < row.length; k++) row[k] /= size;
	return row;
}

export interface Shift {
	/** Steps of the axis, upward positive. */
	by: number;
	/** How alike the two are there, 0 to 1. */
	alike: number;
}

/** By how much a spectrum lies higher than a reference, looked for within `most` of where it is expected. */
function shiftOf(row: Float64Array, reference: Float64Array, near = 0, most = MOST_SHIFT): Shift {
	const middle = Math.round(near);
	const at = new Float64Array(2 * most + 1);
	let best = 0;
	for (let j = 0; j < at.length; j++) {
		const s = middle - most + j;
		const [from, to] = [Math.max(0, -s), Math.min(row.length, row.length - s)];
		let sum = 0;
		for (let k = from; k < to; k++) sum += reference[k] * row[k + s];
		at[j] = sum;
		if (sum > at[best]) best = j;
	}
	const [a, b, c] = [at[best - 1] ?? 0, at[best], at[best + 1] ?? 0];
	const curve = a - 2 * b + c;
	return { by: middle - most + best + (curve < 0 ? (a - c) / (2 * curve) : 0), alike: b };
}

/** The middle of rows, each moved back by its shift; of length one. */
function middleOf(rows: readonly Float64Array[], shifts: readonly Shift[] | null): Float64Array {
	const out = new Float64Array(LOG_HZ.length);
	rows.forEach((row, i) => {
		const by = Math.round(shifts?.[i].by ?? 0);
		for (let k = Math.max(0, -by); k < Math.min(row.length, row.length - by); k++) out[k] += row[k + by];
	});
	return unit(out);
}

/** By how much every moment's tones lie off the middle of all, and that middle; `progress` is told the share done. */
export function shiftsOf(
	rows: readonly Float64Array[],
	progress?: (share: number) => void,
): { shifts: Shift[]; middle: Float64Array } {
	const moments = rows.map(toned);
	let middle = middleOf(moments, null);
	let shifts: Shift[] = [];
	for (let round = 0; round < ROUNDS; round++) {
		shifts = moments.map((row, i) => (round === 0 ? shiftOf(row, middle) : shiftOf(row, middle, shifts[i].by, NEAR)));
		middle = middleOf(moments, shifts);
		progress?.((round + 1) / ROUNDS);
	}
	return { shifts, middle };
}

/** Tones of one turning rate that are looked at together. */
const HARMONICS = 5;

/**
 * The tone of which the others are multiples, and by how many dB the tone at once a turn lies under it. Half of it would have nothing
 * at its odd multiples, twice of it something between them.
 */
export function lowest(middle: Float64Array, power: Float64Array, blades: number) {
	const at = (hz: number) => middle[Math.round(Math.log2(hz / LOW_HZ) * PER_OCTAVE)] ?? 0;
	let [hz, best] = [LOW_HZ, -Infinity];
	for (const candidate of LOG_HZ) {
		let score = 0;
		for (let h = 1; h <= HARMONICS; h++) score += (at(h * candidate) - at((h - 0.5) * candidate)) / Math.sqrt(h);
		if (score > best) [hz, best] = [candidate, score];
	}
	const binHz = SOUND_RATE_HZ / FRAME;
	const loudest = (about: number) => {
		const k = Math.round(about / binHz);
		let most = 0;
		for (let j = Math.max(1, k - 2); j <= k + 2; j++) most = Math.max(most, power[j] ?? 0);
		return most;
	};
	// Below a few bins the wind stands above any tone.
	const turn =
		blades > 1 && hz / blades > 8 * binHz
			? 10 * Math.log10((loudest(hz / blades) + FLOOR) / (loudest(hz) + FLOOR))
			: null;
	return { hz, onceATurnDb: turn };
}
