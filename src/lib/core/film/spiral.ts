import { film as say } from '$lib/messages/film';
import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';
import { interpolate } from '../math/interpolate';
import { detrend } from '../math/statistics';
import { filmedCompassError } from './filmLoop';
import type { FilmMetres } from './filmMetres';
import { filmLimits as limits } from './limits';

/** The track is looked at so many times a second for a turn. */
const RATE_HZ = 4;
/** Band in which a hover circles, Hz, and how much finer than the track's own lines it is searched. */
const SLOWEST_HZ = 0.05;
const FASTEST_HZ = 0.6;
const FINER = 8;
/** From this probability on the sense of a turn is named. */
const SURE = 0.9;

/** Circling, and the compass error that would explain it. */
export interface Spiral {
	present: boolean;
	compassErrorDeg: number | null;
	compassErrorSigmaDeg: number | null;
	excludedAboveDeg: number | null;
	sense: 'cw' | 'ccw' | null;
	periodS: number | null;
	radiusM: number | null;
}

const evenly = (t: Float64Array, values: Float64Array): Float64Array => {
	const n = Math.max(0, Math.floor((t[t.length - 1] - t[0]) * RATE_HZ));
	const at = Float64Array.from({ length: n }, (_, k) => t[0] + k / RATE_HZ);
	return detrend(at, interpolate(t, values, at));
};

/** Period of a turn at the strongest frequency of z = forward + i right. */
function turnOf(forward: Float64Array, right: Float64Array): { periodS: number; hz: number } | null {
	const n = forward.length;
	let best = { power: 0, hz: 0 };
	for (let m = -FINER * n; m <= FINER * n; m++) {
		const hz = (m * RATE_HZ) / (FINER * n);
		if (Math.abs(hz) < SLOWEST_HZ || Math.abs(hz) > FASTEST_HZ) continue;
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

/** Amplitude of a motion at one period, in its own unit. */
function amplitudeAt(values: Float64Array, periodS: number): number {
	let [re, im] = [0, 0];
	values.forEach((x, k) => {
		re += x * Math.cos((2 * Math.PI * k) / RATE_HZ / periodS);
		im += x * Math.sin((2 * Math.PI * k) / RATE_HZ / periodS);
	});
	return (2 * Math.hypot(re, im)) / Math.max(1, values.length);
}

/** Whether a film shows circling, by the compass error that would explain it (docs/methods/film.md#circling). Degrees, seconds, metres. */
export function spiralOf(
	{ time, forward, flat, whiteM, sigmaY, sigmaD }: FilmMetres,
	progress?: (share: number) => void,
): Spiral {
	const [ahead, across] = [evenly(time, forward), evenly(time, flat)];
	const noise = { whiteM: (whiteM * sigmaY) / Math.max(1e-9, sigmaD), slowM: sigmaY };
	const found = filmedCompassError(ahead, across, RATE_HZ, noise, progress);
	const present = found.evidence > limits.evidence.value && Math.abs(found.errorDeg) > limits.minErrorDeg.value;
	const sense = found.clockwise > SURE ? 'cw' : found.clockwise < 1 - SURE ? 'ccw' : null;
	const turn = present ? turnOf(ahead, across) : null;
	return {
		present,
		compassErrorDeg: found.errorDeg,
		compassErrorSigmaDeg: found.sigmaDeg,
		excludedAboveDeg:
			sense === null ? found.sizeDeg + 2 * found.sizeSigmaDeg : Math.abs(found.errorDeg) + 2 * found.sigmaDeg,
		sense: present ? sense : null,
		periodS: turn?.periodS ?? null,
		radiusM: turn && amplitudeAt(across, turn.periodS),
	};
}

/** What the circling, or its absence, says of the hover. */
export function spiralReason({
	present,
	compassErrorDeg,
	compassErrorSigmaDeg,
	excludedAboveDeg,
	sense,
}: Spiral): Reason {
	if (present) {
		const error = Math.abs(compassErrorDeg ?? 0);
		return reason('fail', say('circling', { sense, error, compassErrorSigmaDeg }), {
			value: error,
			limit: limits.minErrorDeg,
		});
	}
	const excluded = excludedAboveDeg ?? 0;
	const weak = excluded > limits.mostExcludedDeg.value;
	return reason(weak ? 'caution' : 'pass', say('no-circle', { excluded, weak }), {
		value: excluded,
		limit: limits.mostExcludedDeg,
	});
}
