/** Values without a sigma, as rows of the form. */
export const list = (...values: number[]) => values.map((value) => ({ value, sigma: null }));
