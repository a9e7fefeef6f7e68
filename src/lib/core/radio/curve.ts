import { radio as say } from '$lib/messages/radio';
import type { CurveAnswer, CurveRequest } from '../../schema/radio';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';

const POINTS = 51;

/** y = e·x³ + (1 − e)·x: stick −1..1 to command −1..1; odd, and steeper towards the ends the larger e is. */
export const curve = (expo: number, stick: number): number => expo * stick ** 3 + (1 - expo) * stick;

/** The stick at which the command is `y`, 0..1, by bisection: the curve rises all the way for e in 0..1. */
function stickFor(expo: number, y: number): number {
	if (y >= 1) return 1;
	let [low, high] = [0, 1];
	for (let k = 0; k < 60; k++) {
		const x = (low + high) / 2;
		if (curve(expo, x) < y) low = x;
		else high = x;
	}
	return (low + high) / 2;
}

/**
 * What a stick curve feels like: rate over stick in °/s, sensitivity near the centre (°/s per tenth of travel), seconds to 90°
 * at full stick, and how much of the travel stays within what the pilot finds comfortable.
 * @throws InputError where the comfort band is upside down.
 */
export function reviewCurve({
	expo,
	maxRateDegPerS,
	comfortLowDegPerS,
	comfortHighDegPerS,
}: CurveRequest): CurveAnswer {
	if (!(comfortLowDegPerS < comfortHighDegPerS))
		throw new InputError('band', 'comfortHighDegPerS', 'The upper end of the comfort band must be above the lower.');
	const stick = Array.from({ length: POINTS }, (_, k) => k / (POINTS - 1));
	const calmTravel = stickFor(expo, comfortHighDegPerS / maxRateDegPerS);
	const limit = { value: comfortHighDegPerS, unit: '°/s', source: "The pilot's own band" };
	const level =
		maxRateDegPerS > comfortHighDegPerS
			? reason('caution', say('faster-than-comfort', { calmTravel }), { value: maxRateDegPerS, limit })
			: maxRateDegPerS < comfortLowDegPerS
				? reason('caution', say('slower-than-comfort'), {
						value: maxRateDegPerS,
						limit: { ...limit, value: comfortLowDegPerS },
					})
				: reason('pass', say('within-comfort'), { value: maxRateDegPerS, limit });
	return {
		curve: { stick, rateDegPerS: stick.map((x) => maxRateDegPerS * curve(expo, x)) },
		centreDegPerSPerTenth: maxRateDegPerS * curve(expo, 0.1),
		to90S: 90 / maxRateDegPerS,
		calmTravel,
		...judge([level]),
	};
}
