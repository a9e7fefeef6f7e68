/** Radius of a circle by its diameter; null where nothing was measured. */
export const halved = (diameterM: number | null): number | null => (diameterM === null ? null : diameterM / 2);
