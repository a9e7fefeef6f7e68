import { area } from './message';

const NEXT = 'Look whether the sensor is read at all: turn it by hand and watch the figures.';

/** Inertial: findings by code. */
export const inertial = area('inertial', {
	'insufficient-poses': ({ againOf }: { againOf: string }) => ({
		text: 'No pose was held still for a second.',
		next: againOf,
	}),
	'unit-implausible': {
		text: 'At rest the readings are far from gravity: check the unit.',
		next: 'Say whether the readings are in m/s² or in g.',
	},
	'surface-in-it': {
		text: 'One hold: the surface was taken for level, and its tilt is in the offsets.',
		next: 'Turn it half round on the same spot and measure with “Level trim”, or hold all six faces.',
	},
	'insufficient-faces': ({ faceWordsOf, againOf }: { faceWordsOf: string; againOf: string }) => ({
		text: `Not held still: ${faceWordsOf} down.`,
		next: againOf,
	}),
	'faces-by-recipe': ({ faceWordsOf, againOf }: { faceWordsOf: string; againOf: string }) => ({
		text: `By this recipe it was never held ${faceWordsOf} down: that axis rests on what sensors usually are.`,
		next: againOf,
	}),
	'six-faces': { text: 'All six faces were held still.' },
	'scale-implausible': {
		text: 'At rest the readings are far from gravity.',
		next: 'Check the unit of the readings and the sensor.',
	},
	'residual-large': { text: 'The poses do not fit one gravity.', next: 'Repeat it on a still surface.' },
	'residual-raised': {
		text: 'The poses fit gravity loosely: one was moved.',
		next: 'Repeat the pose that shook most.',
	},
	'residual-untested': ({ poses }: { poses: number }) => ({
		text: `${poses} poses fit any gravity: their fit proves nothing. Hold one or two more, between faces, to test it.`,
	}),
	'residual-small': { text: 'The poses fit gravity closely.' },
	'offset-loose': { text: 'The offsets are known loosely.', next: 'Hold each face longer and stiller.' },
	'offset-known': { text: 'The offsets are known.' },
	'level-was-off': ({ level }: { level: number }) => ({
		text: `Uncorrected it took a tilt of ${level.toFixed(1)}° for level; these values put it right.`,
	}),
	'level-was-near': { text: 'Uncorrected it was nearly level already.' },
	'insufficient-variation': { text: 'No reading differs from another: a frozen log.', next: NEXT },
	'axis-frozen': ({ names }: { names: readonly string[] }) => ({
		text: `Axis ${names.join(' and ')} never changes.`,
		next: NEXT,
	}),
	'log-gap': ({ longestS }: { longestS: number }) => ({ text: `The log has a gap of ${longestS.toFixed(0)} s.` }),
	'insufficient-samples': ({ n }: { n: number }) => ({
		text: `${n} samples are too few.`,
		next: 'Record a minute at rest.',
	}),
	'insufficient-duration': ({ T }: { T: number }) => ({
		text: `${T.toFixed(1)} s are too short.`,
		next: 'Record a minute at rest.',
	}),
	moved: {
		text: 'It was moved while it should have been at rest.',
		next: 'Set it on firm ground, hands off, and record again.',
	},
	'at-rest': { text: 'It was at rest.' },
	'bias-large': { text: 'The bias at rest is large.', next: 'Let it settle, then calibrate the gyro at rest.' },
	'bias-small': { text: 'The bias at rest is small.' },
	drifting: { text: 'The bias still moves: it is warming up.', next: 'Wait some minutes after power-on.' },
	settled: { text: 'The bias stands still.' },
	'insufficient-level': {
		text: 'This reading is not of an aircraft at rest on its belly.',
		next: 'Stand it on its feet, leave it alone for five seconds, read again.',
	},
	'surface-unknown': {
		text: 'Measured once: the surface’s own tilt is still in it.',
		next: 'Turn the aircraft by half a turn on the same spot and measure again.',
	},
	'surface-steep': {
		text: 'The surface is steep; the half-turn took it out.',
		next: 'Find a flatter place if the two spots were not the same.',
	},
	'surface-known': { text: 'The surface’s tilt was taken out.' },
	'insufficient-stillness': { text: 'The reading shakes too much for a trim.', next: 'Leave it alone for longer.' },
	'reading-steady': { text: 'The reading is steady.' },
	'level-off': ({ words }: { words: string }) => ({
		text: `At the attitude wanted it reads ${words}.`,
		next: 'Enter the trim, or calibrate the level by the maker’s routine, and measure again.',
	}),
	'level-right': { text: 'At the attitude wanted it reads level.' },
	'insufficient-level-flight': {
		text: 'Too little of this flight is straight and level.',
		next: 'Fly straight legs at one height and one speed, half a minute in all, and bring that log.',
	},
	'flight-rough': {
		text: 'Gusts leave the attitude of level flight loose.',
		next: 'Fly longer legs, or in calmer air.',
	},
	'flight-smooth': { text: 'The legs agree with one another.' },
	'level-off-in-flight': ({
		signedOf,
		signedOf2,
		whole,
		STEPDEG,
	}: {
		signedOf: string;
		signedOf2: string;
		whole: boolean;
		STEPDEG: number;
	}) => ({
		text: 'Straight and level does not read as wanted.',
		next: `Enter roll ${signedOf}, pitch ${signedOf2}${whole ? '' : ` first, at most ${STEPDEG}° at a time`}, and fly the legs again.`,
	}),
	'level-right-in-flight': { text: 'Straight and level reads as wanted.' },
	'mounting-oblique': {
		text: 'The gestures lie between two mountings: the board may be mounted at another angle.',
		next: 'Repeat the gestures more squarely, or enter the angle by hand.',
	},
	'mounting-found': ({ wordsOf }: { wordsOf: string }) => ({ text: wordsOf }),
	'gestures-agree': { text: 'Nose-up and right-down agree.' },
	'insufficient-duration#pressure': {
		text: 'The log is too short to show noise and drift.',
		next: 'Record half a minute at rest.',
	},
	'pressure-noisy': {
		text: 'The pressure height is noisy.',
		next: 'Cover the sensor with open foam, away from light and wash.',
	},
	'pressure-quiet': { text: 'The pressure height is quiet.' },
	'pressure-drifts': {
		text: 'The pressure height drifts.',
		next: 'Let it warm up; shade it; the weather moves it too.',
	},
	'pressure-steady': { text: 'The pressure height does not drift.' },
	'pressure-disturbed': {
		text: 'Throttle or wind moves the pressure height.',
		next: 'Foam over the sensor, and record again: before and after can be compared.',
	},
	'pressure-undisturbed': { text: 'Throttle or wind hardly moves the pressure height.' },
	'insufficient-samples#vibration': ({ n }: { n: number }) => ({
		text: `${n} samples are too few.`,
		next: 'Record ten seconds with the motors running.',
	}),
	'insufficient-rate': ({ rate }: { rate: number }) => ({
		text: `At ${rate.toFixed(0)} samples a second no rotor can be seen.`,
		next: 'Log the accelerometer faster.',
	}),
	'insufficient-rate#vibration': ({ rate, rotorHz }: { rate: number; rotorHz: number }) => ({
		text: `At ${rate.toFixed(0)} samples a second a rotor at ${rotorHz.toFixed(0)} Hz cannot be seen.`,
		next: 'Log the accelerometer faster.',
	}),
	'insufficient-unit': ({ steady }: { steady: number }) => ({
		text: `Its mean is ${steady.toFixed(2)}, as of a log in g; in m/s² gravity leaves 9.8.`,
		next: 'Say that the log is in g, or log in m/s².',
	}),
	'gravity-not-seen': ({ steady }: { steady: number }) => ({
		text: `Its mean is ${steady.toFixed(1)} m/s²; gravity leaves 9.8.`,
		next: 'Check the unit of the log.',
	}),
	'vibration-large': {
		text: 'It shakes too much to trust height and attitude.',
		next: 'Balance propellers, look for a loose arm, a bent shaft or a hard mount.',
	},
	'vibration-raised': {
		text: 'It shakes more than it should.',
		next: 'Balance propellers, look for a loose arm, a bent shaft or a hard mount.',
	},
	'vibration-small': { text: 'It shakes little.' },
	clipping: {
		text: 'The accelerometer reaches the end of its range.',
		next: 'Balance propellers, look for a loose arm, a bent shaft or a hard mount.',
	},
	'no-clipping': { text: 'The accelerometer stays within its range.' },
	'strongest-peak': ({ hz, axis, likely }: { hz: number; axis: string; likely: string }) => ({
		text: `The strongest peak is at ${hz.toFixed(1)} Hz on ${axis}${likely === 'unknown' ? '' : `: ${likely}`}.`,
	}),
	'setting-right': ({ words }: { words: string }) => ({ text: words }),
	'setting-wrong': ({ words }: { words: string }) => ({
		text: words,
		next: 'Enter it, restart the aircraft, and repeat the three gestures.',
	}),
	'insufficient-reading': {
		text: 'A gesture has no reading: at rest a sensor feels gravity.',
		next: 'Hold each gesture still and record it again.',
	},
	'insufficient-tilt': {
		text: 'A gesture hardly differs from level.',
		next: 'Lift the nose, and lower the right side, by at least thirty degrees.',
	},
	mirrored: {
		text: 'The right-down gesture contradicts the nose-up one: an axis is mirrored, or a gesture was done the other way.',
		next: 'Repeat the gestures: nose up, then right side down.',
	},
	contradictory: { text: 'The gestures contradict each other.', next: 'Repeat them one by one, from level each time.' },
});
