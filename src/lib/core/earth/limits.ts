/** Thresholds of this area: value, unit, why, source. Verdicts read them and the interface shows them. */
export const earthLimits = {
	minHorizontal: {
		value: 6,
		unit: 'µT',
		why: 'Below this the horizontal field is too weak for a compass to give a heading.',
		source: 'World Magnetic Model 2025, report: caution zone below 6 µT',
	},
} as const;
