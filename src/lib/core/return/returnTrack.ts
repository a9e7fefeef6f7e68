import { InputError } from '../finding/inputError';
import type { LocalTrack } from '../hover/track';
import { quantile } from '../math/statistics';
import type { Phase } from './returnTest';

/** What a log says of a flown return: where it was set off, and what it did then, seconds after. */
export interface TrackedReturn {
	/** When it was set off, in the track's own seconds. */
	setOffS: number;
	distanceM: number;
	heightM: number;
	/** Null where the log does not show it; that it disarmed no track tells. */
	seenS: Record<Phase, number | null>;
	/** From home to where it came down, metres; null where it did not. */
	landing: { distanceM: number; bearingDeg: number } | null;
}

/** How near to home is overhead, how fast is coming back, how far below is coming down: Winglogos defaults. */
const OVERHEAD_M = 6;
const BACK_MPS = 0.7;
const DOWN_BY_M = 1.5;
const GROUND_M = 0.7;
const SPAN_S = 2;
const CLIMB_WITHIN_S = 40;
const CLIMBED_M = 1.5;

/** Home of a log: where it stood before it rose. */
export const homeOf = ({ north, east }: LocalTrack): { north: number; east: number } => ({
	north: quantile(north.subarray(0, 5), 0.5),
	east: quantile(east.subarray(0, 5), 0.5),
});

/** Where it began to rise before a moment, as it does that climbs before it comes home; the moment itself where it did not. */
function beforeClimb({ t, up }: LocalTrack, out: Float64Array, at: number): number {
	let lowest = at;
	for (let i = at; i >= 0 && t[i] > t[at] - CLIMB_WITHIN_S && out[i] > 0.9 * out[at]; i--)
		if (up[i] < up[lowest]) lowest = i;
	if (up[at] - up[lowest] < CLIMBED_M) return at;
	for (let i = at; i > lowest; i--) if (up[i] < up[lowest] + 0.4) return i;
	return lowest;
}

/**
 * The phases of a return from a whole flight's track, which begins on the ground at home. Where it was set off is `setOffS`, else the last
 * moment at which it was as far out as it got.
 * @throws InputError where the track is too short, or nothing of it lies away from home.
 */
export function phasesOfTrack(track: LocalTrack, setOffS?: number): TrackedReturn {
	const { t, north, east, up } = track;
	if (t.length < 10) throw new InputError('track', 'track', 'The track is too short to show a return.');
	const home = homeOf(track);
	const out = Float64Array.from(t, (_, i) => Math.hypot(north[i] - home.north, east[i] - home.east));
	const farthest = out.reduce((most, d) => Math.max(most, d), 0);
	if (farthest < 2 * OVERHEAD_M)
		throw new InputError('track', 'track', 'This track stays at home: it shows no return.');
	const ground = track.aboveGround ? 0 : quantile(up, 0.01);
	let from = t.findIndex((at) => setOffS !== undefined && at >= setOffS);
	if (from < 0)
		from = beforeClimb(
			track,
			out,
			out.findLastIndex((d) => d > 0.97 * farthest),
		);
	const since = (i: number) => (i < 0 ? null : Math.round((t[i] - t[from]) * 10) / 10);
	const after = (start: number, holds: (i: number) => boolean) => {
		if (start < 0) return -1;
		for (let i = start; i < t.length; i++) if (holds(i)) return i;
		return -1;
	};
	/** Nearer to home by so much a second, over the seconds that follow. */
	const coming = (i: number) => {
		let j = i;
		while (j < t.length - 1 && t[j] < t[i] + SPAN_S) j++;
		return t[j] - t[i] >= SPAN_S / 2 && (out[i] - out[j]) / (t[j] - t[i]) > BACK_MPS;
	};
	const turned = after(from, coming);
	const overhead = after(turned, (i) => out[i] < OVERHEAD_M);
	const top = up
		.subarray(from, overhead < 0 ? undefined : overhead + 1)
		.reduce((most, u) => Math.max(most, u), -Infinity);
	const climbed = top > up[from] + 1 ? after(from, (i) => up[i] > top - 0.5) : -1;
	const over = overhead < 0 ? 0 : up[overhead];
	const descending = after(overhead, (i) => up[i] < over - DOWN_BY_M);
	const down = after(overhead, (i) => up[i] - ground < GROUND_M);
	const end = down < 0 ? null : down;
	return {
		...{ setOffS: t[from], distanceM: out[from], heightM: up[from] - ground },
		seenS: {
			...{ turned: since(turned), climbed: since(climbed), overhead: since(overhead) },
			...{ descending: since(descending), down: since(down), disarmed: null },
		},
		landing:
			end === null
				? null
				: {
						distanceM: out[end],
						bearingDeg: ((Math.atan2(east[end] - home.east, north[end] - home.north) * 180) / Math.PI + 360) % 360,
					},
	};
}
