import type { HoverAnswer } from '$lib/schema/hover';
import type { RecordedFigure } from '$lib/schema/entries';

/** What is kept of a reviewed hover. */
export const hoverFigures = ({ bubble, drift, spiral, height, durationS }: HoverAnswer): RecordedFigure[] => [
	{ label: 'Bubble 95 %', value: bubble.diameter95M, unit: 'm' },
	{ label: 'Drift', value: drift.speedMps, unit: 'm/s' },
	{
		label: 'Compass error',
		value: spiral.compassErrorDeg,
		unit: '°',
		...(spiral.compassErrorSigmaDeg === null ? {} : { sigma: spiral.compassErrorSigmaDeg }),
	},
	{ label: 'Height spread', value: height.stdM, unit: 'm' },
	{ label: 'Length', value: durationS, unit: 's' },
];
