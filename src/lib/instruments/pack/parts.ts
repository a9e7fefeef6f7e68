/** Cells by their volts, as rows of the form. */
export const cells = (...volts: number[]) => volts.map((v) => ({ v }));

/** Capacities by cycle, as rows of the form. */
export const history = (...pairs: [number, number][]) => pairs.map(([cycles, mah]) => ({ cycles, mah }));
