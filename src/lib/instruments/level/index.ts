import { HALF_TURN } from '$lib/core/guide/holds';
import { MOTION_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const level: Instrument = {
	id: 'level',
	title: 'Level trim',
	group: 'Sensors',
	does: 'What level reads, with the surface’s own tilt taken out by turning the aircraft half round.',
	calls: 'level trim horizon creep lean drift half turn surface wing nose-up attitude offset bubble',
	opening: 'Stand it on a firm surface, read, turn it half round on the spot, read again',
	caution: 'A wing flies a little nose-up: enter its own flying attitude, from its sheet.',
	method: [
		'Measured twice on one surface, turned by half a turn: the sum of both directions of gravity lies along the surface’s normal as the aircraft feels it, whatever the tilt; half the angle between them is the tilt.',
		'roll = atan2(−f_y, −f_z), pitch = asin(f_x/g). One degree pushes sideways with 0.17 m/s²: two metres after five seconds where nothing corrects it.',
	],
	sensor: 'level',
	coach: { plan: () => HALF_TURN, faults: ['accelOff'] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes: stand, turn half round on the spot, stand again. Both stands are found, better still with gyro axes beside them.',
		roles: MOTION_LOG,
		complete: hasColumns(['t', 'ax', 'ay', 'az']),
	},
	fields,
	samples,
};
