/** What a session is made by. */
export const sessionLimits = {
	storedDays: {
		value: 45,
		unit: 'days',
		why: 'Packs lose charge, grass and insects move in, and hands forget.',
		source: 'Winglogos default',
	},
} as const;
