import { getTimes } from 'suncalc';

export interface Daylight {
	/** ISO times; null where the sun does not rise or set that day. */
	sunrise: string | null;
	sunset: string | null;
	/** Until the sun sets, minutes; negative after it has; null where it does not set. */
	leftMin: number | null;
	/** The sun stays up, or down, all day. */
	all: 'day' | 'night' | null;
}

const MINUTE_MS = 60_000;

/**
 * Sunrise and sunset of the solar day at a place, and what is left of it at an ISO time. To about a minute, refraction of a usual
 * air included (suncalc, after Meeus 1998, Astronomical Algorithms).
 */
export function daylightAt(latDeg: number, lonDeg: number, now: string): Daylight {
	const { sunrise, sunset, alwaysUp, alwaysDown } = getTimes(new Date(now), latDeg, lonDeg);
	return {
		sunrise: sunrise?.toISOString() ?? null,
		sunset: sunset?.toISOString() ?? null,
		leftMin: sunset ? (sunset.getTime() - Date.parse(now)) / MINUTE_MS : null,
		all: alwaysUp ? 'day' : alwaysDown ? 'night' : null,
	};
}
