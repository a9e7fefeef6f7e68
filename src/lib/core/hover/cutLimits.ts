const ours = 'Winglogos default, tried on simulated flights';

/** What is a hover and what is not, when a flight is cut. */
export const cutLimits = {
	windowS: { value: 15, unit: 's', why: 'Shorter than this is a pause, not a hover.', source: ours },
	stillM: { value: 10, unit: 'm', why: 'A place held badly is still a place held.', source: ours },
	creepMps: { value: 0.5, unit: 'm/s', why: 'Faster than this in one direction it is on its way.', source: ours },
	circleM: { value: 60, unit: 'm', why: 'A compass far off circles as wide as this.', source: ours },
	turnDeg: {
		value: 200,
		unit: '°',
		why: 'Out and back turns by half a circle, a circling hover by more.',
		source: ours,
	},
	wandersMps: { value: 0.5, unit: 'm/s', why: 'Slower than this its direction is that of the noise.', source: ours },
	netShare: {
		value: 0.75,
		unit: 'of its extent',
		why: 'What goes round comes back; what leaves does not.',
		source: ours,
	},
	riseM: { value: 4, unit: 'm', why: 'More is a climb or a descent.', source: ours },
	groundM: { value: 0.7, unit: 'm', why: 'Lower than this it stands.', source: ours },
	leastClimbM: { value: 2, unit: 'm', why: 'A track of one height alone says nothing of the ground.', source: ours },
	climbMps: { value: 0.4, unit: 'm/s', why: 'Slower than this is the height hold at work.', source: ours },
	climbOverS: { value: 4, unit: 's', why: 'Over less, the noise of the height is a climb.', source: ours },
	leastS: { value: 2, unit: 's', why: 'A moment between two is part of one of them.', source: ours },
	alone: { value: 0.85, unit: 'of the track', why: 'The rest is its own settling.', source: ours },
} as const;
