const ours = 'Winglogos, from simulated flights';

/** Constants of the flight-time estimate. */
export const flightTimeLimits = {
	leastMin: { value: 1, unit: 'min', why: 'A shorter flight is mostly take-off and landing.', source: ours },
	leastUsedPct: { value: 5, unit: '%', why: 'Less is lost in what the measuring is off.', source: ours },
	mostUsedPct: {
		value: 115,
		unit: '%',
		why: 'More than a pack holds was never used: a unit or a pack is wrong.',
		source: ours,
	},
	outlierLn: {
		value: 1,
		unit: '',
		why: 'Nearly three times the usual rate is another aircraft or a slip.',
		source: ours,
	},
	outlierFlights: { value: 4, unit: 'flights', why: 'Fewer do not say what is usual.', source: ours },
	newest: { value: 40, unit: 'flights', why: 'Older flights tell of older packs.', source: ours },
	countSigma: { value: 0.02, unit: 'ln', why: 'A counter of charge, flight by flight.', source: ours },
	countCommonMah: { value: 0.03, unit: 'ln', why: 'A counter’s own error, the same in every flight.', source: ours },
	countCommonWh: { value: 0.02, unit: 'ln', why: 'The same of one that counts energy.', source: ours },
	restSigma: {
		value: Math.hypot(0.05, 0.02),
		unit: 'of charge',
		why: 'Charge read by rest volts, before and after.',
		source: ours,
	},
	spread: {
		value: 0.15,
		unit: 'ln',
		why: 'Flights of one aircraft differ by this, as far as nobody measured it.',
		source: ours,
	},
	spreadWorth: { value: 4, unit: 'flights', why: 'What that prior weighs.', source: ours },
	packSpread: { value: 0.06, unit: 'ln', why: 'Packs of one print differ by this.', source: ours },
	priorFromPower: { value: 0.3, unit: 'ln', why: 'A hover power told, against what a flight takes.', source: ours },
	priorBlind: { value: 1, unit: 'ln', why: 'Nothing is known of the aircraft.', source: ours },
	blindRate: { value: 5, unit: '% per min', why: 'Twenty minutes: the middle of small aircraft.', source: ours },
	levelSigma: { value: 0.02, unit: 'of charge', why: 'Where an alarm really sounds.', source: ours },
	rungSigma: { value: 0.17, unit: 'of its minutes', why: 'A rung takes longer or shorter than planned.', source: ours },
	enough: { value: 0.9, unit: 'probability', why: 'One day in ten it may run short, no more.', source: ours },
	shortestTimerMin: {
		value: 2,
		unit: 'min',
		why: 'A shorter flight proves nothing and lands in a hurry.',
		source: ours,
	},
	fewFlights: { value: 3, unit: 'flights', why: 'Fewer say little of how they differ.', source: ours },
	fullPct: {
		value: 95,
		unit: '%',
		why: 'Tests are flown on a full pack.',
		source: 'Practice: full packs for test flights',
	},
	coldC: { value: 10, unit: '°C', why: 'Below this a pack gives less.', source: ours },
	alarmPct: { value: 30, unit: '%', why: 'Where most aircraft warn.', source: 'Practice: 30 % alarm, 10 % land' },
	landPct: { value: 20, unit: '%', why: 'What a pack is landed with.', source: 'Winglogos default' },
	knownShare: {
		value: 0.7,
		unit: 'of its prior',
		why: 'A slope is called known once its deviation is below this.',
		source: ours,
	},
} as const;

/** ln of real over printed capacity: at 20 °C and new, per 10 °C colder, per hundred cycles; middle and deviation. */
export const CAPACITY_PRIOR = {
	mean: [-0.03, 0.06, -0.08],
	sigma: [0.05, 0.04, 0.06],
	/** Of one flight that was counted and read by rest volts, over its used share. */
	flightSigma: 0.054,
} as const;
