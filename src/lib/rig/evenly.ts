import fc from 'fast-check';

const STEPS = 2 ** 20;

/**
 * Numbers between two ends, drawn evenly, for properties of quantities: of the doubles between zero and twelve, which `fc.double`
 * draws alike, nearly all are too small to be a wind.
 */
export const evenly = (min: number, max: number): fc.Arbitrary<number> =>
	fc.integer({ min: 0, max: STEPS }).map((k) => min + ((max - min) * k) / STEPS);
