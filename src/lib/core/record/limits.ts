/** What a comparison of records counts as. */
export const recordLimits = {
	byChance: {
		value: 0.05,
		unit: 'by chance',
		why: 'A difference that noise alone makes more often than once in twenty is not taken for real.',
		source: 'Fisher 1925, Statistical Methods for Research Workers',
	},
} as const;
