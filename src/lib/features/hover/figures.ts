import { figure, type Figure } from '$lib/core/figures/figure';
import type { HoverAnswer } from '$lib/schema/hover';
import { halved } from '$lib/core/hover/holdRadius';

/** Figures recorded of a reviewed hover. A compass error is one only where circling shows it. */
export const hoverFigures = ({ bubble, drift, spiral, height, durationS }: HoverAnswer): Figure[] => [
	figure('hold-radius', halved(bubble.diameter95M)),
	figure('drift', drift.speedMps),
	spiral.present
		? figure('compass-error', spiral.compassErrorDeg, { sigma: spiral.compassErrorSigmaDeg })
		: figure('compass-error-excluded', spiral.excludedAboveDeg),
	figure('height-spread', (height.stdM ?? 0) < 1e-9 ? null : height.stdM),
	figure('duration', durationS),
];
