import { FIVE_FACES, ONE_HOLD, SIX_FACES } from '$lib/core/guide/holds';

export const recipeOf = (recipe: unknown) => [FIVE_FACES, ONE_HOLD].find(({ id }) => id === recipe) ?? SIX_FACES;
