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

const ours = 'Winglogos default, tried on simulated flights';

/** What a track shows of a return: value, unit, why, source. */
export const returnTrackLimits = {
	overheadM: { value: 6, unit: 'm', why: 'As near as a fix tells that it is over home.', source: ours },
	backMps: { value: 0.7, unit: 'm/s', why: 'Slower is a hover in the wind.', source: ours },
	overS: { value: 2, unit: 's', why: 'Over less, the noise of the fix comes home.', source: ours },
	downByM: { value: 1.5, unit: 'm', why: 'Less is the height hold at work.', source: ours },
	groundM: { value: 0.7, unit: 'm', why: 'Lower than this it stands.', source: ours },
	startsM: { value: 3, unit: 'm', why: 'A log that begins higher does not begin at home on the ground.', source: ours },
	climbWithinS: { value: 40, unit: 's', why: 'A climb before the way home takes no longer.', source: ours },
	climbedM: { value: 1.5, unit: 'm', why: 'Less is no climb.', source: ours },
} as const;
const limits = returnTrackLimits;

/** Home of a log: where it stood before it rose. */
export const homeOf = ({ north, east }: LocalTrack): { north: number; east: number } => ({
	north: quantile(north.subarray(0, 5), 0.5),
	east: quantile(east.subarray(0, 5), 0.5),
});

/** Where it began to rise before a moment, as it does that climbs before it comes home; the moment itself where it did not. */
function beforeClimb({ t, up }: LocalTrack, out: Float64Array, at: number): number {
	let lowest = at;
	for (let i = at; i >= 0 && t[i] > t[at] - limits.climbWithinS.value && out[i] > 0.9 * out[at]; i--)
		if (up[i] < up[lowest]) lowest = i;
	if (up[at] - up[lowest] < limits.climbedM.value) return at;
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
	if (track.aboveGround && up[0] > limits.startsM.value)
		throw new InputError(
			'track',
			'track',
			'The log begins in the air: bring the whole flight, from the ground at home.',
		);
	const home = homeOf(track);
	const out = Float64Array.from(t, (_, i) => Math.hypot(north[i] - home.north, east[i] - home.east));
	const farthest = out.reduce((most, d) => Math.max(most, d), 0);
	if (farthest < 2 * limits.overheadM.value)
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
		while (j < t.length - 1 && t[j] < t[i] + limits.overS.value) j++;
		return t[j] - t[i] >= limits.overS.value / 2 && (out[i] - out[j]) / (t[j] - t[i]) > limits.backMps.value;
	};
	const turned = after(from, coming);
	const overhead = after(turned, (i) => out[i] < limits.overheadM.value);
	const top = up
		.subarray(from, overhead < 0 ? undefined : overhead + 1)
		.reduce((most, u) => Math.max(most, u), -Infinity);
	const climbed = top > up[from] + 1 ? after(from, (i) => up[i] > top - 0.5) : -1;
	const over = overhead < 0 ? 0 : up[overhead];
	const descending = after(overhead, (i) => up[i] < over - limits.downByM.value);
	const down = after(overhead, (i) => up[i] - ground < limits.groundM.value);
	const end = down < 0 ? null : down;
	return {
		setOffS: t[from],
		distanceM: out[from],
		heightM: up[from] - ground,
		seenS: {
			turned: since(turned),
			climbed: since(climbed),
			overhead: since(overhead),
			descending: since(descending),
			down: since(down),
			disarmed: null,
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
