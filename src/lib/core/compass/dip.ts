import { DEG } from '../frames/angles';
import { interpolate } from '../math/interpolate';
import { apply, type Mat3 } from '../frames/mat3';
import { RIGHT_ANGLE_ROTATIONS } from '../frames/rotation';
import { median, robustSigma } from '../math/statistics';
import type { TimedColumns } from './mounting';

export interface Dip {
	/** Angle of the corrected field below the horizontal, degrees. */
	dipDeg: number;
	/** Robust spread of that angle over the poses, degrees. */
	spreadDeg: number;
	rotation: Mat3;
	samples: number;
}

/** Only samples whose specific force is this near to gravity tell where down is. */
const STILL_SHARE = 0.05;
const MIN_SAMPLES = 10;
const MOST = 3000;

/** A spread of the dip that agrees with no mounting at all, degrees. */
const NO_AGREEMENT_DEG = 45;

/** How well the mounting that a dip was measured with agrees: 1 where the dip is the same in every pose, 0 from 45° of spread on. */
export const agreementOf = ({ spreadDeg }: Pick<Dip, 'spreadDeg'>): number =>
	Math.max(0, 1 - spreadDeg / NO_AGREEMENT_DEG);

/**
 * Dip of the corrected field against gravity, for a mounting or for all 24 right-angle mountings by agreement, best first: it is
 * constant over all poses when calibration and mounting are right. Where the site's inclination is known, mountings that give the dip
 * the other sign come last. `mag` is corrected, µT, in the magnetometer's axes; `accel` m/s² in body axes; `inclinationDeg` of the
 * site. Empty where too few samples are quiet.
 */
export function rankByDip(
	mag: TimedColumns,
	accel: TimedColumns,
	{ rotation: given, inclinationDeg }: { rotation?: Mat3 | undefined; inclinationDeg?: number | undefined } = {},
): Dip[] {
	const step = Math.max(1, Math.floor(mag.t.length / MOST));
	const pick: number[] = [];
	for (let i = 0; i < mag.t.length; i += step)
		if (mag.t[i] >= accel.t[0] && mag.t[i] <= accel.t[accel.t.length - 1]) pick.push(i);
	if (pick.length < MIN_SAMPLES) return [];
	const times = pick.map((i) => mag.t[i]);
	const f = [accel.x, accel.y, accel.z].map((column) => interpolate(accel.t, column, times));
	const size = Float64Array.from(times, (_, i) => Math.hypot(f[0][i], f[1][i], f[2][i]));
	const gravity = median(size);
	const quiet = pick.map((_, i) => i).filter((i) => Math.abs(size[i] - gravity) <= STILL_SHARE * gravity);
	if (quiet.length < MIN_SAMPLES || !(gravity > 0)) return [];
	const measure = (rotation: Mat3): Dip => {
		const angles = Float64Array.from(quiet, (i) => {
			const m = apply(rotation, [mag.x[pick[i]], mag.y[pick[i]], mag.z[pick[i]]]);
			const down = -(m[0] * f[0][i] + m[1] * f[1][i] + m[2] * f[2][i]) / size[i];
			return Math.asin(Math.max(-1, Math.min(1, down / Math.hypot(...m)))) / DEG;
		});
		const dipDeg = median(angles);
		return { dipDeg, spreadDeg: robustSigma(angles, dipDeg), rotation, samples: quiet.length };
	};
	if (given) return [measure(given)];
	const opposite = ({ dipDeg }: Dip) => inclinationDeg !== undefined && dipDeg * inclinationDeg < 0;
	return RIGHT_ANGLE_ROTATIONS.map(measure).sort(
		(a, b) => Number(opposite(a)) - Number(opposite(b)) || a.spreadDeg - b.spreadDeg,
	);
}
