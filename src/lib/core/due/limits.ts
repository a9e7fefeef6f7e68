/** Thresholds of what makes a calibration due: value, unit, why, source. */
export const dueLimits = {
	distanceKm: {
		value: 80,
		unit: 'km',
		why: 'Far away the field is another one; some makers say 50 miles, some pilots 50 km.',
		source: "Practice: maker's advice as told, 50 miles",
	},
	heightM: {
		value: 305,
		unit: 'm',
		why: 'A thousand feet up or down is told with the distance rule.',
		source: "Practice: maker's advice as told, 1000 ft",
	},
	headingShiftDeg: {
		value: 3,
		unit: '°',
		why: 'What an offset left over from the old place would now turn the heading by.',
		source: 'Winglogos default, from the field model at both places',
	},
	accelerometerKm: {
		value: 48,
		unit: 'km',
		why: 'A long journey shakes; thirty miles is told for the inertial sensors.',
		source: "Practice: maker's advice as told, 30 miles",
	},
	temperatureC: {
		value: 20,
		unit: '°C',
		why: 'Offsets of small inertial sensors move with the temperature.',
		source: 'Winglogos default',
	},
} as const;

/** Offset that a good calibration may leave behind: its effect on the heading is what a change of field costs. */
export const TYPICAL_LEFTOVER_UT = 1.5;
