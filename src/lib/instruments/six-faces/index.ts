import { ACCEL_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { recipeOf } from './parts';
import { samples } from './samples';

export const sixFaces: Instrument = {
	id: 'six-faces',
	title: 'Six faces',
	group: 'Sensors',
	does: 'Offsets and scales of the accelerometer from poses held still; what they mean for level.',
	calls: 'accelerometer IMU calibration poses level drift faces belly nose tail',
	opening: 'Bring a log of the aircraft held still on its faces',
	caution: 'Propellers off where the motors could start. Hold a large aircraft with two hands: it topples.',
	method: [
		'Still windows of at least a second are found in the stream; a face is the axis within 30° of down. Offsets and scales by weighted least squares of |M(f − o)| − g, a weak prior keeping sane what the poses do not determine.',
		'Six-position test, IEEE Std 1293. Level error: what the raw sensor calls level against what the corrected one does.',
	],
	sensor: 'accelerometer',
	needsSite: true,
	coach: { plan: ({ recipe }) => recipeOf(recipe), faults: ['accelOff'] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes, in m/s² or g. No marks are needed: the poses are found.',
		roles: ACCEL_LOG,
		complete: hasColumns(['t', 'ax', 'ay', 'az']),
	},
	fields,
	samples,
};
