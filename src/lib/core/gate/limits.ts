/** Thresholds of the wind against the return: value, unit, why, source. */
export const windLimits = {
	returnShare: {
		value: 0.8,
		unit: 'of the return speed',
		why: 'The wind at return height is stronger than at the ground, and gusts come on top.',
		source: 'Winglogos default',
	},
} as const;
