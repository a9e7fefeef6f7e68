import { choice, form, metres, number, speed } from '../form';
import { ACTIONS } from '../shared/wayHome';

const KNOWN = { yes: 'yes', no: 'no', unknown: 'not known' };

export const fields = form([
	choice('venue', 'Where', { outdoors: 'outdoors', indoors: 'indoors' }, 'outdoors'),
	choice('hasPosition', 'It holds its position', { yes: 'yes', no: 'no' }, 'yes'),
	choice('linkLoss', 'Without the link it will', { ...ACTIONS, unknown: 'not known' }, 'return'),
	metres('returnHeightM', 'Return height', 40),
	speed('returnSpeed', 'Return speed', 8),
	speed('descent', 'Descent', 1.5, 50),
	metres('minDistanceM', 'Lands where it is, nearer than', 20, 10_000),
	number('minSatellites', 'Takes home with', 'satellites', 8, { min: 0, max: 100 }),
	choice('armsWithoutFix', 'It arms without a fix', KNOWN, 'no'),
	choice(
		'plausibility',
		'It checks that a return makes sense',
		{ always: 'always', 'link-loss-only': 'on link loss only', off: 'never', unknown: 'not known' },
		'always',
	),
	number('warnPct', 'It warns at', '% left', 30, { min: 0, max: 100 }),
	number('actPct', 'It acts at', '% left', 15, { min: 0, max: 100 }),
	choice('act', 'and then will', { return: 'return', land: 'land', hover: 'hover', nothing: 'do nothing' }, 'land'),
	number('timerS', 'Timer of the radio', 's', null, { min: 0, max: 36_000, optional: true }),
	number('throttleMin', 'Least throttle it may use', '%', null, { min: 0, max: 100, optional: true }),
	number('throttleHover', 'Hovers at', '%', null, { min: 0, max: 100, optional: true }),
	number('throttleMax', 'Most throttle it may use', '%', null, { min: 0, max: 100, optional: true }),
	metres('tallest', 'Tallest thing here', 12),
	{ ...metres('ceiling', 'Ceiling', 0), start: null, optional: true },
	{
		...metres('legal', 'Height allowed here', 120, 10_000),
		optional: true,
		note: 'the local rule, looked up by you',
	},
	speed('wind', 'Wind', 4),
	speed('gust', 'Gusts', 6, 150),
	{ ...metres('testDistance', 'The return is tested at', 60, 1e5), optional: true },
	choice('benchArmed', 'Tested on the bench, armed, propellers off', KNOWN, 'yes'),
	choice('benchDisarmed', 'Tested on the bench, disarmed', KNOWN, 'yes'),
	choice('radioOffInAir', 'Tested in the air with the radio off', KNOWN, 'no'),
	choice('switchInAir', 'Tested in the air by the switch', KNOWN, 'yes'),
	choice('sinceChange', 'Tested since the last change of firmware or settings', KNOWN, 'yes'),
]);
