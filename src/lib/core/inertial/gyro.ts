import { inertial as say } from '$lib/messages/inertial';
import type { Reason } from '../../schema/common';
import type { GyroAnswer, GyroRequest } from '../../schema/inertial';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { gapsOf } from '../math/gaps';
import { line, mean, median, robustSigma } from '../math/statistics';
import { gapReasons } from './logGap';
import { frozenAxes, frozenAxis, frozenLog } from './frozen';
import { inertialLimits as limits } from './limits';

/** Ratio of the flicker floor's Allan deviation to the bias instability coefficient (IEEE Std 952, annex C). */
const FLOOR_RATIO = 0.664;
const PER_OCTAVE = 3;
/** The white part: the −½ slope within this tolerance of slope on the log-log plot. */
const SLOPE_TOLERANCE = 0.15;
/** Beyond this a bump or a drift may have the slope of white noise by accident. */
const LONGEST_WHITE_S = 1;
const PIECES = 20;
const MOVED_SIGMAS = 8;
const ENDS_SHARE = 0.1;

/** A knock lasts some tenths of a second. */
const KNOCK_S = 0.5;
const KNOCK_SIGMAS = 12;
/** A block's largest readings, left out: one of them alone is a glitch of the line, not a knock. */
const GLITCHES = 2;
/** Less than this, rad/s, is no knock that a hand makes. */
const LEAST_KNOCK = 0.002;
/** A hand sways at half a hertz to some hertz, rad/s at least, and this much above the white noise. */
const SWAY_S = [0.1, 0.15, 0.25, 0.4, 0.6, 1] as const;
const LEAST_SWAY = 0.004;
const SWAY_OF_WHITE = 3;
const GLITCH_SIGMAS = 6;

/** Overlapping Allan deviation (IEEE Std 952) of evenly sampled rates at averaging factors m. Unit of the rate. */
export function allanDeviation(rate: Float64Array, factors: readonly number[]): number[] {
	const n = rate.length;
	const theta = new Float64Array(n + 1);
	for (let i = 0; i < n; i++) theta[i + 1] = theta[i] + rate[i];
	return factors.map((m) => {
		let sum = 0;
		const count = n - 2 * m + 1;
		for (let k = 0; k < count; k++) {
			const d = theta[k + 2 * m] - 2 * theta[k + m] + theta[k];
			sum += d * d;
		}
		return Math.sqrt(sum / (2 * m * m * count));
	});
}

function factorsFor(n: number): number[] {
	const out = new Set<number>();
	for (let k = 0; ; k++) {
		const m = Math.round(2 ** (k / PER_OCTAVE));
		if (m > (n - 1) / 2) break;
		out.add(m);
	}
	return [...out];
}

/** White noise density: Allan deviation at 1 s of the −½ slope, averaged over where the plot follows it. */
function whiteNoise(tau: readonly number[], sigma: readonly number[]): number {
	const values: number[] = [];
	for (let k = 0; k + PER_OCTAVE < tau.length && tau[k] <= LONGEST_WHITE_S; k++) {
		const slope = Math.log(sigma[k + PER_OCTAVE] / sigma[k]) / Math.log(tau[k + PER_OCTAVE] / tau[k]);
		if (Math.abs(slope + 0.5) < SLOPE_TOLERANCE) values.push(sigma[k] * Math.sqrt(tau[k]));
	}
	// Without a stretch of that slope the shortest averaging time is the best there is.
	return values.length > 0 ? median(values) : sigma[0] * Math.sqrt(tau[0]);
}

/** Whether the sensor was moved: any piece's mean far from the middle one, against the spread expected of the means. */
function wasMoved(t: ArrayLike<number>, axis: Float64Array): boolean {
	const n = axis.length;
	const dt = (t[n - 1] - t[0]) / (n - 1);
	// From neighbouring samples, which neither a bump nor a drift disturbs.
	const density = (robustSigma(axis.subarray(1).map((value, k) => value - axis[k])) / Math.SQRT2) * Math.sqrt(dt);
	const size = Math.max(2, Math.floor(n / PIECES));
	const means: number[] = [];
	const spreads: number[] = [];
	for (let k = 0; k + size <= n; k += size) {
		const piece = axis.subarray(k, k + size);
		means.push(mean(piece));
		spreads.push(robustSigma(piece));
	}
	const pieceS = dt * size;
	const expected = Math.max(density / Math.sqrt(pieceS), robustSigma(means), 1e-9);
	const middle = median(means);
	const quiet = Math.max(median(spreads), 1e-9);
	return means.some((m) => Math.abs(m - middle) > MOVED_SIGMAS * expected) || spreads.some((s) => s > 4 * quiet);
}

/** Whether some short block shakes far more than the usual one. */
function wasKnocked(t: ArrayLike<number>, axis: Float64Array): boolean {
	const n = axis.length;
	const size = Math.max(6 * GLITCHES, Math.round((KNOCK_S * (n - 1)) / (t[n - 1] - t[0])));
	const energies: number[] = [];
	for (let k = 0; k + size <= n; k += size) {
		const block = axis.subarray(k, k + size);
		const middle = median(block);
		const squares = block.map((v) => (v - middle) ** 2).sort();
		energies.push(mean(squares.subarray(0, size - GLITCHES)));
	}
	const limit = median(energies) * (1 + KNOCK_SIGMAS * Math.sqrt(2 / size));
	return energies.some((energy) => energy > Math.max(limit, LEAST_KNOCK ** 2));
}

