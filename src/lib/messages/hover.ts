import { area } from './message';

const FLY_LEG = 'Fly 10 m straight ahead in self-level, stick forward only, then fly the same leg back.';
export const LAND = 'Switch to self-level, land, disarm, disconnect.';
export const CALIBRATE = `${LAND} Move away from metal and calibrate the compass again.`;

/** Hover: findings by code. */
export const hover = area('hover', {
	'free-drift': { text: 'The aircraft hardly drifts without position hold.' },
	'wind-not-entered': ({ movedM, speedMps }: { movedM: number; speedMps: number }, show) => ({
		text: `Drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}. Without the wind, air and trim cannot be separated.`,
		next: 'Enter the wind, or hover again with the nose turned by half a turn.',
	}),
	'drifts-beyond-wind': ({ movedM, speedMps, remedy }: { movedM: number; speedMps: number; remedy: string }, show) => ({
		text: `Drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}, faster than this wind.`,
		next: remedy,
	}),
	'drifts-across-wind': ({ movedM, speedMps, remedy }: { movedM: number; speedMps: number; remedy: string }, show) => ({
		text: `Drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}, not in the direction of this wind.`,
		next: remedy,
	}),
	'free-drift#freeDrift': ({ movedM, speedMps }: { movedM: number; speedMps: number }, show) => ({
		text: `Drifted ${show.length(movedM, 0)} at ${show.speed(speedMps, 1)}, with the wind entered.`,
	}),
	'insufficient-duration': ({ seenS }: { seenS: number }) => ({
		text: `${seenS.toFixed(0)} s of position hold is too short to show circling.`,
		next: 'Hover for one minute, hands off.',
	}),
	'no-position-hold': { text: 'Aircraft moved away in a straight line. Position was not held.', next: LAND },
	'compass-error': ({
		sense,
		compassErrorDeg,
		compassErrorSigmaDeg,
	}: {
		sense: null | string;
		compassErrorDeg: number;
		compassErrorSigmaDeg: number;
	}) => ({
		text: `Aircraft circles ${sense === 'ccw' ? 'to the left' : 'to the right'}. Compass reads about ${Math.abs(compassErrorDeg).toFixed(0)}° ± ${compassErrorSigmaDeg.toFixed(0)}° too far ${compassErrorDeg > 0 ? 'clockwise' : 'anticlockwise'}.`,
		next: CALIBRATE,
	}),
	'turns-one-way': ({
		compassErrorDeg,
		compassErrorSigmaDeg,
	}: {
		compassErrorDeg: number;
		compassErrorSigmaDeg: number;
	}) => ({
		text: `Motion turns one way more than the other. Compass error found is small, ${Math.abs(compassErrorDeg).toFixed(0)}° ± ${compassErrorSigmaDeg.toFixed(0)}°.`,
		next: 'Fly straight ahead for 5 to 10 m in self-level and compare course and heading, or hover again for two minutes.',
	}),
	'no-circling': ({ excludedAboveDeg }: { excludedAboveDeg: number }) => ({
		text: `No circling found. Compass errors above about ${excludedAboveDeg.toFixed(0)}° are excluded, smaller ones are not.`,
	}),
	'bubble-wide': { text: 'Aircraft wanders widely.', next: 'Compare with the wind; check the fix.' },
	'bubble-small': { text: 'Hold radius is small by the logged track; the true one is larger.' },
	drifting: { text: 'Aircraft drifts in position hold.', next: LAND },
	'not-drifting': { text: 'Mean position does not move.' },
	'level-trim': ({ why }: { why: string }) => ({
		text: `Level trim error is likely: ${why}.`,
		next: 'Check the level calibration.',
	}),
	'log-gap': ({ gapS, seenS }: { gapS: number; seenS: number }) => ({
		text: `The log has a gap of ${gapS.toFixed(1)} s; ${seenS.toFixed(0)} s of the hover were logged.`,
	}),
	'fix-jump': ({ jumps }: { jumps: number }) => ({
		text: `Position jumped ${jumps} times.`,
		next: 'Wait for more satellites.',
	}),
	'weak-fix': { text: 'Position fix is noisy.', next: 'Wait for more satellites under open sky.' },
	'fix-smooth': { text: 'Position fix is smooth.' },
	'height-oscillation': {
		text: 'Height oscillates regularly.',
		next: 'Reduce the altitude-hold gains one step at a time.',
	},
	'height-wander': { text: 'Height wanders.', next: 'Shield the pressure sensor from airflow.' },
	'no-heights': {
		text: 'The log has no heights. Altitude hold is not judged.',
		next: 'Log the height too, or watch the height by eye.',
	},
	'height-held': { text: 'Altitude held.' },
	'sticks-moved': { text: 'Sticks were moved during the hover.', next: 'Repeat the hover hands off.' },
	'insufficient-duration#seen': {
		text: 'The hover was not watched long enough to tell circling from a gust.',
		next: 'Watch a hover of one minute.',
	},
	'insufficient-marks': {
		text: 'Too few marks to show that the hover was watched to the end.',
		next: 'Tap what the aircraft does whenever asked, at least once in the second half.',
	},
	'compass-error#straightLeg': ({ compassErrorDeg }: { compassErrorDeg: number }) => ({
		text: `Course differs from the nose direction. Compass reads ${compassErrorDeg > 0 ? 'too far clockwise' : 'too far anticlockwise'}.`,
		next: 'Land, move away from metal, and calibrate the compass again.',
	}),
	'leg-loose': ({ clear, both }: { clear: number; both: boolean }) => ({
		text: `This leg excludes only compass errors above about ${clear.toFixed(0)}°.`,
		next: both ? 'Fly a longer leg.' : 'Fly the same leg back to cancel the wind.',
	}),
	'leg-straight': ({ clear }: { clear: number }) => ({
		text: `Course agrees with the nose direction. Compass errors above about ${clear.toFixed(0)}° are excluded.`,
	}),
	unsteady: ({ shows, remedy }: { shows: string; remedy: string }) => ({ text: shows, next: remedy }),
	'held-its-place': { text: 'Position held.' },
	'attitude-held': { text: 'Attitude held.' },
	trimmed: { text: 'No drift visible by eye.' },
	'air-moves': {
		text: 'Drifts seen do not agree. The air is moving.',
		next: 'Wait for still air, then start again.',
	},
	'redo-zero': {
		text: 'Drift is larger than trim should correct.',
		next: 'Land, set the aircraft on flat ground, zero it, and start from no trim.',
	},
	'not-still': { text: 'Aircraft still drifts.', next: 'Trim further, click by click.' },
	'insufficient-turn': {
		text: 'The nose was not turned far enough for the second hover.',
		next: 'Repeat with the nose turned by half a turn.',
	},
	'level-trim#twoHovers': {
		text: 'Part of the drift turns with the nose. The level calibration is off.',
		next: 'Check the level on the bench by the half-turn method, then hover again.',
	},
	'trim-small': { text: 'A small part of the drift turns with the nose.' },
	'trim-none': { text: 'No drift turns with the nose beyond the noise. The drift is wind.' },
	'insufficient-samples': ({ n }: { n: number }) => ({
		text: `${n} points are too few.`,
		next: 'Record the whole hover.',
	}),
	'insufficient-duration#review': ({ T }: { T: number }) => ({
		text: `${T.toFixed(1)} s is too short.`,
		next: 'Hover for one minute.',
	}),
	'insufficient-rate': { text: 'Position points are too far apart in time.', next: 'Log positions at 5 Hz.' },
	'insufficient-motion': {
		text: 'The track does not move at all. The log is frozen.',
		next: 'Log the position during a hover.',
	},
	'insufficient-hover': { text: 'This track is a flight, not a hover.', next: 'Cut the hover out of the log.' },
	'circling-seen': ({ circlingProbability, shown }: { circlingProbability: number; shown: string }) => ({
		text: `Circling is ${circlingProbability >= 0.5 ? 'likely' : 'possible'}, ${shown}.`,
		next: 'Land. Check the satellites, then the compass, before using position hold again.',
	}),
	'no-position-hold#seen': {
		text: 'Aircraft crept one way. Position was not held.',
		next: 'Check that position hold was on, and check the GPS lock.',
	},
	'circling-mark': { text: 'Circling was marked.', next: 'Hover again and watch for a full minute.' },
	'weak-fix-possible': {
		text: 'A weak fix can cause circling too, in about one hover in ten.',
		next: 'Check satellites and position scatter before the compass.',
	},
	'hold-loose': { text: 'Aircraft moved farther than the limit.', next: 'Check GPS lock and wind, then hover again.' },
	'drift-not-explained': {
		text: 'Aircraft drifted; direction not recorded.',
		next: 'Release the sticks for a few seconds and note the drift, with the nose in two directions.',
	},
	'persons-differ': {
		text: 'One person saw circling, another did not. The worse observation counts.',
		next: 'Hover again, from two sides.',
	},
	'turn-and-repeat': {
		text: 'With the nose in one direction, wind and trim cannot be separated.',
		next: 'Turn the nose by half a turn, let the aircraft settle, and release the sticks again.',
	},
	short: { text: 'Hover watched for less than one minute.', next: 'Watch a hover of one minute.' },
	inattentive: {
		text: 'Long gaps between the marks.',
		next: 'Tap what the aircraft does whenever asked, also “still”.',
	},
	'no-distance': { text: 'Farthest distance not recorded.', next: 'Enter the farthest distance in steps.' },
	'wind-not-noted': { text: 'Wind not recorded.', next: 'Record what the wind does to trees and flags.' },
	'large-errors-only': {
		text: 'A hover by eye excludes large compass errors only.',
		next: 'Check the compass by a known bearing, a straight leg or its calibration.',
	},
	'views-left-out': ({ leftOut }: { leftOut: number }) => ({
		text: `${leftOut === 1 ? 'One observation is' : `${leftOut} observations are`} left out: too short or too few marks.`,
	}),
	excluded: ({ excludedAboveDeg }: { excludedAboveDeg: number }) => ({
		text: `Compass errors above ${excludedAboveDeg.toFixed(0)}° are excluded.`,
	}),
	'insufficient-leg': {
		text: 'Leg too short.',
		next: FLY_LEG,
	},
	'insufficient-speed': {
		text: 'Leg flown too slowly.',
		next: FLY_LEG,
	},
	'insufficient-turn#straightLeg': {
		text: 'Second leg not flown back along the first.',
		next: FLY_LEG,
	},
});
