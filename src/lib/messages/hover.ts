import { area } from './message';

/** Hover: findings by code. */
export const hover = area('hover', {
	'free-drift': { text: 'Without position hold it hardly drifts.' },
	'wind-not-entered': ({ movedM, speedMps }: { movedM: number; speedMps: number }, show) => ({
		text: `${`It drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}`}: without the wind nobody can say whether the air or the trim did it.`,
		next: 'Enter the wind, or hover again with the nose turned by half a turn.',
	}),
	'drifts-beyond-wind': (
		{ movedM, speedMps, nextWords }: { movedM: number; speedMps: number; nextWords: string },
		show,
	) => ({
		text: `${`It drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}`}, faster than this wind carries it.`,
		next: nextWords,
	}),
	'drifts-across-wind': (
		{ movedM, speedMps, nextWords }: { movedM: number; speedMps: number; nextWords: string },
		show,
	) => ({
		text: `${`It drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}`}, not where this wind blows.`,
		next: nextWords,
	}),
	'free-drift#freeDrift': ({ movedM, speedMps }: { movedM: number; speedMps: number }, show) => ({
		text: `${`It drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}`}, with the wind that was entered.`,
	}),
	'insufficient-duration': ({ seenS }: { seenS: number }) => ({
		text: `${seenS.toFixed(0)} s of position hold cannot show a circle.`,
		next: 'Hover for a minute, hands off.',
	}),
	'no-position-hold': ({ LAND }: { LAND: string }) => ({
		text: 'It travelled straight away: position was not held.',
		next: LAND,
	}),
	'compass-error': ({
		sense,
		compassErrorDeg,
		compassErrorSigmaDeg,
		CALIBRATE,
	}: {
		sense: null | string;
		compassErrorDeg: number;
		compassErrorSigmaDeg: number;
		CALIBRATE: string;
	}) => ({
		text: `It circles ${sense === 'ccw' ? 'to the left' : 'to the right'}: the compass reads about ${Math.abs(compassErrorDeg).toFixed(0)}° ± ${compassErrorSigmaDeg.toFixed(0)}° too far ${compassErrorDeg > 0 ? 'clockwise' : 'anticlockwise'}.`,
		next: CALIBRATE,
	}),
	'turns-one-way': ({
		compassErrorDeg,
		compassErrorSigmaDeg,
	}: {
		compassErrorDeg: number;
		compassErrorSigmaDeg: number;
	}) => ({
		text: `The motion turns one way more than the other, though the compass error found is small: ${Math.abs(compassErrorDeg).toFixed(0)}° ± ${compassErrorSigmaDeg.toFixed(0)}°.`,
		next: 'Fly straight ahead for 5 to 10 m in self-level and compare course and heading, or hover again for two minutes.',
	}),
	'no-circling': ({ excludedAboveDeg }: { excludedAboveDeg: number }) => ({
		text: `No circling found. Compass errors above about ${excludedAboveDeg.toFixed(0)}° are excluded, smaller ones are not.`,
	}),
	'bubble-wide': { text: 'It wanders widely.', next: 'Compare with the wind; look at the fix.' },
	'bubble-small': { text: 'It stays in a small bubble (the logged track: the real one is larger).' },
	drifting: ({ LAND }: { LAND: string }) => ({ text: 'It drifts though it should hold its place.', next: LAND }),
	'not-drifting': { text: 'The mean does not move.' },
	'level-trim': ({ why }: { why: string }) => ({
		text: `Level trim is likely: ${why}.`,
		next: 'Check the level calibration.',
	}),
	'log-gap': ({ gapS, seenS }: { gapS: number; seenS: number }) => ({
		text: `The log has a gap of ${gapS.toFixed(1)} s; ${seenS.toFixed(0)} s of the hover are in it.`,
	}),
	'fix-jump': ({ jumps }: { jumps: number }) => ({
		text: `The fix jumped ${jumps} times.`,
		next: 'Wait for more satellites.',
	}),
	'weak-fix': { text: 'The fix is noisy.', next: 'Wait for more satellites under open sky.' },
	'fix-smooth': { text: 'The fix is smooth.' },
	'height-oscillation': { text: 'It bobs regularly.', next: 'Soften the height loop one step at a time.' },
	'height-wander': { text: 'The height wanders.', next: 'Shield the pressure sensor from wind.' },
	'no-heights': {
		text: 'The log has no heights: altitude hold is not judged.',
		next: 'Log the height too, or watch the height by eye.',
	},
	'height-held': { text: 'The height is held.' },
	'sticks-moved': { text: 'The sticks were moved during the hover.', next: 'Repeat it hands off.' },
	'insufficient-duration#seen': {
		text: 'Nobody watched long enough to tell a circle from a gust.',
		next: 'Watch a hover of a minute.',
	},
	'insufficient-marks': {
		text: 'Too few marks: nothing shows that somebody watched to the end.',
		next: 'Tap what it does whenever asked, one tap at least in the second half.',
	},
	'compass-error#straightLeg': ({ compassErrorDeg }: { compassErrorDeg: number }) => ({
		text: `It flies to one side of where its nose is said to point: the compass reads ${compassErrorDeg > 0 ? 'too far clockwise' : 'too far anticlockwise'}.`,
		next: 'Land, take it away from metal, calibrate the compass again.',
	}),
	'leg-loose': ({ clear, both }: { clear: number; both: boolean }) => ({
		text: `It excludes compass errors above about ${clear.toFixed(0)}° only.`,
		next: both ? 'Fly a longer leg.' : 'Fly the same leg back: the wind falls out.',
	}),
	'leg-straight': ({ clear }: { clear: number }) => ({
		text: `It flies where its nose points; errors above about ${clear.toFixed(0)}° are excluded.`,
	}),
	unsteady: ({ shows, remedy }: { shows: string; remedy: string }) => ({ text: shows, next: remedy }),
	'held-its-place': { text: 'It kept its place.' },
	'attitude-held': { text: 'It kept its attitude.' },
	trimmed: { text: 'It stands still, as far as an eye tells.' },
	'air-moves': {
		text: 'What it did does not fit together: the air moves.',
		next: 'Wait for still air, then begin again.',
	},
	'redo-zero': {
		text: 'It is further off than a trim should take out.',
		next: 'Land, set it on flat ground, zero it, and begin the trim from none.',
	},
	'not-still': { text: 'It does not stand still yet.', next: 'Trim on, click by click.' },
	'insufficient-turn': {
		text: 'The second hover was not turned far enough.',
		next: 'Repeat it with the nose turned by half a turn.',
	},
	'level-trim#twoHovers': {
		text: 'Part of the drift turns with the nose: the level is off.',
		next: 'Check the level on the bench by the half-turn method, then hover again.',
	},
	'trim-small': { text: 'A little of the drift turns with the nose.' },
	'trim-none': { text: 'Nothing of the drift turns with the nose beyond the noise: it is the wind.' },
	'insufficient-samples': ({ n }: { n: number }) => ({
		text: `${n} points are too few.`,
		next: 'Record the whole hover.',
	}),
	'insufficient-duration#review': ({ T }: { T: number }) => ({
		text: `${T.toFixed(1)} s are too short.`,
		next: 'Hover for a minute.',
	}),
	'insufficient-rate': { text: 'The points are too far apart.', next: 'Log positions at 5 Hz.' },
	'insufficient-motion': {
		text: 'The track does not move at all: a frozen log shows nothing.',
		next: 'Log the position while hovering.',
	},
	'insufficient-hover': { text: 'This track is a flight, not a hover.', next: 'Cut the hover out of the log.' },
	'circling-seen': ({ circlingProbability, percentOf }: { circlingProbability: number; percentOf: string }) => ({
		text: `Circling is ${circlingProbability >= 0.5 ? 'likely' : 'possible'}: ${percentOf}.`,
		next: 'Land. Look at the satellites, then at the compass, before it holds its place again.',
	}),
	'no-position-hold#seen': {
		text: 'It crept one way: its place was not held.',
		next: 'Look whether position hold was really on, and at the lock.',
	},
	'circling-mark': { text: 'Circling was marked.', next: 'Hover again and watch for a whole minute.' },
	'weak-fix-possible': {
		text: 'A weak fix circles too: one hover in ten does so with a wandering lock.',
		next: 'Read satellites and scatter before the compass is blamed.',
	},
	'hold-loose': { text: 'It went farther than it should.', next: 'Look at lock and wind, and hover again.' },
	'drift-not-explained': {
		text: 'It drifted, and nobody noted how.',
		next: 'Let go of the sticks for a few seconds, and note which way it creeps, with the nose two ways.',
	},
	'persons-differ': {
		text: 'One person saw it circle, another did not: the worse one counts.',
		next: 'Hover again, from two sides.',
	},
	'turn-and-repeat': {
		text: 'With the nose one way, wind and trim look alike.',
		next: 'Turn it by half, let it settle, and let go again.',
	},
	short: { text: 'It was watched for less than a minute.', next: 'Watch a hover of a minute.' },
	inattentive: {
		text: 'There are long gaps between the marks.',
		next: 'Tap what it does whenever asked, “still” too.',
	},
	'no-distance': { text: 'Nobody said how far it went.', next: 'Say the farthest in steps.' },
	'wind-not-noted': { text: 'The wind was not noted.', next: 'Say what the wind does to trees and flags.' },
	'large-errors-only': {
		text: 'A hover by eye excludes large compass errors only.',
		next: 'Check the compass by a known bearing, a straight leg or its calibration.',
	},
	'views-left-out': ({ leftOut }: { leftOut: number }) => ({
		text: `${leftOut === 1 ? 'One view is' : `${leftOut} views are`} too short or marked too seldom, and left out.`,
	}),
	excluded: ({ excludedAboveDeg }: { excludedAboveDeg: number }) => ({
		text: `Compass errors above ${excludedAboveDeg.toFixed(0)}° are excluded.`,
	}),
	'insufficient-leg': {
		text: 'The leg is too short.',
		next: 'Fly 10 m straight ahead in self-level, stick forward only, then the same leg back.',
	},
	'insufficient-speed': {
		text: 'The leg was flown too slowly.',
		next: 'Fly 10 m straight ahead in self-level, stick forward only, then the same leg back.',
	},
	'insufficient-turn#straightLeg': {
		text: 'The second leg was not flown back the same way.',
		next: 'Fly 10 m straight ahead in self-level, stick forward only, then the same leg back.',
	},
});