/** A column with what stands further out than any noise brought in: a glitch of the line moves nothing. */
function withoutGlitches(axis: Float64Array): Float64Array {
	const middle = median(axis);
	const most = GLITCH_SIGMAS * robustSigma(axis, middle);
	return most > 0 ? axis.map((v) => Math.max(middle - most, Math.min(middle + most, v))) : axis;
}

/** Whether the Allan deviation about a second stands above the white noise: a hand holds it. */
function sways(axis: Float64Array, dt: number, density: number): boolean {
	const factors = SWAY_S.map((s) => Math.max(1, Math.round(s / dt))).filter((m) => m < axis.length / 2);
	return allanDeviation(axis, factors).some(
		(sigma, k) => sigma > Math.max(LEAST_SWAY, (SWAY_OF_WHITE * density) / Math.sqrt(factors[k] * dt)),
	);
}

/**
 * Reviews a gyro at rest (rad/s): bias, white noise, bias instability, drift, and whether it was really at rest.
 * Evenly sampled to a good approximation; at least ten seconds.
 */
export function reviewStillGyro({ gyro }: GyroRequest): GyroAnswer {
	const n = gyro.t.length;
	const { heldS: T, longestS, stepS: dt } = gapsOf(gyro.t);
	if (n < limits.minSamples.value || T < limits.gyroRestS.value * 0.98)
		return {
			biasRadps: null,
			noiseDensityRadpsRtHz: null,
			biasInstabilityRadps: null,
			moved: null,
			driftRadps: null,
			allan: null,
			...judge([
				n < limits.minSamples.value
					? reason('fail', say('insufficient-samples', { n }), { value: n, limit: limits.minSamples })
					: reason('fail', say('insufficient-duration', { T }), { value: T, limit: limits.gyroRestS }),
			]),
		};
	const axes = [gyro.x, gyro.y, gyro.z].map((column) => Float64Array.from(column));
	const factors = factorsFor(n);
	const tau = factors.map((m) => m * dt);
	const allan = axes.map((axis) => allanDeviation(axis, factors));
	const densities = allan.map((sigma) => whiteNoise(tau, sigma));
	const triple = <T>(values: T[]): [T, T, T] => [values[0], values[1], values[2]];
	const bias = triple(axes.map((axis) => mean(axis)));
	const instability = triple(allan.map((sigma) => Math.min(...sigma) / FLOOR_RATIO));
	const moved = axes.some((axis, k) => {
		const clipped = withoutGlitches(axis);
		return wasMoved(gyro.t, clipped) || wasKnocked(gyro.t, axis) || sways(clipped, dt, densities[k]);
	});
	const drift = triple(axes.map((axis) => driftOf(gyro.t, axis)));
	return {
		biasRadps: bias,
		noiseDensityRadpsRtHz: triple(densities),
		biasInstabilityRadps: instability,
		moved,
		driftRadps: drift,
		allan: { tau, x: allan[0], y: allan[1], z: allan[2] },
		...judge([...frozenReasons(axes), ...gapReasons(longestS), ...reasonsOf(moved, bias, drift, T)]),
	};
}

function frozenReasons(axes: readonly Float64Array[]): Reason[] {
	const frozen = frozenAxes(axes);
	if (frozen.length === 0) return [];
	return [frozen.length === axes.length ? frozenLog() : frozenAxis(frozen)];
}

/** Bias at the end minus bias at the start: each the mean of a tenth, or of the line where that is steadier. */
function driftOf(t: ArrayLike<number>, axis: Float64Array): number {
	const n = axis.length;
	const part = Math.max(1, Math.floor(n * ENDS_SHARE));
	const ends = mean(axis.subarray(n - part)) - mean(axis.subarray(0, part));
	const straight = line(t, axis).slope * (t[n - 1] - t[0]);
	// A steady drift is read best off the line through all samples; a settling one off its ends.
	return Math.abs(straight - ends) < 0.3 * Math.abs(straight) ? straight : ends;
}

function reasonsOf(moved: boolean, bias: readonly number[], drift: readonly number[], T: number): Reason[] {
	const most = (values: readonly number[]) => Math.max(...values.map(Math.abs));
	const out: Reason[] = [];
	out.push(
		moved ? reason('fail', say('moved')) : reason('pass', say('at-rest'), { value: T, limit: limits.gyroRestS }),
	);
	out.push(
		atMost(most(bias), {
			caution: { limit: limits.gyroBiasRadps, says: say('bias-large') },
			pass: say('bias-small'),
		}),
	);
	out.push(
		atMost(most(drift), {
			caution: { limit: limits.gyroDriftRadps, says: say('drifting') },
			pass: say('settled'),
		}),
	);
	return out;
}
