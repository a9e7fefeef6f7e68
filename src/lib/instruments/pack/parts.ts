export const cells = (...volts: number[]) => volts.map((v) => ({ v }));

export const history = (...pairs: [number, number][]) => pairs.map(([cycles, mah]) => ({ cycles, mah }));
