/** Nozzles by what they gave in litres, as rows of the form. */
export const nozzles = (...litres: number[]) => litres.map((l, k) => ({ name: `nozzle ${k + 1}`, litres: l }));
