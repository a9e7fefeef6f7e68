import { area } from './message';

const TURN_MORE = 'Turn it about all three axes: level, on its nose, on a side, upside down.';

/** Compass: findings by code. */
export const compass = area('compass', {
	'heading-varies': {
		text: 'The error changes with the heading: the compass is bent by something on board or near.',
		next: 'Calibrate it by turning, away from metal, and check again.',
	},
	'heading-turned': ({ quarters }: { quarters: number }) => ({
		text: `It is turned by ${quarters === 2 || quarters === -2 ? 'half a turn' : `a quarter to the ${quarters > 0 ? 'right' : 'left'}`}: the mounting setting is wrong.`,
		next: 'Look where the arrow on the compass points, and correct the setting.',
	}),
	declination: {
		text: 'Declination is left out: the error is as large as it is here.',
		next: 'Let the aircraft know its place, or correct the declination setting.',
	},
	'declination#twice': {
		text: 'Declination is applied twice: the error is as large as it is here.',
		next: 'Let the aircraft know its place, or correct the declination setting.',
	},
	'heading-off': {
		text: 'It shows headings that are off by the same everywhere.',
		next: 'Check how straight the compass is mounted, and the bearing itself.',
	},
	'heading-right': { text: 'The heading agrees with what is known.' },
	'one-direction': {
		text: 'Only one direction was checked: a bent compass may be right there and wrong across.',
		next: 'Turn the nose a quarter and a half round and check there too.',
	},
	'insufficient-samples': {
		text: 'There are too few readings.',
		next: 'Record twenty seconds from idle to hover power and back.',
	},
	'insufficient-load': {
		text: 'The load hardly changed, so its effect does not show.',
		next: 'Go from idle to hover power and back, held down by a proper stand.',
	},
	'insufficient-load#interference': {
		text: 'The load rose with time only: drift and load cannot be told apart.',
		next: 'Go up and down twice.',
	},
	'insufficient-stillness': {
		text: 'The readings moved for another reason than the load.',
		next: 'Hold the aircraft still on its stand, away from steel, and repeat.',
	},
	'held-still': { text: 'Beside the load nothing moved the readings.' },
	'interference-strong': {
		text: 'In the hover the motors turn the heading.',
		next: 'Move the compass away from power leads, twist plus and minus together, measure again.',
	},
	interference: {
		text: 'In the hover the motors turn the heading a little.',
		next: 'Raise the compass on a mast, or let the autopilot correct for current.',
	},
	'interference-small': { text: 'The motors hardly move the heading.' },
	'insufficient-samples#pair': {
		text: 'There are too few readings to compare.',
		next: 'Turn the aircraft through all poses while both are recorded.',
	},
	'insufficient-coverage': {
		text: 'The aircraft was not turned enough to compare its compasses.',
		next: 'Turn it level, nose-up and on a side.',
	},
	'compasses-disagree': {
		text: 'The two compasses disagree over the turn.',
		next: 'Calibrate both again, away from steel; if it stays, one of them is disturbed by what is next to it.',
	},
	'compasses-differ': { text: 'The two compasses differ a little.', next: 'Calibrate both in one turning.' },
	'compasses-agree': { text: 'The two compasses agree over the whole turn.' },
	'heading-uncertain': { text: 'The turning does not fix the heading well enough.', next: TURN_MORE },
	'heading-loose': { text: 'The heading is known, but more turning would fix it better.', next: TURN_MORE },
	'heading-known': { text: 'The heading is fixed by the turning.' },
	'field-implausible': {
		text: "The strength found is not that of the Earth's field: check the unit of the readings.",
		next: 'Say which unit the readings have, or name the site.',
	},
	'field-plausible': { text: "The strength found could be the Earth's field; no site was given to compare with." },
	'field-off-site': ({ fieldUt, totalUt }: { fieldUt: number; totalUt: number }) => ({
		text: `This place is disturbed, or the sensor is scaled wrongly: ${fieldUt.toFixed(1)} µT found, ${totalUt.toFixed(1)} µT by the model.`,
		next: 'Go away from metal, walls and vehicles, and turn again.',
	}),
	'field-as-model': { text: 'The strength agrees with the model for this place.' },
	'residual-large': ({ residualUt }: { residualUt: number }) => ({
		text: `${`Residual ${residualUt.toFixed(2)} µT`}: the readings do not fit one compass in one field.`,
		next: 'Move away from metal and keep still what is not the aircraft, then turn again.',
	}),
	'residual-raised': ({ residualUt }: { residualUt: number }) => ({
		text: `${`Residual ${residualUt.toFixed(2)} µT`}: noisy, or something magnetic moved.`,
		next: 'Repeat it further from metal.',
	}),
	'residual-small': ({ residualUt }: { residualUt: number }) => ({
		text: `${`Residual ${residualUt.toFixed(2)} µT`}: the readings fit an ellipsoid closely.`,
	}),
	'soft-iron-implausible': { text: 'The fit stretches one axis more than any airframe does.', next: TURN_MORE },
	'gains-apart': {
		text: 'The three gains are not near one another: look for iron near the sensor.',
		next: 'Look at what is mounted near the compass.',
	},
	'gains-near': { text: 'The three gains are near one another.' },
	'too-many-spikes': ({ count }: { count: number }) => ({
		text: `${count} readings do not belong to the rest.`,
		next: 'Move away from metal and turn again.',
	}),
	'many-spikes': ({ count }: { count: number }) => ({
		text: `${count} readings were set aside as spikes.`,
		next: 'Repeat it further from metal.',
	}),
	'few-spikes': ({ count }: { count: number }) => ({ text: `${count} readings were set aside as spikes.` }),
	'side-unseen': { text: 'A whole side was never turned into the field.', next: TURN_MORE },
	'sides-seen': { text: 'No large side was left out.' },
	'dip-spread': {
		text: 'The dip changes with the pose: calibration or mounting is not right yet.',
		next: 'Check the mounting, then turn again.',
	},
	'dip-steady': { text: 'The dip stays the same in every pose.' },
	'dip-off-site': ({ dipDeg, expectedDeg, nextWords }: { dipDeg: number; expectedDeg: number; nextWords: string }) => ({
		text: `${`Dip ${dipDeg.toFixed(1)}° found, ${expectedDeg.toFixed(1)}° by the model`}: this place is disturbed or the calibration is wrong.`,
		next: nextWords,
	}),
	'dip-differs': ({ dipDeg, expectedDeg, nextWords }: { dipDeg: number; expectedDeg: number; nextWords: string }) => ({
		text: `${`Dip ${dipDeg.toFixed(1)}° found, ${expectedDeg.toFixed(1)}° by the model`}.`,
		next: nextWords,
	}),
	'dip-as-model': ({ dipDeg, expectedDeg }: { dipDeg: number; expectedDeg: number }) => ({
		text: `${`Dip ${dipDeg.toFixed(1)}° found, ${expectedDeg.toFixed(1)}° by the model`}.`,
	}),
	'mounting-unclear': { text: 'The turning does not tell which way the compass is mounted.', next: TURN_MORE },
	'mounting-found': ({
		everyOf,
		named,
		named2,
		named3,
	}: {
		everyOf: boolean;
		named: number;
		named2: number;
		named3: number;
	}) => ({
		text: everyOf
			? 'The compass points the way of the airframe.'
			: `The compass is mounted turned: yaw ${named}°, pitch ${named2}°, roll ${named3}°. The aircraft's setting must say so.`,
	}),
	'insufficient-samples#review': ({ n }: { n: number }) => ({
		text: `${n} readings are too few to fit a compass.`,
		next: 'Record at least ten seconds while turning.',
	}),
	'insufficient-variation': ({ TURNMORE }: { TURNMORE: string }) => ({
		text: 'All readings are alike: the aircraft was not turned.',
		next: TURNMORE,
	}),
	'insufficient-coverage#review': ({ TURNMORE }: { TURNMORE: string }) => ({
		text: 'No ellipsoid goes through these readings.',
		next: TURNMORE,
	}),
	'insufficient-turning': ({ TURNMORE }: { TURNMORE: string }) => ({
		text: 'The readings are a cloud, not the shell that a turned compass draws.',
		next: TURNMORE,
	}),
	'insufficient-coverage#review2': ({ TURNMORE }: { TURNMORE: string }) => ({
		text: 'The readings lie in one plane: turned about one axis only, the offset across it stays unseen.',
		next: TURNMORE,
	}),
	'insufficient-coverage#review3': ({ TURNMORE }: { TURNMORE: string }) => ({
		text: 'The turning leaves part of the calibration open: turns about one or two axes are not enough.',
		next: TURNMORE,
	}),
	'mounting-as-set': ({ wordsOf }: { wordsOf: string }) => ({
		text: `Compass mounted as its setting says: ${wordsOf}.`,
	}),
	'mounting-axes-unclear': ({ wordsOf }: { wordsOf: string }) => ({
		text: `Log axes agree with the airframe; the setting is ${wordsOf}. The setting is OK only if the log shows the axes after it.`,
		next: 'Check the displayed heading against a known bearing.',
	}),
	'mounting-differs': ({ wordsOf, wordsOf2, stated }: { wordsOf: string; wordsOf2: string; stated: boolean }) => ({
		text: `Compass is mounted at ${wordsOf}; the setting in force is ${wordsOf2}${stated ? '' : ' (not stated)'}.`,
		next: 'Set the compass orientation, restart the aircraft, record the setting, and turn the compass again.',
	}),
	'insufficient-still': { text: 'Stand still for five seconds.', next: 'Hold the aircraft still and level.' },
	'site-as-model': ({ strengthUt, totalUt }: { strengthUt: number; totalUt: number }) => ({
		text: `The field is as it should be: ${`${strengthUt.toFixed(1)} µT here, ${totalUt.toFixed(1)} µT by the model`}.`,
	}),
	'site-unproved': ({ strengthUt, totalUt }: { strengthUt: number; totalUt: number }) => ({
		text: `${`${strengthUt.toFixed(1)} µT here, ${totalUt.toFixed(1)} µT by the model`}: the sensor has no accepted calibration, so this may be its own offset. The turning will tell.`,
		next: 'Turn the compass; the strength found then is the place.',
	}),
	'site-disturbed': ({ strengthUt, totalUt }: { strengthUt: number; totalUt: number }) => ({
		text: `This place bends the field: ${`${strengthUt.toFixed(1)} µT here, ${totalUt.toFixed(1)} µT by the model`}.`,
		next: 'Step twenty paces away from metal, vehicles and walls and check again.',
	}),
	'site-restless': {
		text: 'The field swings while the aircraft is still: a current or something moving.',
		next: 'Step twenty paces away from metal, vehicles and walls and check again.',
	},
	'site-quiet': { text: 'The field stands still.' },
	'site-dip-off': ({ dipDeg, inclinationDeg }: { dipDeg: number; inclinationDeg: number }) => ({
		text: `${`Dip ${dipDeg.toFixed(1)}° here, ${inclinationDeg.toFixed(1)}° by the model`}.`,
		next: 'Step twenty paces away from metal, vehicles and walls and check again.',
	}),
	'site-dip-differs': ({ dipDeg, inclinationDeg }: { dipDeg: number; inclinationDeg: number }) => ({
		text: `${`Dip ${dipDeg.toFixed(1)}° here, ${inclinationDeg.toFixed(1)}° by the model`}.`,
		next: 'Step twenty paces away from metal, vehicles and walls and check again.',
	}),
	'site-dip-as-model': ({ dipDeg, inclinationDeg }: { dipDeg: number; inclinationDeg: number }) => ({
		text: `${`Dip ${dipDeg.toFixed(1)}° here, ${inclinationDeg.toFixed(1)}° by the model`}.`,
	}),
	'steel-here': {
		text: 'Iron lies on this ground.',
		next: 'Keep the turning and the take-off away from the marked place.',
	},
	uneven: { text: 'The field is uneven in one place.', next: 'Turn the compass where the map is even.' },
	even: { text: 'The field is even over the whole walk.' },
	'no-clean-ground': { text: 'Most of this ground is disturbed.', next: 'Look for another place.' },
	'strength-off': {
		text: 'The usual strength here is not that of the model: the sensor’s own offset, or the whole place.',
		next: 'Compare with a calibrated compass.',
	},
	'setting-right': { text: 'The setting is how it is mounted.' },
	'setting-wrong': ({ words }: { words: string }) => ({
		text: words,
		next: 'Enter it, restart, and check the heading against a bearing that you know.',
	}),
	'mounted-tilted': {
		text: 'It is mounted tilted: the order of the angles counts, and not every setting takes them.',
		next: 'Mount it flat where that is possible.',
	},
	'insufficient-samples#survey': {
		text: 'There are too few readings.',
		next: 'Carry the sensor one way up at knee height and walk the whole place, a line every two metres.',
	},
	'insufficient-walk': {
		text: 'The walk covers too little ground.',
		next: 'Carry the sensor one way up at knee height and walk the whole place, a line every two metres.',
	},
});
