const ours = 'Winglogos, from rendered films';

/** What a film must show before anything is said of it. */
export const filmLimits = {
	minDurationS: { value: 5, unit: 's', why: 'Under five seconds nothing can be told from the start.', source: ours },
	minHoldS: { value: 20, unit: 's', why: 'A turn takes several seconds; under twenty it is no circle.', source: ours },
	gapS: { value: 0.2, unit: 's', why: 'Fewer than five pictures a second lose it.', source: ours },
	longestGapS: { value: 1, unit: 's', why: 'What it did in a longer gap is not known.', source: ours },
	minWidthPx: { value: 5, unit: 'px', why: 'Smaller than this it is a speck.', source: ours },
	minContrast: { value: 5, unit: 'times noise', why: 'It must stand out from what is behind it.', source: ours },
	lost: { value: 0.1, unit: 'of the pictures', why: 'More, and what is followed may be something else.', source: ours },
	likeness: { value: 0.75, unit: 'correlation', why: 'Nine pictures in ten must look like it.', source: ours },
	apart: { value: 0.25, unit: 'correlation', why: 'Nothing else near may look like it.', source: ours },
	apartSmall: { value: 0.12, unit: 'correlation', why: 'A small one has less of its own.', source: ours },
	smallPx: { value: 8, unit: 'px', why: 'Under this the looser bar holds.', source: ours },
	minMotionPx: { value: 0.5, unit: 'px', why: 'What never moves is a mark on the background.', source: ours },
	shakePx: { value: 0.5, unit: 'px rms', why: 'Less than this does no harm.', source: ours },
	mostShakePx: { value: 6, unit: 'px rms', why: 'More cannot be taken out.', source: ours },
	fewPatches: { value: 6, unit: 'patches', why: 'Fewer do not tell the hand from the wind.', source: ours },
	patchShare: { value: 0.5, unit: 'of the patches', why: 'When they disagree the background moves.', source: ours },
	patchFrames: { value: 0.1, unit: 'of the pictures', why: 'Now and then is no harm.', source: ours },
	rimPx: { value: 2, unit: 'px', why: 'Nearer to the rim it is half outside.', source: ours },
	evidence: { value: 6, unit: 'log ratio', why: 'No healthy hover in 180 reached it.', source: ours },
	minErrorDeg: { value: 12, unit: '°', why: 'Less is left to the compass’s own check.', source: ours },
	mostExcludedDeg: {
		value: 60,
		unit: '°',
		why: 'When only larger errors are excluded, hardly any are.',
		source: ours,
	},
	bobbingM: { value: 0.085, unit: 'm', why: 'Less is what the hold does to gusts.', source: ours },
	fShare: {
		value: 0.77,
		unit: 'of the width',
		why: 'A phone’s usual camera, 66° wide.',
		source: 'Usual phone cameras, judged',
	},
	fSigma: { value: 0.15, unit: 'of it', why: 'As far as phones differ.', source: 'Usual phone cameras, judged' },
} as const;
