/** Name of the figure: 95 % of the hover lies within this distance of its middle, by log and by film alike. */
export const HOLD_RADIUS = 'Hold radius 95 %';

/** Radius of a circle by its diameter; null where nothing was measured. */
export const halved = (diameterM: number | null): number | null => (diameterM === null ? null : diameterM / 2);
