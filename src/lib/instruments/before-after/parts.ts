export const list = (...values: number[]) => values.map((value) => ({ value, sigma: null }));
