import type { Message } from '$lib/messages/message';
import { propulsion as say } from '$lib/messages/propulsion';
import type { Reason, Verdict } from '../../schema/common';
import { atMost } from '../finding/grade';
import { judge, reason, type Limit } from '../finding/reasons';
import { mean, median, quantile, standardDeviation } from '../math/statistics';
import { soundLimits as limits } from './soundLimits';
import { FLOOR, FRAME, FRAMES_PER_S, hann, HOP, lowest, PER_OCTAVE, shiftsOf, SOUND_RATE_HZ, spectra } from './tones';

/** What is known of how this aircraft sounds. */
export interface SoundKnown {
	/** Blades of one propeller. */
	blades: number;
	/** An earlier good hover: its tone, Hz, and by how much it rose and fell, %; null where there is none. */
	usualHz: number | null;
	usualPct: number | null;
}

export interface SoundAnswer {
	durationS: number;
	/** Share of the time in which motors are heard, 0 to 1. */
	heard: number;
	/** The lowest tone of the propellers' blades and one sigma of it, Hz. */
	toneHz: number | null;
	toneSigmaHz: number | null;
	/** By how much the motors rise and fall together between once and twelve times a second: ± %, as a sine would. */
	surgePct: number | null;
	surgeSigmaPct: number | null;
	/** How often a second, where one rate stands out. */
	surgeHz: number | null;
	/** Slower than once a second: gusts and the pilot's own hand, ± %. */
	slowPct: number | null;
	/** The tone at once a turn against that of the blades, dB: grows with a chipped or unbalanced propeller. */
	onceATurnDb: number | null;
	clippedPct: number;
	levelDb: number;
	/** How far all tones lay from their middle, %, against time. */
	track: { t: number[]; pct: number[] };
	spectrum: { hz: number[]; db: number[] };
	verdict: Verdict;
	reasons: Reason[];
}

const [SURGE_FROM_HZ, SURGE_TO_HZ] = [1, 12];
/** Moments in one spectrum of the track: four seconds. */
const TRACK_FRAME = 128;
const STANDS_OUT = 6;
const LEAST_FOLLOWED = 0.25;
const FOLLOWED_SIGMA = 0.1;
const FULL_SCALE = 0.985;

/** How much of a change that comes so often a second is left in frames as long as these: they see its mean, weighed by their window squared. */
function followed(hz: number): number {
	const window = hann(FRAME);
	let [sum, weight] = [0, 0];
	for (let k = 0; k < FRAME; k += 8) {
		const w = window[k] * window[k];
		sum += w * Math.cos((2 * Math.PI * hz * (k - FRAME / 2)) / SOUND_RATE_HZ);
		weight += w;
	}
	return Math.max(LEAST_FOLLOWED, sum / weight);
}

/** The amplitude of a sine that has the power of a series between two rates, %; and the rate that stands out, if one does. */
function surging(pct: Float64Array) {
	const gain = hann(TRACK_FRAME).reduce((sum, w) => sum + w * w, 0) / TRACK_FRAME;
	const middle = median(pct);
	const rows = spectra(
		pct.map((v) => v - middle),
		TRACK_FRAME,
		TRACK_FRAME / 2,
	);
	const binHz = FRAMES_PER_S / TRACK_FRAME;
	for (const row of rows) for (let k = 0; k < row.length; k++) row[k] /= followed(k * binHz) ** 2;
	const [from, to] = [Math.ceil(SURGE_FROM_HZ / binHz), Math.floor(SURGE_TO_HZ / binHz)];
	// Parseval: the sum over both halves of the spectrum is the mean square times the length and the window's gain.
	const each = rows.map(
		(row) => Math.sqrt((4 * row.slice(from, to + 1).reduce((a, b) => a + b, 0)) / gain) / TRACK_FRAME,
	);
	const whole = new Float64Array(to + 1);
	for (const row of rows) for (let k = from; k <= to; k++) whole[k] += row[k];
	const band = whole.slice(from);
	const top = band.indexOf(band.reduce((most, v) => Math.max(most, v), 0));
	const stands = band[top] > STANDS_OUT * Math.max(median(band), FLOOR);
	const meanSquare = each.reduce((sum, a) => sum + a * a, 0) / Math.max(1, each.length);
	return {
		pct: Math.sqrt(meanSquare),
		sigma: each.length > 1 ? standardDeviation(each) / Math.sqrt(each.length / 2) : null,
		hz: stands ? (from + top) * binHz : null,
	};
}

/**
 * Listens to a hover: whether its motors run evenly. All tones of motors and propellers rise and fall with their turning rate, so on a
 * logarithmic axis the spectrum of each moment is shifted by it: the shift that makes it most like the middle of all, by
 * cross-correlation, is the rate's change (docs/methods/sound.md#shift). `recorded` at 8 kHz, −1 to 1; `known` of the aircraft.
 */
