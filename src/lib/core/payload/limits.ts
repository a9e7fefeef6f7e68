/** What is read of a picture. */
export const pictureLimits = {
	mostPixels: {
		value: 50_000_000,
		unit: 'pixels',
		why: 'Unpacked it takes 200 MB of memory; cameras of pilots have less.',
		source: 'Winglogos default',
	},
	horizonWide: {
		value: 640,
		unit: 'pixels',
		why: 'A finer picture shows grass and waves, a coarser one loses half a degree.',
		source: 'Winglogos, tried on drawn pictures and photos',
	},
} as const;

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

/** Thresholds of spraying, spreading, ceilings and pictures. */
export const payloadLimits = {
	flowPct: {
		value: 5,
		unit: '%',
		why: 'A rate this far off is corrected before the field is done.',
		source: 'Winglogos default; many product labels ask for it',
	},
	flowFailPct: {
		value: 20,
		unit: '%',
		why: 'So far off something is blocked, leaking or set for another nozzle.',
		source: 'Winglogos default',
	},
	blockedPct: {
		value: 70,
		unit: '% of the others',
		why: 'One nozzle this far behind even ones is blocked; a weak pump or air in the line lowers them all.',
		source: 'Winglogos default',
	},
	nozzleCvPct: {
		value: 7,
		unit: '%',
		why: 'Nozzles that differ more leave stripes.',
		source: 'Winglogos default, coefficient of variation',
	},
	meterPct: {
		value: 5,
		unit: '%',
		why: 'A meter further off misleads the tank forecast.',
		source: 'Winglogos default',
	},
	feederPct: {
		value: 5,
		unit: '%',
		why: 'A feeder that turns otherwise than set is fitted or set wrongly.',
		source: 'Winglogos default',
	},
	fanPct: { value: 8, unit: '%', why: 'The swath follows the fan.', source: 'Winglogos default' },
	ceilingSpareM: {
		value: 0.5,
		unit: 'm',
		why: 'A hold indoors wanders by about half a metre, more near a wall.',
		source: 'Winglogos default',
	},
	edgePx: {
		value: 3.5,
		unit: 'px',
		why: 'A focused camera draws an edge over two to three pixels.',
		source: 'Winglogos default, drawn edges of known blur',
	},
	edgeFailPx: { value: 7, unit: 'px', why: 'Wider than this fine detail is lost.', source: 'Winglogos default' },
	fewestEdges: { value: 20, unit: 'edges', why: 'Fewer do not carry a median.', source: 'Winglogos rule' },
	cornerShare: {
		value: 0.3,
		unit: 'of the surface',
		why: 'With features on a third of the surface some are always in sight.',
		source: 'Winglogos default',
	},
	cornerFailShare: {
		value: 0.08,
		unit: 'of the surface',
		why: 'With fewer a downward camera slides.',
		source: 'Winglogos default',
	},
	repetition: {
		value: 0.75,
		unit: 'of itself',
		why: 'A pattern as alike as this one step further lets the hold jump by that step.',
		source: 'Winglogos default',
	},
	brightness: { value: 35, unit: 'of 255', why: 'Below this noise drowns the pattern.', source: 'Winglogos default' },
} as const;
