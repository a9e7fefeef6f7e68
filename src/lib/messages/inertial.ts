import { area } from './message';

const BALANCE = 'Balance the propellers; check for a loose arm, a bent shaft or a hard mount.';
const NEXT = 'Turn the sensor by hand and watch whether the values change.';

/** Inertial: findings by code. */
export const inertial = area('inertial', {
	'insufficient-poses': ({ again }: { again: string }) => ({
		text: 'No pose was held still for one second.',
		next: again,
	}),
	'unit-implausible': {
		text: 'Readings at rest are far from gravity. Check the unit.',
		next: 'State whether the readings are in m/s² or in g.',
	},
	'surface-in-it': {
		text: 'One pose only. The surface was assumed level, so its tilt is in the offsets.',
		next: 'Turn the aircraft by half a turn on the same spot and measure with “Level trim”, or hold all six faces.',
	},
	'insufficient-faces': ({ faces, again }: { faces: string; again: string }) => ({
		text: `Not held still with ${faces} down.`,
		next: again,
	}),
	'faces-by-recipe': ({ faces, again }: { faces: string; again: string }) => ({
		text: `This routine never holds ${faces} down. That axis uses typical sensor values.`,
		next: again,
	}),
	'six-faces': { text: 'All six faces held still.' },
	'scale-implausible': {
		text: 'Readings at rest are far from gravity.',
		next: 'Check the unit of the readings and the sensor.',
	},
	'residual-large': { text: 'Poses do not fit one value of gravity.', next: 'Repeat on a still surface.' },
	'residual-raised': {
		text: 'Poses fit gravity loosely. One pose was moved.',
		next: 'Repeat the pose that shook most.',
	},
	'residual-untested': ({ poses }: { poses: number }) => ({
		text: `${poses} poses fit any gravity, so the fit proves nothing. Hold one or two more poses between faces.`,
	}),
	'residual-small': { text: 'Poses fit gravity closely.' },
	'offset-loose': { text: 'Offsets are loosely determined.', next: 'Hold each face longer and more still.' },
	'offset-known': { text: 'Offsets are determined.' },
	'level-was-off': ({ level }: { level: number }) => ({
		text: `Without correction a tilt of ${level.toFixed(1)}° reads as level. These values correct it.`,
	}),
	'level-was-near': { text: 'Level was nearly OK without correction.' },
	'insufficient-variation': { text: 'All readings are equal. The log is frozen.', next: NEXT },
	'axis-frozen': ({ names }: { names: readonly string[] }) => ({
		text: `Axis ${names.join(' and ')} never changes.`,
		next: NEXT,
	}),
	'log-gap': ({ longestS }: { longestS: number }) => ({ text: `The log has a gap of ${longestS.toFixed(0)} s.` }),
	'insufficient-samples': ({ n }: { n: number }) => ({
		text: `${n} samples are too few.`,
		next: 'Record one minute at rest.',
	}),
	'insufficient-duration': ({ T }: { T: number }) => ({
		text: `${T.toFixed(1)} s is too short.`,
		next: 'Record one minute at rest.',
	}),
	moved: {
		text: 'The aircraft moved during the recording.',
		next: 'Set the aircraft on firm ground, hands off, and record again.',
	},
	'at-rest': { text: 'Aircraft at rest.' },
	'bias-large': { text: 'Gyro bias at rest is large.', next: 'Let the gyro settle, then calibrate it at rest.' },
	'bias-small': { text: 'Gyro bias at rest is small.' },
	drifting: { text: 'Gyro bias still changes. The sensor is warming up.', next: 'Wait some minutes after power-on.' },
	settled: { text: 'Gyro bias is steady.' },
	'insufficient-level': {
		text: 'This reading is not from an aircraft at rest and upright.',
		next: 'Stand the aircraft on its feet, leave it for five seconds, then read again.',
	},
	'surface-unknown': {
		text: 'Measured once. The tilt of the surface is included.',
		next: 'Turn the aircraft by half a turn on the same spot and measure again.',
	},
	'surface-steep': {
		text: 'The surface is steep; the half turn removed its tilt.',
		next: 'Choose a flatter place if the two spots were not the same.',
	},
	'surface-known': { text: 'Surface tilt removed.' },
	'insufficient-stillness': { text: 'Reading too unsteady for a trim.', next: 'Leave the aircraft still for longer.' },
	'reading-steady': { text: 'Reading is steady.' },
	'level-off': ({ words }: { words: string }) => ({
		text: `At the wanted attitude the display reads ${words}.`,
		next: 'Enter the trim, or calibrate the level by the maker’s routine, and measure again.',
	}),
	'level-right': { text: 'At the wanted attitude the display reads level.' },
	'insufficient-level-flight': {
		text: 'Too little of this flight is straight and level.',
		next: 'Fly straight legs at one height and one speed, half a minute in total, and import that log.',
	},
	'flight-rough': {
		text: 'Gusts leave the attitude of level flight uncertain.',
		next: 'Fly longer legs, or in calmer air.',
	},
	'flight-smooth': { text: 'Legs agree with one another.' },
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
		text: 'Straight and level flight does not read level.',
		next: `Enter roll ${signedOf}, pitch ${signedOf2}${whole ? '' : ` first, at most ${STEPDEG}° at a time`}, and fly the legs again.`,
	}),
	'level-right-in-flight': { text: 'Straight and level flight reads level.' },
	'mounting-oblique': {
		text: 'Gestures lie between two mountings. The board may be mounted at another angle.',
		next: 'Repeat the gestures more squarely, or enter the angle by hand.',
	},
	'mounting-found': ({ axes }: { axes: string }) => ({ text: axes }),
	'gestures-agree': { text: 'Nose-up and right-down gestures agree.' },
	'insufficient-duration#pressure': {
		text: 'Log too short to show noise and drift.',
		next: 'Record half a minute at rest.',
	},
	'pressure-noisy': {
		text: 'Pressure altitude is noisy.',
		next: 'Cover the sensor with open foam, away from light and propeller wash.',
	},
	'pressure-quiet': { text: 'Pressure altitude is quiet.' },
	'pressure-drifts': {
		text: 'Pressure altitude drifts.',
		next: 'Let the sensor warm up and shade it. Weather changes it too.',
	},
	'pressure-steady': { text: 'Pressure altitude does not drift.' },
	'pressure-disturbed': {
		text: 'Throttle or wind changes the pressure altitude.',
		next: 'Cover the sensor with foam, record again, and compare before and after.',
	},
	'pressure-undisturbed': { text: 'Throttle and wind hardly change the pressure altitude.' },
	'insufficient-samples#vibration': ({ n }: { n: number }) => ({
		text: `${n} samples are too few.`,
		next: 'Record ten seconds with the motors running.',
	}),
	'insufficient-rate': ({ rate }: { rate: number }) => ({
		text: `${rate.toFixed(0)} samples per second is too slow to show a rotor.`,
		next: 'Log the accelerometer faster.',
	}),
	'insufficient-rate#vibration': ({ rate, rotorHz }: { rate: number; rotorHz: number }) => ({
		text: `${rate.toFixed(0)} samples per second is too slow to show a rotor at ${rotorHz.toFixed(0)} Hz.`,
		next: 'Log the accelerometer faster.',
	}),
	'insufficient-unit': ({ steady }: { steady: number }) => ({
		text: `Mean is ${steady.toFixed(2)}, as in a log in g; gravity is 9.8 in m/s².`,
		next: 'State that the log is in g, or log in m/s².',
	}),
	'gravity-not-seen': ({ steady }: { steady: number }) => ({
		text: `Mean is ${steady.toFixed(1)} m/s²; gravity is 9.8 m/s².`,
		next: 'Check the unit of the log.',
	}),
	'vibration-large': {
		text: 'Vibration too strong to trust altitude and attitude.',
		next: BALANCE,
	},
	'vibration-raised': {
		text: 'Vibration above the limit.',
		next: BALANCE,
	},
	'vibration-small': { text: 'Vibration is low.' },
	clipping: {
		text: 'Accelerometer reaches the end of its range.',
		next: BALANCE,
	},
	'no-clipping': { text: 'Accelerometer stays within its range.' },
	'strongest-peak': ({ hz, axis, likely }: { hz: number; axis: string; likely: string }) => ({
		text: `Strongest peak at ${hz.toFixed(1)} Hz on ${axis}${likely === 'unknown' ? '' : `, likely ${likely}`}.`,
	}),
	'setting-right': ({ words }: { words: string }) => ({ text: words }),
	'setting-wrong': ({ words }: { words: string }) => ({
		text: words,
		next: 'Enter the mounting, restart the aircraft, and repeat the three gestures.',
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
