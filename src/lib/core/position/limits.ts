/** Thresholds of the position: value, unit, why, source. Verdicts read them and the interface shows them. */
export const positionLimits = {
	minSatellites: {
		value: 8,
		unit: 'satellites',
		why: 'Below eight the position wanders and one lost satellite shows.',
		source: 'Practice: eight wanted before flying; six is set by some',
	},
	mostSatellites: {
		value: 99,
		unit: 'satellites',
		why: 'A sentence has two digits for the count, and fewer are in view of all systems together.',
		source: 'NMEA 0183',
	},
	samePlaceS: {
		value: 120,
		unit: 's',
		why: 'The place of a receiver wanders by more than its last digit; a held or simulated one does not.',
		source: 'Winglogos default',
	},
	samePlaceM: {
		value: 1.5,
		unit: 'm',
		why: 'The usual error of a plain receiver: a place that never changes tells nothing of its own.',
		source: 'Winglogos default',
	},
	maxHdop: {
		value: 2,
		unit: '',
		why: 'The sky must not be one-sided: above two the same ranging error grows to twice itself on the ground.',
		source: 'Winglogos default',
	},
	holdS: {
		value: 30,
		unit: 's',
		why: 'A lock that has just come may go again; home is the mean over this time.',
		source: 'Winglogos default',
	},
	gapS: {
		value: 5,
		unit: 's',
		why: 'After a silence this long nobody knows whether the lock was held.',
		source: 'Winglogos rule',
	},
	scatter95M: {
		value: 5,
		unit: 'm',
		why: 'A home that wanders more than this is not a place to come back to.',
		source: 'Winglogos default',
	},
	checksumShare: {
		value: 0.02,
		unit: 'of the sentences',
		why: 'More broken lines than this point at the cable, the rate or noise on the line.',
		source: 'Winglogos default',
	},
	slowLockS: {
		value: 120,
		unit: 's',
		why: 'A minute is usual from power-on; twice that is worth a look at the sky and the antenna.',
		source: 'Practice: about one minute',
	},
	linkLoadPct: {
		value: 70,
		unit: '%',
		why: 'A line fuller than this drops sentences when the sky fills.',
		source: 'Winglogos default',
	},
	fewLocks: { value: 3, unit: 'locks', why: 'Fewer do not say what is usual.', source: 'Winglogos rule' },
	warmHours: {
		value: 2,
		unit: 'h',
		why: 'For so long a receiver still knows where the satellites are.',
		source: 'Winglogos default',
	},
} as const;
