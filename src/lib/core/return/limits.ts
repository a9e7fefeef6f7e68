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
} as const;
