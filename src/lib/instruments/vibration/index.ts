import { ACCEL_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const vibration: Instrument = {
	id: 'vibration',
	title: 'Vibration',
	group: 'Sensors',
	does: 'How much the board shakes, at which rates, and whether the sensor is driven to its end.',
	calls: 'vibration shake spectrum clipping propeller balance motor bearing buzz noise filter peaks',
	opening: 'Bring an accelerometer log of a hover, at 200 Hz or more',
	caution: 'Cracked or loose? Look before the next flight; a buzz that grows means disarm.',
	method: [
		'Welch spectrum: Hann windows, half overlapped. RMS with the mean removed; peaks matched to the rotor’s rate and blade passing; clipped share of samples at the sensor’s end.',
	],
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes of a hover, 200 Hz or more.',
		roles: ACCEL_LOG,
		complete: hasColumns(['t', 'ax', 'ay', 'az']),
	},
	live: ['motion', 'serial'],
	fields,
	samples,
};
