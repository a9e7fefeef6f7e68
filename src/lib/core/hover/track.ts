import { GAP_S } from '../math/gaps';
import type { HoverRequest } from '../../schema/hover';
import { localScale, toLocal } from '../earth/geodesy';
import { median, robustSigma } from '../math/statistics';
import { hoverLimits as limits } from './limits';

export interface LocalTrack {
	t: Float64Array;
	north: Float64Array;
	east: Float64Array;
	up: Float64Array;
	/** Height above the ground; null where the track does not tell it. */
	aboveGround: Float64Array | null;
}

/** A track of a log's columns: its own metres where it has them, else latitude, longitude and altitude. */
export function trackOf(columns: Readonly<Record<string, ArrayLike<number>>>): HoverRequest['track'] {
	const { t, north, east, up, lat, lon, alt } = columns;
	const local = ['north', 'east', 'up'].every((name) => name in columns);
	return local ? { t, north, east, up } : { t, lat, lon, alt };
}

/** The request's track as north, east, up in metres about its first fix, `up` above take-off. */
export function localTrack({ track, groundAltM }: HoverRequest): LocalTrack {
	const t = Float64Array.from(track.t);
	if ('north' in track) {
		const up = Float64Array.from(track.up);
		return { t, north: Float64Array.from(track.north), east: Float64Array.from(track.east), up, aboveGround: up };
	}
	const n = t.length;
	const north = new Float64Array(n);
	const east = new Float64Array(n);
	const up = new Float64Array(n);
	const origin = { latDeg: track.lat[0] ?? 0, lonDeg: track.lon[0] ?? 0 };
	const scale = localScale(origin.latDeg, track.alt[0] ?? 0);
	const ground = groundAltM ?? track.alt[0] ?? 0;
	for (let i = 0; i < n; i++) {
		const at = toLocal(origin, track.lat[i], track.lon[i], scale);
		north[i] = at.northM;
		east[i] = at.eastM;
		up[i] = track.alt[i] - ground;
	}
	return { t, north, east, up, aboveGround: groundAltM === undefined ? null : up };
}

const DEAD_TIME_S = 1;
const BEFORE = 4;

/**
 * Steps of the fix that no hovering aircraft makes, and the track with them taken out (docs/methods/hover.md#drift-and-jumps). Across a gap
 * in the log no jump is looked for: the velocity before it predicts nothing.
 */
export function withoutJumps({ t, north, east }: LocalTrack): {
	jumps: { tS: number; sizeM: number }[];
	north: Float64Array;
	east: Float64Array;
} {
	const n = t.length;
	const stepN = new Float64Array(n);
	const stepE = new Float64Array(n);
	const surprise = new Float64Array(n);
	for (let i = BEFORE + 1; i < n; i++) {
		const span = t[i - 1] - t[i - 1 - BEFORE];
		const dt = t[i] - t[i - 1];
		if (dt > GAP_S) continue;
		stepN[i] = north[i] - north[i - 1] - ((north[i - 1] - north[i - 1 - BEFORE]) / span) * dt;
		stepE[i] = east[i] - east[i - 1] - ((east[i - 1] - east[i - 1 - BEFORE]) / span) * dt;
		surprise[i] = Math.sqrt(stepN[i] ** 2 + stepE[i] ** 2);
	}
	const sigma = n > BEFORE + 1 ? robustSigma(surprise.subarray(BEFORE + 1)) + median(surprise.subarray(BEFORE + 1)) : 0;
	const limit = Math.max(limits.jumpM.value, 7 * sigma);
	const jumps: { tS: number; sizeM: number }[] = [];
	const outN = north.slice();
	const outE = east.slice();
	let goneN = 0;
	let goneE = 0;
	let quietUntil = -Infinity;
	for (let i = 0; i < n; i++) {
		if (surprise[i] > limit && t[i] >= quietUntil) {
			jumps.push({ tS: t[i], sizeM: surprise[i] });
			goneN += stepN[i];
			goneE += stepE[i];
			quietUntil = t[i] + DEAD_TIME_S;
		}
		outN[i] -= goneN;
		outE[i] -= goneE;
	}
	return { jumps, north: outN, east: outE };
}

/** Even samples of a column at `rateHz` by linear interpolation. */
export function resample(t: Float64Array, y: Float64Array, rateHz: number): Float64Array {
	const n = Math.floor((t[t.length - 1] - t[0]) * rateHz + 1e-9);
	const out = new Float64Array(n);
	let k = 0;
	for (let i = 0; i < n; i++) {
		const at = t[0] + i / rateHz;
		while (k < t.length - 2 && t[k + 1] <= at) k++;
		out[i] = y[k] + ((y[k + 1] - y[k]) * (at - t[k])) / (t[k + 1] - t[k]);
	}
	return out;
}
