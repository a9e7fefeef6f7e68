import type { AccelAnswer } from '../../schema/inertial';
import type { RecordedFigure } from '../../schema/entries';

/** Offsets and scales as the record keeps them, so that the next calibration can be set beside them. */
export const accelKept = ({ offsetMps2, matrix, uncertainty }: AccelAnswer): RecordedFigure[] =>
	(['x', 'y', 'z'] as const).flatMap((k, i) => [
		{
			label: `Offset ${k}`,
			value: offsetMps2?.[i] ?? null,
			unit: 'm/s²',
			...(uncertainty ? { sigma: uncertainty.offsetMps2[i] } : {}),
		},
		{ label: `Scale ${k}`, value: matrix?.[i][i] ?? null, unit: '' },
	]);
