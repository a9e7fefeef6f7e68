import geodesic from 'geographiclib-geodesic';
import { DEG, wrap360 } from '../frames/angles';

const wgs84 = geodesic.Geodesic.WGS84;

/** Distance in metres and initial bearing in degrees from one point to another on WGS 84 (Karney, 2013). */
export function inverseGeodesic(
	latDeg1: number,
	lonDeg1: number,
	latDeg2: number,
	lonDeg2: number,
): { distanceM: number; bearingDeg: number } {
	const line = wgs84.Inverse(latDeg1, lonDeg1, latDeg2, lonDeg2);
	return { distanceM: line.s12 ?? NaN, bearingDeg: wrap360(line.azi1 ?? NaN) };
}

/** The point reached from (lat, lon) after `distanceM` on the initial bearing, WGS 84 (Karney, 2013). */
export function directGeodesic(latDeg: number, lonDeg: number, bearingDeg: number, distanceM: number) {
	const line = wgs84.Direct(latDeg, lonDeg, bearingDeg, distanceM);
	return { latDeg: line.lat2 ?? NaN, lonDeg: line.lon2 ?? NaN };
}

const SEMI_MAJOR_M = 6_378_137;
const FLATTENING = 1 / 298.257223563;
const ECCENTRICITY_2 = FLATTENING * (2 - FLATTENING);

/**
 * Metres per radian of latitude and of longitude at a place: the ellipsoid's meridional and transverse radii.
 * For tracks of a few kilometres the flat map made with them is right to a few parts in 10⁵; distances that matter
 * further out use the geodesic.
 */
export function localScale(latDeg: number, altM = 0): { northM: number; eastM: number } {
	const s2 = Math.sin(latDeg * DEG) ** 2;
	const w = Math.sqrt(1 - ECCENTRICITY_2 * s2);
	return {
		northM: (SEMI_MAJOR_M * (1 - ECCENTRICITY_2)) / w ** 3 + altM,
		eastM: (SEMI_MAJOR_M / w + altM) * Math.cos(latDeg * DEG),
	};
}

/** North and east in metres of a point as seen from an origin; the shorter way round where the date line lies between. */
export function toLocal(
	origin: { latDeg: number; lonDeg: number },
	latDeg: number,
	lonDeg: number,
	scaleAtOrigin = localScale(origin.latDeg),
): { northM: number; eastM: number } {
	let dLon = lonDeg - origin.lonDeg;
	if (dLon > 180) dLon -= 360;
	if (dLon < -180) dLon += 360;
	return {
		northM: (latDeg - origin.latDeg) * DEG * scaleAtOrigin.northM,
		eastM: dLon * DEG * scaleAtOrigin.eastM,
	};
}
