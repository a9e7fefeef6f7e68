/** WGS 84 constants of normal gravity. Source: NGA, Department of Defense World Geodetic System 1984, 3rd edition. */
const SEMI_MAJOR_M = 6_378_137;
const FLATTENING = 1 / 298.257223563;
const GRAVITY_EQUATOR_MPS2 = 9.7803253359;
const SOMIGLIANA_K = 0.00193185265241;
const ECCENTRICITY_2 = FLATTENING * (2 - FLATTENING);
/** m = ω²a²b/GM. */
const CENTRIFUGAL_RATIO = 0.00344978650684;

/** Standard acceleration of free fall, m/s² (CGPM 1901). */
export const STANDARD_GRAVITY_MPS2 = 9.80665;

/**
 * Normal gravity in m/s² at geodetic latitude (radians) and height above the ellipsoid (metres): Somigliana's closed
 * formula with the second-order free-air correction. Good to 1e-6 m/s² against the full field below 20 km.
 */
export function normalGravity(latRad: number, heightM: number): number {
	const s2 = Math.sin(latRad) ** 2;
	const surface = (GRAVITY_EQUATOR_MPS2 * (1 + SOMIGLIANA_K * s2)) / Math.sqrt(1 - ECCENTRICITY_2 * s2);
	const h = heightM / SEMI_MAJOR_M;
	return surface * (1 - 2 * (1 + FLATTENING + CENTRIFUGAL_RATIO - 2 * FLATTENING * s2) * h + 3 * h * h);
}
