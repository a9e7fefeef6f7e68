import type { Values } from '../instrument';
import { FIVE_FACES, ONE_HOLD, SIX_FACES } from '$lib/core/guide/holds';

/** The holds of the aircraft's own recipe; six faces where none is chosen. */
export const recipeOf = (recipe: Values[string] | undefined) =>
	[FIVE_FACES, ONE_HOLD].find(({ id }) => id === recipe) ?? SIX_FACES;
