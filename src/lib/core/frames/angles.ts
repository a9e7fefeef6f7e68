/** Radians per degree. */
export const DEG = Math.PI / 180;

/** Angle brought into (−π, π]. */
export function wrapPi(rad: number): number {
	const turned = rad - 2 * Math.PI * Math.floor((rad + Math.PI) / (2 * Math.PI));
	return turned === -Math.PI ? Math.PI : turned;
}

/** Angles in degrees without the jumps of a turn: each is within half a turn of the one before. */
export function unwrapDeg(deg: ArrayLike<number>): Float64Array {
	const out = Float64Array.from(deg);
	for (let i = 1; i < out.length; i++) out[i] += 360 * Math.round((out[i - 1] - out[i]) / 360);
	return out;
}

/** Bearing brought into [0, 360) degrees. */
export function wrap360(deg: number): number {
	const turned = deg % 360;
	const positive = turned < 0 ? turned + 360 : turned;
	return positive === 360 ? 0 : positive; // a tiny negative angle plus 360 rounds up to 360
}
