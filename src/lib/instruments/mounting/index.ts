import { GESTURES } from '$lib/core/guide/holds';
import { ACCEL_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const mounting: Instrument = {
	id: 'mounting',
	title: 'Board mounting',
	group: 'Sensors',
	does: 'How the board sits, from three gestures: which axes are exchanged or reversed.',
	calls: 'board orientation mounting rotation rotated upside down exchanged axes flip arrow yaw 90 180',
	opening: 'Hold it level, then nose up, then right side down, still each time',
	caution: 'Propellers off. After a firmware change always look again: it may have forgotten the mounting.',
	method: [
		'z from level, x from the change when the nose is lifted, y = z × x; the nearest of the 24 right-angle rotations, the runner-up beside it. The right-down gesture must agree.',
	],
	sensor: 'mounting',
	coach: { plan: () => GESTURES, faults: ['boardTurned'] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes in the sensor’s own axes: level, nose up by 30 to 90°, right side down by 30 to 90°, still for two seconds each.',
		roles: ACCEL_LOG,
		complete: hasColumns(['t', 'ax', 'ay', 'az']),
	},
	fields,
	samples,
};
