import { interpolate } from '../math/interpolate';
import { detrend } from '../math/statistics';
import { filmLimits as limits } from './limits';

/** The height is looked at so many times a second, and not where it has fewer values than this. */
const BOB_HZ = 10;
const FEWEST_BOB = 40;
/** Band in which a height loop bobs, Hz; at least so many of its turns are seen. */
const LOWEST_BOB_HZ = 0.25;
const HIGHEST_BOB_HZ = 2.5;
const TURNS_SEEN = 6;

/** Bobbing: the largest interior peak of a spectrum of the height. */
export function bobbing(
	t: Float64Array,
	up: Float64Array,
	durationS: number,
): { hz: number; amplitudeM: number } | null {
	const n = Math.floor(durationS * BOB_HZ);
	if (n < FEWEST_BOB) return null;
	const at = Float64Array.from({ length: n }, (_, k) => t[0] + k / BOB_HZ);
	const h = detrend(at, interpolate(t, up, at));
	const low = Math.max(LOWEST_BOB_HZ, TURNS_SEEN / durationS);
	const bins: { hz: number; amplitudeM: number }[] = [];
	for (let m = Math.ceil((low * n) / BOB_HZ); m <= (HIGHEST_BOB_HZ * n) / BOB_HZ; m++) {
		let [re, im, w] = [0, 0, 0];
		for (let k = 0; k < n; k++) {
			const g = 1 - Math.cos((2 * Math.PI * (k + 0.5)) / n);
			re += g * h[k] * Math.cos((2 * Math.PI * m * k) / n);
			im += g * h[k] * Math.sin((2 * Math.PI * m * k) / n);
			w += g;
		}
		bins.push({ hz: (m * BOB_HZ) / n, amplitudeM: (2 * Math.hypot(re, im)) / w });
	}
	const peaks = bins.filter(
		(b, k) =>
			k > 0 && k < bins.length - 1 && b.amplitudeM > bins[k - 1].amplitudeM && b.amplitudeM >= bins[k + 1].amplitudeM,
	);
	const best = peaks.reduce<(typeof bins)[number] | null>((a, b) => (a && a.amplitudeM >= b.amplitudeM ? a : b), null);
	return best && best.amplitudeM > limits.bobbingM.value ? best : null;
}
