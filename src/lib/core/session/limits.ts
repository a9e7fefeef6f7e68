/** What a session is made by. */
export const sessionLimits = {
	storedDays: {
		value: 45,
		unit: 'days',
		why: 'Packs lose charge, grass and insects move in, and hands forget.',
		source: 'Winglogos default',
	},
	rungGust: {
		value: 6,
		unit: 'm/s',
		why: 'Stronger gusts hide what a first hover shows.',
		source: 'Winglogos default',
	},
	wingGust: {
		value: 8,
		unit: 'm/s',
		why: 'A wing flies in more than a rotor hovers in; stronger gusts hide its trim.',
		source: 'Winglogos default',
	},
	inVain: {
		value: 2,
		unit: 'calibrations',
		why: 'What two calibrations of a sensor did not cure, a third will not.',
		source: 'Practice: ask the maker where calibrating does not cure it',
	},
} as const;
