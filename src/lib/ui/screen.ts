/** A screen as narrow as a phone's: while both hands are taken it shows one cue and nothing else. */
export const isPhone = (): boolean => window.matchMedia('(max-width: 767px)').matches;
