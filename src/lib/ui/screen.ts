/**
 * A screen that is touched, or as narrow as a phone's: while both hands are taken it shows one cue and nothing else, however it is turned.
 */
export const inTheHand = (): boolean => window.matchMedia('(pointer: coarse), (max-width: 767px)').matches;
