import { REST, SETTLE } from '$lib/core/guide/holds';
import { GYRO_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const gyro: Instrument = {
	id: 'gyro',
	title: 'Gyro at rest',
	group: 'Sensors',
	does: 'Bias, noise, how long it stays put, and whether it was moved.',
	calls: 'gyroscope still settle allan deviation bias drift warm-up rate turn',
	opening: 'Bring a log of the aircraft left alone for a minute',
	method: [
		'Mean; overlapping Allan deviation (IEEE Std 952); white noise from its −½ slope, bias instability from its floor ÷ 0.664; moved or not by a robust test of pieces.',
	],
	sensor: 'gyro',
	coach: { plan: ({ how }) => (how === SETTLE.id ? SETTLE : REST), faults: [] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three gyro axes, in rad/s or °/s: half a minute at rest, a minute is better.',
		roles: GYRO_LOG,
		complete: hasColumns(['t', 'gx', 'gy', 'gz']),
	},
	fields,
	samples,
};