export function reviewSound(
	recorded: ArrayLike<number>,
	known: SoundKnown,
	progress?: (share: number) => void,
): SoundAnswer {
	const n = recorded.length;
	const durationS = n / SOUND_RATE_HZ;
	const samples = new Float64Array(n);
	const rest = n > 0 ? mean(recorded) : 0;
	let [square, clipped] = [0, 0];
	for (let i = 0; i < n; i++) {
		samples[i] = recorded[i] - rest;
		square += samples[i] * samples[i];
		if (Math.abs(recorded[i]) >= FULL_SCALE) clipped++;
	}
	const clippedPct = n > 0 ? (100 * clipped) / n : 0;
	const levelDb = 10 * Math.log10(square / Math.max(1, n) + 1e-12);
	const rows = spectra(samples, FRAME, HOP);
	const power = new Float64Array(FRAME / 2);
	for (const row of rows) for (let k = 0; k < power.length; k++) power[k] += row[k] / rows.length;
	const base = {
		durationS,
		clippedPct,
		levelDb,
		heard: 0,
		toneHz: null,
		toneSigmaHz: null,
		surgePct: null,
		surgeSigmaPct: null,
		surgeHz: null,
		slowPct: null,
		onceATurnDb: null,
		track: { t: [], pct: [] },
		spectrum: {
			hz: Array.from(power, (_, k) => (k * SOUND_RATE_HZ) / FRAME),
			db: Array.from(power, (p) => 10 * Math.log10(p + FLOOR)),
		},
	};
	const refuse = (says: Message, value: number, limit: Limit): SoundAnswer => ({
		...base,
		...judge([reason('fail', says, { value, limit })]),
	});
	if (durationS < limits.durationS.value)
		return refuse(say('insufficient-duration', { durationS }), durationS, limits.durationS);
	if (levelDb < limits.quietDb.value) return refuse(say('insufficient-level'), levelDb, limits.quietDb);
	const { shifts, middle } = shiftsOf(rows, progress);
	const heard = shifts.filter(({ alike }) => alike >= limits.alike.value).length / shifts.length;
	if (heard < limits.heardShare.value)
		return {
			...refuse(say('insufficient-tone'), heard, limits.heardShare),
			heard,
		};
	// Where the motors are not heard the shift of the moment before stands.
	let last = 0;
	const centre = median(shifts.filter(({ alike }) => alike >= limits.alike.value).map(({ by }) => by));
	const pct = Float64Array.from(shifts, ({ by, alike }) => {
		if (alike >= limits.alike.value) last = 100 * (2 ** ((by - centre) / PER_OCTAVE) - 1);
		return last;
	});
	const surge = surging(pct);
	const half = Math.round(FRAMES_PER_S / 2);
	const slow = Float64Array.from(pct, (_, i) => median(pct.subarray(Math.max(0, i - half), i + half + 1)));
	const tone = lowest(middle, power, known.blades);
	const toneHz = tone.hz * 2 ** (centre / PER_OCTAVE);
	// A step of the axis, and how far the rate wandered: about one of its ways a second is independent.
	const stepPct = (100 * Math.LN2) / PER_OCTAVE / Math.sqrt(12);
	const toneSigmaHz = (toneHz / 100) * Math.hypot(stepPct, standardDeviation(pct) / Math.sqrt(durationS));
	return {
		...base,
		heard,
		toneHz,
		toneSigmaHz,
		surgePct: surge.pct,
		// What the frames smooth away is made up for, to within a tenth.
		surgeSigmaPct: surge.sigma === null ? null : Math.hypot(surge.sigma, FOLLOWED_SIGMA * surge.pct),
		surgeHz: surge.hz,
		slowPct: (quantile(slow, 0.95) - quantile(slow, 0.05)) / 2,
		onceATurnDb: tone.onceATurnDb,
		track: { t: Array.from(pct, (_, i) => (i * HOP + FRAME / 2) / SOUND_RATE_HZ), pct: [...pct] },
		...judge(reasonsFor(surge, toneHz, clippedPct, known)),
	};
}

function reasonsFor(
	{ pct, hz }: { pct: number; hz: number | null },
	toneHz: number,
	clippedPct: number,
	{ usualHz, usualPct }: SoundKnown,
): Reason[] {
	const out = [
		atMost(pct, {
			fail: { limit: limits.surgeFailPct, says: say('surging', { hz }) },
			caution: { limit: limits.surgePct, says: say('unsteady', { hz }) },
			pass: say('even'),
		}),
	];
	if (usualPct !== null && pct > limits.leastPct.value) {
		const times = pct / Math.max(usualPct, limits.leastPct.value);
		out.push(
			atMost(times, {
				caution: { limit: limits.ofUsual, says: say('more-than-usual') },
				pass: say('as-usual'),
			}),
		);
	}
	if (usualHz !== null) {
		const off = 100 * (toneHz / usualHz - 1);
		out.push(
			Math.abs(off) > limits.toneOffPct.value
				? reason('caution', say('tone-off', { off }), { value: Math.abs(off), limit: limits.toneOffPct })
				: reason('pass', say('tone-as-usual'), { value: Math.abs(off), limit: limits.toneOffPct }),
		);
	}
	if (clippedPct > limits.clippedPct.value)
		out.push(reason('caution', say('too-loud'), { value: clippedPct, limit: limits.clippedPct }));
	return out;
}
