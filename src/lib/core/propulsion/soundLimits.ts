/** Thresholds of the motors' sound: value, unit, why, source. */
export const soundLimits = {
	surgePct: {
		value: 1.5,
		unit: '%',
		why: 'Motors of a hover that is steady rise and fall together by less than this, gusts included.',
		source: 'Winglogos default; an earlier good hover of the same aircraft tells better',
	},
	surgeFailPct: {
		value: 5,
		unit: '%',
		why: 'Motors that hunt this far are near a runaway climb, or something on the frame is loose.',
		source: 'Winglogos default',
	},
	ofUsual: {
		value: 2,
		unit: 'times the usual',
		why: 'Twice as unsteady as in an earlier good hover is a change of the aircraft, not of the day.',
		source: 'Winglogos default',
	},
	leastPct: {
		value: 0.5,
		unit: '%',
		why: 'Less than this is not told from one recording to the next.',
		source: 'Simulated recordings',
	},
	toneOffPct: {
		value: 6,
		unit: '%',
		why: 'A hover at another weight, on another pack or in thinner air sounds a few per cent off; more asks for a reason.',
		source: 'Lift grows with the square of the turning rate: 6 % is an eighth of the weight',
	},
	durationS: {
		value: 8,
		unit: 's',
		why: 'Slow surging takes a second or two: some of them must be heard.',
		source: 'Winglogos default',
	},
	alike: {
		value: 0.4,
		unit: 'of 1',
		why: 'Where a moment’s spectrum is less like the others than this, no motors are heard in it: wind and voices stand below.',
		source: 'Simulated recordings of wind alone',
	},
	heardShare: {
		value: 0.6,
		unit: 'of the time',
		why: 'The motors must be heard most of the time.',
		source: 'Winglogos default',
	},
	clippedPct: {
		value: 0.5,
		unit: '%',
		why: 'A microphone at its end adds tones that are none of the aircraft’s.',
		source: 'Winglogos default',
	},
	quietDb: {
		value: -60,
		unit: 'dB of full scale',
		why: 'Below this the recording is mostly the microphone’s own noise.',
		source: 'Winglogos default',
	},
} as const;
