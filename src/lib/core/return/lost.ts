import { returnRequestSchema } from '../../schema/return';
import type { Wind } from '../../schema/records';
import { directGeodesic } from '../earth/geodesy';
import { FELT_AT_M } from '../hover/feltWind';
import { outcomeOf } from './plan';

/** What was last known of an aircraft that did not come back. */
export interface LastKnown {
	latDeg: number;
	lonDeg: number;
	heightM: number;
	/** How old that is against the moment at which it went, s. */
	sinceS: number;
	/** Over ground, and toward where; null where nobody saw. */
	speedMps: number;
	courseDeg: number | null;
	wind: Wind | null;
	/** How fast it comes down by itself, m/s. */
	descentMps: number;
}

/** A place to search about, and how far around. */
export interface SearchPlace {
	/** Where it was last; where it falls without motors; where it comes down by itself, carried by the wind. */
	what: 'last' | 'fell' | 'drifted';
	latDeg: number;
	lonDeg: number;
	/** From where it was last. */
	distanceM: number;
	bearingDeg: number;
	/** It lies within, if it went that way and height and wind were as said: judged, not measured. */
	radiusM: number;
}

/** A position of some metres, and a slip of reading it off. */
const POSITION_M = 10;
/** How well a fall and a drift are known, of their length: drag, tumbling, wind at height. */
const [FALL_SHARE, DRIFT_SHARE] = [0.6, 0.5];
const STILL: Wind = { fromDeg: 0, speedMps: 0, gustMps: 0 };

/** Where to search for an aircraft that is lost, by what it may have done: fallen, drifted down, or neither. */
export function searchPlaces(last: LastKnown): SearchPlace[] {
	const { latDeg, lonDeg, heightM, sinceS, speedMps, courseDeg, descentMps } = last;
	const wind = last.wind ?? STILL;
	const went = speedMps * sinceS;
	const request = (action: 'cut-motors' | 'land') =>
		returnRequestSchema.parse({
			// Only where it touches down is asked: power and pack play no part.
			aircraft: {
				airspeedMaxMps: 100,
				returnSpeedMps: 1,
				speedKind: 'ground',
				climbMps: 1,
				descentMps,
				hoverW: 1,
				cruiseW: 1,
				climbW: 1,
				descentW: 1,
			},
			pack: { usableWh: 1e5, reservePct: 0 },
			wind: {
				fromDeg: wind.fromDeg % 360,
				speedMps: wind.speedMps,
				gustMps: Math.max(wind.gustMps, wind.speedMps),
				heightM: FELT_AT_M,
			},
			settings: { returnHeightM: 0, minDistanceM: 0, climbFirst: true, action },
			position: {
				bearingDeg: 0,
				distanceM: 0,
				heightM,
				...(courseDeg === null ? {} : { groundSpeedMps: speedMps, courseDeg: courseDeg % 360 }),
			},
			obstacles: [],
			usedWh: 0,
		});
	const place = (what: 'fell' | 'drifted', share: number): SearchPlace => {
		const touchdown = outcomeOf(request(what === 'fell' ? 'cut-motors' : 'land')).touchdown;
		const { bearingDeg = 0, distanceM = 0 } = touchdown ?? {};
		return {
			what,
			...directGeodesic(latDeg, lonDeg, bearingDeg, distanceM),
			bearingDeg,
			distanceM,
			radiusM: POSITION_M + share * distanceM + went,
		};
	};
	return [
		place('fell', FALL_SHARE),
		place('drifted', DRIFT_SHARE),
		{ what: 'last', latDeg, lonDeg, distanceM: 0, bearingDeg: 0, radiusM: POSITION_M + went },
	];
}
