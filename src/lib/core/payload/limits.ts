/** Thresholds of the camera's horizon: value, unit, why, source. */
export const horizonLimits = {
	confidence: {
		value: 0.45,
		unit: '',
		why: 'Below this a line was found that may not be the horizon.',
		source: 'Winglogos default, from drawn and noisy pictures',
	},
	tiltDeg: {
		value: 0.5,
		unit: '°',
		why: 'Half a degree is what an eye begins to see on water.',
		source: 'Winglogos default',
	},
	sigmaDeg: {
		value: 0.5,
		unit: '°',
		why: 'A line known worse than this does not tell a trim.',
		source: 'Winglogos default',
	},
} as const;
