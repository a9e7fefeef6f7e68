const ours = 'Winglogos, from simulated landings';

/** What a receiver's class brings to a landing: deviations a single axis, metres, and the bar it is held to. */
export const RECEIVERS = {
	/** homeM: the stored home and the slow error of the fix, one for each power-up; ownM: the rest, landing by landing. */
	plain: { homeM: 1.2, ownM: 0.8, barM: 5 },
	differential: { homeM: 0.6, ownM: 0.5, barM: 3 },
	rtk: { homeM: 0.03, ownM: 0.12, barM: 0.5 },
} as const;

/** How a distance and its direction were measured: along (share and metres), across (radians and metres); scale and turn that are common to all. */
export const MEASURED_BY = {
	paces: { share: 0.06, turn: 0.15, leastM: 0.3, commonScale: 0.08, commonTurn: 0.12 },
	tape: { share: 0.01, turn: 0.1, leastM: 0.05, commonScale: 0, commonTurn: 0.07 },
	track: { share: 0, turn: 0, leastM: 0, commonScale: 0, commonTurn: 0 },
} as const;

/** A landing on a photo of its mark: how well a place is pressed, pixels of the shown picture, and a direction told by eye. */
export const PHOTO = {
	tapPx: { value: 2.5, unit: 'px', why: 'A finger or a mouse on a place.', source: 'Judged' },
	lookedDeg: { value: 5, unit: '°', why: 'A direction read off a phone or a map.', source: 'Judged' },
	lookedEighthDeg: { value: 13, unit: '°', why: 'One of eight directions: 45°, anywhere in it.', source: '45° / √12' },
} as const;

/** Thresholds of landings. */
export const landingLimits = {
	noBarometer: { value: 1.3, unit: 'times', why: 'Without it the last metres are blown about longer.', source: ours },
	newest: { value: 60, unit: 'landings', why: 'Older ones tell of older settings.', source: ours },
	few: { value: 3, unit: 'landings', why: 'Fewer do not tell an offset from chance.', source: ours },
	powerUps: { value: 2, unit: 'power-ups', why: 'One stored home shifts all its landings alike.', source: ours },
	within: { value: 0.9, unit: 'probability', why: 'Nine landings in ten within the bar.', source: ours },
	misses: { value: 0.5, unit: 'probability', why: 'More land outside the bar than within.', source: ours },
	wide: { value: 3, unit: 'bars', why: 'No healthy aircraft of its class comes down so far off.', source: ours },
	systematic: { value: 0.05, unit: 'p', why: 'One healthy aircraft in twenty.', source: ours },
	scattered: { value: 1.8, unit: 'times usual', why: 'Nearly twice what its class scatters.', source: ours },
	largeScatter: { value: 0.5, unit: 'probability', why: 'More likely than not.', source: ours },
	windMps: { value: 3, unit: 'm/s', why: 'Less does not carry a landing aside.', source: ours },
	windDeg: { value: 45, unit: '°', why: 'Downwind, as far as an offset tells its direction.', source: ours },
	mostMore: { value: 15, unit: 'landings', why: 'More is not a test but a habit.', source: ours },
} as const;
