/** Thresholds of sticks, switches and curves: value, unit, why, source. Stick values run from −1 to 1. */
export const radioLimits = {
	linkLossS: {
		value: 4,
		unit: 's',
		why: 'Until it reacts it flies on with the last command it heard.',
		source: 'Practice: within a few seconds',
	},
	centre: {
		value: 0.03,
		unit: 'of travel',
		why: 'A centre further off than this is a command that nobody gave.',
		source: 'Winglogos default',
	},
	hysteresis: {
		value: 0.02,
		unit: 'of travel',
		why: 'Sticks come back to the same place within this; more is wear or dirt.',
		source: 'Winglogos default',
	},
	jitter: {
		value: 0.01,
		unit: 'of travel',
		why: 'Noise at rest above this is felt in the air.',
		source: 'Winglogos default',
	},
	travel: {
		value: 0.95,
		unit: 'of travel',
		why: 'An end that is not reached takes authority away, and may keep the aircraft from arming.',
		source: 'Winglogos default',
	},
	symmetry: {
		value: 0.05,
		unit: 'of travel',
		why: 'One side shorter than the other turns faster one way.',
		source: 'Winglogos default',
	},
	linearity: {
		value: 0.1,
		unit: 'of travel',
		why: 'A steady sweep by hand is even to about a tenth; a larger bend is a worn track.',
		source: 'Winglogos default, judged from hand sweeps in the rig',
	},
	gestureShare: {
		value: 0.6,
		unit: 'of the movement',
		why: 'A gesture that moves two channels alike does not say which one it is.',
		source: 'Winglogos rule',
	},
	gestureTravel: {
		value: 0.3,
		unit: 'of travel',
		why: 'A smaller movement could be a hand brushing the stick.',
		source: 'Winglogos rule',
	},
	switchMargin: {
		value: 0.06,
		unit: 'of travel',
		why: 'A position nearer than this to the edge of its range may fall out with the temperature.',
		source: 'Winglogos default',
	},
} as const;

/** Rest, as seen in a recording: quiet for this long. */
export const REST_S = 0.25;
