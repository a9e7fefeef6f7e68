/** Figures by which a finding gives something back to the aircraft, the pack or the place: written by the instrument, read by the store. */
export const RESISTANCE = 'Resistance per cell';
export const CLEAN_NORTH = 'Turn the compass north of the start by';
export const CLEAN_EAST = 'Turn the compass east of the start by';
export const TONE = 'It hums at';
export const SURGE = 'The motors rise and fall together, ±';
