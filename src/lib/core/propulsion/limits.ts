/** Thresholds of packs and balance: value, unit, why, source. */
export const powerLimits = {
	spreadMv: {
		value: 30,
		unit: 'mV',
		why: 'Cells of a healthy pack at rest lie closer than this.',
		source: 'Winglogos default',
	},
	spreadFailMv: {
		value: 100,
		unit: 'mV',
		why: 'The weakest cell ends the flight while the others still look full.',
		source: 'Winglogos default',
	},
	chargeToStartPct: {
		value: 90,
		unit: '%',
		why: 'Tests are flown on a full pack.',
		source: 'Practice: full packs for test flights',
	},
	resistancePerCellMohm: {
		value: 15,
		unit: 'mΩ',
		why: 'Above this the voltage sags under load and warnings come early.',
		source: 'Winglogos default; small packs have more',
	},
	healthPct: {
		value: 80,
		unit: '%',
		why: 'A pack that holds less than this of what is printed on it is retired by most.',
		source: 'Practice: four fifths of the rated capacity',
	},
	coldC: {
		value: 10,
		unit: '°C',
		why: 'Below this the pack gives less and sags more: warm it before the flight.',
		source: 'Winglogos default',
	},
	reservePct: {
		value: 20,
		unit: '%',
		why: 'Less reserve leaves nothing for wind on the way home.',
		source: 'Winglogos default',
	},
	actPct: {
		value: 10,
		unit: '%',
		why: 'Acting later than this leaves no time to come down.',
		source: 'Practice: 30 % alarm, 10 % land',
	},
	fewestTrend: { value: 3, unit: 'measurements', why: 'A line needs more than two points.', source: 'Winglogos rule' },
} as const;

/** Share of its rated capacity that a lithium pack gives at a temperature, relative to 25 °C. */
export const COLD_CAPACITY: readonly (readonly [number, number])[] = [
	[-20, 0.6],
	[-10, 0.75],
	[0, 0.87],
	[10, 0.94],
	[25, 1],
	[60, 1],
];
