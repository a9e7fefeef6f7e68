import type { HoverAnswer } from '$lib/schema/hover';
import type { RecordedFigure } from '$lib/schema/entries';
import { HOLD_RADIUS, halved } from '$lib/core/hover/holdRadius';

/** Figures recorded of a reviewed hover. A compass error is one only where circling shows it. */
export const hoverFigures = ({ bubble, drift, spiral, height, durationS }: HoverAnswer): RecordedFigure[] => [
	{ label: HOLD_RADIUS, value: halved(bubble.diameter95M), unit: 'm' },
	{ label: 'Drift', value: drift.speedMps, unit: 'm/s' },
	spiral.present
		? {
				label: 'Compass error',
				value: spiral.compassErrorDeg,
				unit: '°',
				...(spiral.compassErrorSigmaDeg === null ? {} : { sigma: spiral.compassErrorSigmaDeg }),
			}
		: { label: 'Compass error excluded above', value: spiral.excludedAboveDeg, unit: '°' },
	{ label: 'Height spread', value: (height.stdM ?? 0) < 1e-9 ? null : height.stdM, unit: 'm' },
	{ label: 'Length', value: durationS, unit: 's' },
];
