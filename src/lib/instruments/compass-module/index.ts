import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const compassModule: Instrument = {
	id: 'compass-module',
	title: 'Compass mounting',
	group: 'Compass',
	does: 'The setting for a compass module, from where its arrow points, whether it is flipped, and how it is tilted.',
	calls: 'compass module orientation arrow flipped upside down tilted mast gps rotation setting yaw roll pitch',
	opening: 'Look where the arrow on the compass points, and how the case sits',
	caution: 'Flat is better than tilted: three angles can be entered in the wrong order.',
	method: [
		'The case’s arrow is its x axis, its underside z. Flipped is half a turn about the arrow. R = Rz(yaw)·Ry(pitch)·Rx(roll): tilt about the arrow, then across it, then the turn about the vertical.',
		'Turning the compass with a gyro beside it ranks all 24 right-angle mountings by dm/dt = −ω × m: “Compass” tells which it found. Then check the heading against a bearing that you know.',
	],
	fields,
	samples,
};
