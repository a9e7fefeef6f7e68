export const nozzles = (...litres: number[]) => litres.map((l, k) => ({ name: `nozzle ${k + 1}`, litres: l }));
