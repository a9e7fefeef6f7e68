const ours = 'Winglogos, from simulated watchers';

/** Thresholds of a hover judged by eye. */
export const seenLimits = {
	leastS: { value: 20, unit: 's', why: 'A shorter watch does not tell a circle from a gust.', source: ours },
	mostS: { value: 120, unit: 's', why: 'Longer watching tells hardly more.', source: ours },
	leastMarks: { value: 3, unit: 'marks', why: 'Fewer do not show that somebody watched.', source: ours },
	gapS: { value: 20, unit: 's', why: 'Who is asked every fifteen seconds answers within this.', source: ours },
	fullS: { value: 60, unit: 's', why: 'From a minute on, watching longer changes little.', source: ours },
	circling: { value: 0.2, unit: 'probability', why: 'One hover in five like this circles.', source: ours },
	mostly: { value: 0.35, unit: 'of the time', why: 'Circling is the state, not an episode.', source: ours },
	oneSense: { value: 0.8, unit: 'of the circling', why: 'A compass error turns one way.', source: ours },
	creepShare: { value: 0.5, unit: 'of the time', why: 'One way for half of the hover is not holding.', source: ours },
	creepM: { value: 4, unit: 'm', why: 'Farther than any lock wanders in a minute.', source: ours },
	noseApartDeg: { value: 70, unit: '°', why: 'Trim turns with the nose, wind does not.', source: ours },
	trimMps: { value: 0.4, unit: 'm/s', why: 'A level this far off is trimmed out.', source: ours },
	windMps: { value: 0.5, unit: 'm/s', why: 'Air that moves an aircraft.', source: ours },
} as const;

/** Angles of a compass error and of the aircraft's own edge, degrees: where they are worked out, and what is expected. */
export const LATENT = {
	error: { from: -90, to: 90, step: 5, sigma: 25 },
	edge: {
		from: 27,
		to: 75,
		step: 4,
		mix: [
			{ share: 0.85, mean: 43, sigma: 6 },
			{ share: 0.15, mean: 60, sigma: 7 },
		],
	},
} as const;

/** How inattentive a watcher is taken to be: usually, and with a gap between marks. */
export const ATTENTION = { usual: 0.15, gap: 0.4 } as const;

/** What watchers mark, by how far the error lies beyond the aircraft's edge (degrees) and how long they watched (seconds). */
export const SEEN_TABLE = {
	beyondDeg: [-40, -25, -15, -7.5, -2.5, 2.5, 7.5, 15, 25, 40],
	forS: [20, 30, 60, 120],
	none: [
		[0.97, 0.97, 0.95, 0.87, 0.47, 0.1, 0.07, 0.11, 0.29, 0.5],
		[0.93, 0.93, 0.91, 0.78, 0.34, 0.05, 0.02, 0.02, 0.05, 0.1],
		[0.86, 0.83, 0.79, 0.56, 0.19, 0.02, 0.01, 0.01, 0.01, 0.01],
		[0.76, 0.75, 0.65, 0.4, 0.1, 0.02, 0.01, 0.01, 0.01, 0.01],
	],
	mostly: [
		[0.01, 0.01, 0.02, 0.06, 0.36, 0.74, 0.69, 0.47, 0.26, 0.14],
		[0.03, 0.03, 0.05, 0.13, 0.52, 0.9, 0.93, 0.88, 0.68, 0.47],
		[0.05, 0.05, 0.08, 0.23, 0.71, 0.97, 0.98, 0.98, 0.98, 0.97],
		[0.03, 0.05, 0.1, 0.33, 0.81, 0.98, 0.98, 0.98, 0.98, 0.98],
	],
	rightSense: [0.5, 0.62, 0.8, 0.93, 0.965, 0.96, 0.96, 0.96, 0.96, 0.96],
	periodS: [10, 10, 10, 7.7, 5.7, 7.6, 8.6, 9.9, 11.5, 12.9],
	periodSigma: [0.6, 0.6, 0.5, 0.35, 0.35, 0.3, 0.3, 0.3, 0.3, 0.3],
	/** ln of the largest distance, metres: well within the edge by time watched, beyond it by degrees. */
	within: [0.13, 0.27, 0.5, 0.7],
	outsideDeg: [2.5, 7.5, 15, 25, 40],
	outside: [2, 2.38, 2.75, 3.1, 3.5],
	distanceSigma: 0.6,
	leastSome: 0.005,
	/** A period named by a watcher is off by this, ln. */
	toldPeriod: 0.3,
} as const;
