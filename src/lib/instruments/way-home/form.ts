import { choice, form, metres, number, rows, speed } from '../form';
import { ACTIONS } from '../shared/wayHome';

export const fields = form([
	choice('action', 'Without the link it will', ACTIONS, 'return'),
	choice('speedKind', 'Its return speed is held', { ground: 'over the ground', air: 'through the air' }, 'ground'),
	speed('airspeedMax', 'Fastest through the air', 16),
	speed('returnSpeed', 'Return speed', 9),
	speed('climb', 'Climb', 3, 50),
	speed('descent', 'Descent', 1.5, 50),
	number('hoverW', 'Power in the hover', 'W', 210, { min: 1, max: 1e5 }),
	number('cruiseW', 'Power at the return speed', 'W', 230, { min: 1, max: 1e5 }),
	number('climbW', 'Power climbing', 'W', 290, { min: 1, max: 1e5 }),
	number('descentW', 'Power coming down', 'W', 185, { min: 1, max: 1e5 }),
	number('usableWh', 'Pack, usable', 'Wh', 62, { min: 0.1, max: 1e5 }),
	number('usedWh', 'Used so far', 'Wh', 18, { min: 0, max: 1e5 }),
	number('reservePct', 'Reserve', '%', 25, { min: 0, max: 95 }),
	number('bearingDeg', 'The aircraft is from home toward', '°', 62, { min: 0, max: 360 }),
	{ ...metres('distanceM', 'at a distance of', 480, 1e5) },
	metres('heightM', 'and a height of', 25, 5000),
	number('windFrom', 'Wind from', '°', 250, { min: 0, max: 360 }),
	speed('wind', 'Wind', 4),
	speed('gust', 'Gusts', 6, 150),
	metres('returnHeightM', 'Return height', 40),
	metres('minDistanceM', 'Lands where it is, nearer than', 15, 10_000),
	choice('climbFirst', 'It climbs', { yes: 'first', no: 'on the way' }, 'yes'),
	rows(
		'obstacles',
		'Things in the way',
		'a thing',
		[
			number('bearingDeg', 'Toward', '°', 62, { min: 0, max: 360 }),
			metres('distanceM', 'Distance', 120, 1e5),
			metres('heightM', 'Height', 12, 5000),
			metres('widthM', 'Width', 10, 10_000),
		],
		[],
	),
]);
