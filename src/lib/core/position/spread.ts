import type { GnssAnswer } from '../../schema/gnss';
import { localScale, toLocal } from '../earth/geodesy';
import { mean, median, quantile, standardDeviation } from '../math/statistics';
import type { Epochs } from './epochs';
import { rowsWhere, valuesAt } from './epochTable';
import { positionLimits as limits } from './limits';

const MIN_FOR_SCATTER = 5;
/** Theil–Sen looks at all pairs: so many points are enough and quick. */
const MOST_FOR_SLOPE = 300;

/** The places of some epochs in metres from the first of them; null where none has a place. */
function localTrack({ latDeg, lonDeg }: Epochs, rows: Uint32Array) {
	const placed = rows.filter((row) => !Number.isNaN(latDeg[row]));
	if (placed.length === 0) return null;
	const origin = { latDeg: latDeg[placed[0]], lonDeg: lonDeg[placed[0]] };
	const scale = localScale(origin.latDeg);
	const north = new Float64Array(placed.length);
	const east = new Float64Array(placed.length);
	placed.forEach((row, i) => {
		const { northM, eastM } = toLocal(origin, latDeg[row], lonDeg[row], scale);
		north[i] = northM;
		east[i] = eastM;
	});
	return { placed, origin, scale, north, east };
}

/** Median of the slopes of all pairs of points (Theil 1950, Sen 1968), per second. */
function theilSen(t: ArrayLike<number>, y: ArrayLike<number>): number {
	const slopes: number[] = [];
	for (let i = 0; i < t.length; i++)
		for (let j = i + 1; j < t.length; j++) if (t[j] > t[i]) slopes.push((y[j] - y[i]) / (t[j] - t[i]));
	return slopes.length > 0 ? median(slopes) : 0;
}

/** How far the places of some epochs lie about their median, and how fast they drift; none for too few. */
export function scatterOf(epochs: Epochs, rows: Uint32Array): GnssAnswer['scatter'] {
	const track = localTrack(epochs, rows);
	if (!track || track.placed.length < MIN_FOR_SCATTER) return undefined;
	const { north, east, placed } = track;
	const [n0, e0] = [median(north), median(east)];
	const distance = north.map((n, i) => Math.hypot(n - n0, east[i] - e0));
	const step = Math.ceil(placed.length / MOST_FOR_SLOPE);
	const pick = (values: Float64Array) => values.filter((_, i) => i % step === 0);
	const t = pick(valuesAt(epochs.tS, placed));
	const perSecond = Math.hypot(theilSen(t, pick(north)), theilSen(t, pick(east)));
	return { cep50M: quantile(distance, 0.5), cep95M: quantile(distance, 0.95), driftMPerMin: perSecond * 60 };
}

/** How many of n readings count as independent: the wander of a fix makes neighbours alike (lag-one autocorrelation). */
function independent(values: ArrayLike<number>): number {
	const m = mean(values);
	let top = 0;
	let bottom = 0;
	for (let i = 0; i < values.length; i++) {
		bottom += (values[i] - m) ** 2;
		if (i > 0) top += (values[i] - m) * (values[i - 1] - m);
	}
	const rho = bottom > 0 ? Math.max(0, Math.min(0.999, top / bottom)) : 0;
	return Math.max(1, (values.length * (1 - rho)) / (1 + rho));
}

/** The mean place of a span of epochs and how well it is known, allowing for the wander; none where no epoch has a place. */
export function homeOf(epochs: Epochs, from: number, to: number): GnssAnswer['home'] {
	const track = localTrack(
		epochs,
		rowsWhere(from, to, () => true),
	);
	if (!track) return undefined;
	const [n, e] = [mean(track.north), mean(track.east)];
	const altitudes = valuesAt(epochs.altM, track.placed).filter((alt) => !Number.isNaN(alt));
	const variance = [track.north, track.east]
		.map((values) => standardDeviation(values) ** 2 / independent(values))
		.reduce((a, b) => a + b);
	const deg = 180 / Math.PI;
	const lonDeg = track.origin.lonDeg + (e / track.scale.eastM) * deg;
	return {
		latDeg: track.origin.latDeg + (n / track.scale.northM) * deg,
		lonDeg: lonDeg > 180 ? lonDeg - 360 : lonDeg < -180 ? lonDeg + 360 : lonDeg,
		altM: altitudes.length > 0 ? mean(altitudes) : null,
		// A place that never changes is held by the receiver: it tells nothing of how well it is known.
		sigmaM: variance > 0 ? Math.sqrt(variance) : limits.samePlaceM.value,
	};
}
