/** Thresholds of the inertial sensors: value, unit, why, source. Verdicts read them and the interface shows them. */
export const inertialLimits = {
	stillS: { value: 1, unit: 's', why: 'A pose shorter than this is a movement that paused.', source: 'Winglogos rule' },
	faceDeg: {
		value: 30,
		unit: '°',
		why: 'A pose further off than this from every face is none of them.',
		source: 'Winglogos rule',
	},
	movedMps2: {
		value: 0.35,
		unit: 'm/s²',
		why: 'Hands and tables shake less; more is a pose that was moved.',
		source: 'Winglogos default',
	},
	residualMps2: {
		value: 0.08,
		unit: 'm/s²',
		why: 'Six still poses fit gravity within this; more is a pose that moved or a sensor that saturates.',
		source: 'Winglogos default',
	},
	residualFailMps2: {
		value: 0.4,
		unit: 'm/s²',
		why: 'With this misfit the values describe the handling, not the sensor.',
		source: 'Winglogos default',
	},
	levelErrorDeg: {
		value: 1,
		unit: '°',
		why: 'One degree is 0.17 m/s² sideways when nothing corrects it.',
		source: 'g·sin(1°)',
	},
	offsetSigmaMps2: {
		value: 0.05,
		unit: 'm/s²',
		why: 'Offsets known worse than this leave a third of a degree of level open.',
		source: 'Winglogos default',
	},
	plausibleScale: {
		value: 0.2,
		unit: 'of gravity',
		why: 'A reading this far off gravity at rest is of another unit or a broken sensor.',
		source: 'Winglogos default',
	},
	gyroRestS: {
		value: 10,
		unit: 's',
		why: 'Ten seconds at rest show bias and white noise.',
		source: 'Winglogos default',
	},
	gyroBiasRadps: {
		value: 0.05,
		unit: 'rad/s',
		why: 'Three degrees a second at rest is more than any settled gyro shows.',
		source: 'Winglogos default',
	},
	gyroDriftRadps: {
		value: 0.005,
		unit: 'rad/s',
		why: 'A bias that still moves this much has not settled.',
		source: 'Winglogos default',
	},
	mountingDeg: {
		value: 25,
		unit: '°',
		why: 'Gestures by hand are right to about this; further off they contradict each other.',
		source: 'Winglogos default',
	},
	vibrationMps2: {
		value: 5,
		unit: 'm/s²',
		why: 'Above this height and attitude estimates begin to suffer.',
		source: 'Winglogos default',
	},
	vibrationFailMps2: {
		value: 15,
		unit: 'm/s²',
		why: 'Above this an estimator follows the shaking.',
		source: 'Winglogos default',
	},
	clippedPct: {
		value: 0.1,
		unit: '%',
		why: 'A clipped sample is a lie to the estimator; a few in a thousand count.',
		source: 'Winglogos default',
	},
	minSamples: { value: 64, unit: 'samples', why: 'Fewer give no spectrum.', source: 'Winglogos rule' },
} as const;
