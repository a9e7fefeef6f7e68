import { area } from './message';

const DECLINATION = 'Wait for a position fix, or correct the declination setting.';
const WALK_IT = 'Carry the sensor one way up at knee height and walk the whole place, a line every two metres.';
const STEP_AWAY = 'Walk twenty paces away from metal, vehicles and walls, then check again.';
const TURN_MORE = 'Rotate the aircraft about all three axes: level, nose down, on its side, upside down.';

/** Compass: findings by code. */
export const compass = area('compass', {
	'heading-varies': {
		text: 'Heading error changes with the heading. Iron on board or nearby disturbs the compass.',
		next: 'Calibrate the compass away from metal, then check again.',
	},
	'heading-turned': ({ quarters }: { quarters: number }) => ({
		text: `Heading is off by ${quarters === 2 || quarters === -2 ? 'half a turn' : `a quarter turn to the ${quarters > 0 ? 'right' : 'left'}`}. The mounting setting is wrong.`,
		next: 'Check which way the arrow on the compass points and correct the setting.',
	}),
	declination: {
		text: 'Declination is left out. The error equals the declination here.',
		next: DECLINATION,
	},
	'declination#twice': {
		text: 'Declination is applied twice. The error equals the declination here.',
		next: DECLINATION,
	},
	'heading-off': {
		text: 'Heading is off by the same amount in every direction.',
		next: 'Check that the compass is mounted straight, and check the bearing.',
	},
	'heading-right': { text: 'Displayed heading agrees with the known bearings.' },
	'one-direction': {
		text: 'Only one direction was checked. A disturbed compass can be OK there and wrong at right angles.',
		next: 'Turn the nose a quarter turn and a half turn, and check there too.',
	},
	'insufficient-samples': {
		text: 'Too few readings.',
		next: 'Record twenty seconds from idle to hover power and back.',
	},
	'insufficient-load': {
		text: 'Motor load hardly changed, so its effect cannot be measured.',
		next: 'Go from idle to hover power and back, held down by a proper stand.',
	},
	'insufficient-load#interference': {
		text: 'Motor load only rose with time. Drift and load cannot be separated.',
		next: 'Raise and lower the throttle twice.',
	},
	'insufficient-stillness': {
		text: 'Readings changed for a reason other than motor load.',
		next: 'Hold the aircraft still on its stand, away from steel, and repeat.',
	},
	'held-still': { text: 'Only motor load changed the readings.' },
	'interference-strong': {
		text: 'Motor current turns the heading in a hover.',
		next: 'Move the compass away from power leads, twist plus and minus together, then measure again.',
	},
	interference: {
		text: 'Motor current turns the heading slightly in a hover.',
		next: 'Raise the compass on a mast, or let the autopilot correct for current.',
	},
	'interference-small': { text: 'Motor current hardly changes the heading.' },
	'insufficient-samples#pair': {
		text: 'Too few readings to compare.',
		next: 'Turn the aircraft through all poses while recording both compasses.',
	},
	'insufficient-coverage': {
		text: 'The aircraft was not turned enough to compare its compasses.',
		next: 'Turn it level, nose-up and on a side.',
	},
	'compasses-disagree': {
		text: 'The two compasses disagree.',
		next: 'Calibrate both again, away from steel. If they still disagree, look for iron next to one of them.',
	},
	'compasses-differ': { text: 'The two compasses differ slightly.', next: 'Calibrate both in one session.' },
	'compasses-agree': { text: 'The two compasses agree over the full turn.' },
	'heading-uncertain': { text: 'Rotation does not determine the heading well enough.', next: TURN_MORE },
	'heading-loose': { text: 'Heading is determined; more rotation would improve it.', next: TURN_MORE },
	'heading-known': { text: 'Rotation determines the heading.' },
	'field-implausible': {
		text: 'Field strength is not that of the Earth. Check the unit of the readings.',
		next: 'State the unit of the readings, or choose the site.',
	},
	'field-plausible': { text: 'Field strength is plausible for the Earth. No site given to compare with.' },
	'field-off-site': ({ fieldUt, totalUt }: { fieldUt: number; totalUt: number }) => ({
		text: `Field strength ${fieldUt.toFixed(1)} µT, model ${totalUt.toFixed(1)} µT. This place is disturbed or the sensor scale is wrong.`,
		next: 'Move away from metal, walls and vehicles, then rotate again.',
	}),
	'field-as-model': { text: 'Field strength agrees with the model for this place.' },
	'residual-large': ({ residualUt }: { residualUt: number }) => ({
		text: `Residual ${residualUt.toFixed(2)} µT. Readings do not fit one compass in one field.`,
		next: 'Move away from metal, keep everything but the aircraft still, then rotate again.',
	}),
	'residual-raised': ({ residualUt }: { residualUt: number }) => ({
		text: `Residual ${residualUt.toFixed(2)} µT. Readings are noisy, or something magnetic moved.`,
		next: 'Repeat farther from metal.',
	}),
	'residual-small': ({ residualUt }: { residualUt: number }) => ({
		text: `Residual ${residualUt.toFixed(2)} µT. Readings fit an ellipsoid.`,
	}),
	'soft-iron-implausible': { text: 'The fit stretches one axis more than any airframe can.', next: TURN_MORE },
	'gains-apart': {
		text: 'The three axis gains differ. Iron near the sensor is likely.',
		next: 'Check what is mounted near the compass.',
	},
	'gains-near': { text: 'The three axis gains agree.' },
	'too-many-spikes': ({ count }: { count: number }) => ({
		text: `${count} readings are outliers.`,
		next: 'Move away from metal and rotate again.',
	}),
	'many-spikes': ({ count }: { count: number }) => ({
		text: `${count} readings rejected as spikes.`,
		next: 'Repeat farther from metal.',
	}),
	'few-spikes': ({ count }: { count: number }) => ({ text: `${count} readings rejected as spikes.` }),
	'side-unseen': { text: 'One side was never turned toward the field.', next: TURN_MORE },
	'sides-seen': { text: 'All sides were turned toward the field.' },
	'dip-spread': {
		text: 'Inclination changes with the pose. Calibration or mounting is wrong.',
		next: 'Check the mounting, then rotate again.',
	},
	'dip-steady': { text: 'Inclination is the same in every pose.' },
	'dip-off-site': ({ dipDeg, expectedDeg, nextWords }: { dipDeg: number; expectedDeg: number; nextWords: string }) => ({
		text: `Inclination ${dipDeg.toFixed(1)}°, model ${expectedDeg.toFixed(1)}°. This place is disturbed or the calibration is wrong.`,
		next: nextWords,
	}),
	'dip-differs': ({ dipDeg, expectedDeg, nextWords }: { dipDeg: number; expectedDeg: number; nextWords: string }) => ({
		text: `Inclination ${dipDeg.toFixed(1)}°, model ${expectedDeg.toFixed(1)}°.`,
		next: nextWords,
	}),
	'dip-as-model': ({ dipDeg, expectedDeg }: { dipDeg: number; expectedDeg: number }) => ({
		text: `Inclination ${dipDeg.toFixed(1)}°, model ${expectedDeg.toFixed(1)}°.`,
	}),
	'mounting-unclear': { text: 'Rotation does not show which way the compass is mounted.', next: TURN_MORE },
	'mounting-found': ({
		aligned,
		yawDeg,
		pitchDeg,
		rollDeg,
	}: {
		aligned: boolean;
		yawDeg: number;
		pitchDeg: number;
		rollDeg: number;
	}) => ({
		text: aligned
			? 'Compass axes agree with the airframe.'
			: `Compass is mounted at yaw ${yawDeg}°, pitch ${pitchDeg}°, roll ${rollDeg}°. The orientation setting must match.`,
	}),
	'insufficient-samples#review': ({ n }: { n: number }) => ({
		text: `${n} readings are too few to fit a compass.`,
		next: 'Record at least ten seconds while rotating.',
	}),
	'insufficient-variation': {
		text: 'All readings are equal. The aircraft was not rotated.',
		next: TURN_MORE,
	},
	'insufficient-coverage#review': {
		text: 'No ellipsoid fits these readings.',
		next: TURN_MORE,
	},
	'insufficient-turning': {
		text: 'Readings form a cloud, not the shell of a rotated compass.',
		next: TURN_MORE,
	},
	'insufficient-coverage#review2': {
		text: 'Readings lie in one plane. Rotation about one axis leaves the offset along it unknown.',
		next: TURN_MORE,
	},
	'insufficient-coverage#review3': {
		text: 'Rotation about one or two axes leaves part of the calibration undetermined.',
		next: TURN_MORE,
	},
	'mounting-as-set': ({ angles }: { angles: string }) => ({
		text: `Compass mounted as its setting says: ${angles}.`,
	}),
	'mounting-axes-unclear': ({ setting }: { setting: string }) => ({
		text: `Log axes agree with the airframe; the setting is ${setting}. The setting is OK only if the log shows the axes after it.`,
		next: 'Check the displayed heading against a known bearing.',
	}),
	'mounting-differs': ({ mounted, setting, stated }: { mounted: string; setting: string; stated: boolean }) => ({
		text: `Compass is mounted at ${mounted}; the setting in force is ${setting}${stated ? '' : ' (not stated)'}.`,
		next: 'Set the compass orientation, restart the aircraft, record the setting, and turn the compass again.',
	}),
	'insufficient-still': {
		text: 'The sensor was not still for five seconds.',
		next: 'Hold the aircraft still and level.',
	},
	'site-as-model': ({ strengthUt, totalUt }: { strengthUt: number; totalUt: number }) => ({
		text: `Field strength ${strengthUt.toFixed(1)} µT agrees with the model, ${totalUt.toFixed(1)} µT.`,
	}),
	'site-unproved': ({ strengthUt, totalUt }: { strengthUt: number; totalUt: number }) => ({
		text: `Field strength ${strengthUt.toFixed(1)} µT, model ${totalUt.toFixed(1)} µT. The sensor has no accepted calibration, so this may be its own offset.`,
		next: 'Calibrate the compass; the strength found then is that of the place.',
	}),
	'site-disturbed': ({ strengthUt, totalUt }: { strengthUt: number; totalUt: number }) => ({
		text: `Field strength ${strengthUt.toFixed(1)} µT, model ${totalUt.toFixed(1)} µT. This place is disturbed.`,
		next: STEP_AWAY,
	}),
	'site-restless': {
		text: 'Field changes while the aircraft is still. A current or moving iron is near.',
		next: STEP_AWAY,
	},
	'site-quiet': { text: 'Field is steady.' },
	'site-dip-off': ({ dipDeg, inclinationDeg }: { dipDeg: number; inclinationDeg: number }) => ({
		text: `Inclination ${dipDeg.toFixed(1)}°, model ${inclinationDeg.toFixed(1)}°.`,
		next: STEP_AWAY,
	}),
	'site-dip-differs': ({ dipDeg, inclinationDeg }: { dipDeg: number; inclinationDeg: number }) => ({
		text: `Inclination ${dipDeg.toFixed(1)}°, model ${inclinationDeg.toFixed(1)}°.`,
		next: STEP_AWAY,
	}),
	'site-dip-as-model': ({ dipDeg, inclinationDeg }: { dipDeg: number; inclinationDeg: number }) => ({
		text: `Inclination ${dipDeg.toFixed(1)}°, model ${inclinationDeg.toFixed(1)}°.`,
	}),
	'steel-here': {
		text: 'Iron is buried or lying at this place.',
		next: 'Calibrate and take off away from the marked place.',
	},
	uneven: { text: 'Field is uneven in one place.', next: 'Calibrate the compass where the map is even.' },
	even: { text: 'Field is even over the walked area.' },
	'no-clean-ground': { text: 'Most of this ground is magnetically disturbed.', next: 'Choose another place.' },
	'strength-off': {
		text: 'Median field strength differs from the model. The cause is the sensor’s own offset or this place.',
		next: 'Compare with a calibrated compass.',
	},
	'setting-right': { text: 'The orientation setting matches the mounting.' },
	'setting-wrong': ({ words }: { words: string }) => ({
		text: words,
		next: 'Enter the orientation, restart, and check the heading against a known bearing.',
	}),
	'mounted-tilted': {
		text: 'The compass is mounted tilted. The order of the angles matters, and some settings do not accept them.',
		next: 'Mount the compass flat if possible.',
	},
	'insufficient-samples#survey': {
		text: 'Too few readings.',
		next: WALK_IT,
	},
	'insufficient-walk': {
		text: 'The walk covers too little ground.',
		next: WALK_IT,
	},
});
