import { figure, type Figure } from '$lib/core/figures/figure';
import type { Cause, HoverAnswer } from '$lib/schema/hover';
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

/** Scores from which a cause is called likely, or possible. */
const LIKELY = 0.6;
const POSSIBLE = 0.25;

/** Causes worth a look, most likely first, each with its score in a word: the scores rank causes; nobody counted them as frequencies. */
export const possibleCauses = (causes: readonly Cause[]): { code: string; word: 'likely' | 'possible' }[] =>
	causes
		.filter(({ code, probability }) => probability >= POSSIBLE && code !== 'holding-well')
		.map(({ code, probability }) => ({ code, word: probability >= LIKELY ? 'likely' : 'possible' }));
