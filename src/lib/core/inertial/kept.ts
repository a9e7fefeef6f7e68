import { figure, type Figure } from '../figures/figure';
import type { AccelAnswer } from '../../schema/inertial';

/** Offsets and scales as the record keeps them, so that the next calibration can be compared with them. */
export const accelKept = ({ offsetMps2, matrix, uncertainty }: AccelAnswer): Figure[] =>
	(['x', 'y', 'z'] as const).flatMap((k, i) => [
		figure('accel-offset', offsetMps2?.[i] ?? null, { part: k, sigma: uncertainty?.offsetMps2[i] }),
		figure('accel-scale', matrix?.[i][i] ?? null, { part: k }),
	]);
