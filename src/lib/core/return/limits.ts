/** Thresholds of the way home: value, unit, why, source. Verdicts read them and the interface shows them. */
export const returnLimits = {
	minGroundSpeed: { value: 0.5, unit: 'm/s', why: 'Slower than this it does not come home.', source: 'Winglogos rule' },
	halfCorridor: {
		value: 10,
		unit: 'm',
		why: 'Five metres of position error and five of track error.',
		source: 'Winglogos rule',
	},
	clearanceFail: {
		value: 3,
		unit: 'm',
		why: 'Pressure height drifts by one to three metres in a flight.',
		source: 'Winglogos rule',
	},
	clearanceCaution: { value: 10, unit: 'm', why: 'Heights of obstacles are guessed by eye.', source: 'Winglogos rule' },
	thinMargin: {
		value: 0.05,
		unit: 'of the pack',
		why: 'Less than this above the reserve is eaten by one gust.',
		source: 'Winglogos default',
	},
	gustShare: {
		value: 0.8,
		unit: 'of the return speed',
		why: 'The wind at return height is stronger than at the ground, and gusts come on top.',
		source: 'Winglogos default',
	},
	descentMps: {
		value: 2,
		unit: 'm/s',
		why: 'Faster a rotorcraft falls into its own wash.',
		source: 'Winglogos default; practice: 1 m/s is very safe',
	},
	satellites: {
		value: 8,
		unit: 'satellites',
		why: 'With fewer, home is known badly.',
		source: 'Practice: eight advised',
	},
	warnPct: { value: 25, unit: '%', why: 'A warning must leave time to come home.', source: 'Practice: 30 % alarm' },
	actPct: { value: 10, unit: '%', why: 'An action must leave time to come down.', source: 'Practice: 10 % land' },
	throttleRoomPct: {
		value: 15,
		unit: '%',
		why: 'Gusts and climbing ask for this much more than the hover.',
		source: 'Winglogos default',
	},
} as const;
