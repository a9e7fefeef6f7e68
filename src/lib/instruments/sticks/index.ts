import { STICK_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const sticks: Instrument = {
	id: 'sticks',
	title: 'Sticks',
	group: 'Radio',
	does: 'Centre, ends, return, noise and evenness of each stick; the dead band that follows.',
	calls:
		'stick toy trim trims rc not calibrated gimbal centre jitter dead band trim end points calibration transmitter radio gamepad hysteresis',
	opening: 'Move every stick to all its ends, slowly, and let it come back',
	caution: 'Propellers off whenever the aircraft listens to this radio.',
	method: [
		'Rest is a quarter of a second within 2 % of the travel. Centre: median of the rests; hysteresis: rests reached from above less those from below; dead band: 3σ of the jitter + hysteresis. Evenness: a slow sweep against a straight line.',
	],
	sensor: 'radio',
	file: {
		kind: 'table',
		hint: 'CSV with time and up to eight channels, from −1 to 1, in per cent, or as pulse widths about 1500 µs.',
		roles: STICK_LOG,
		complete: hasColumns(['t', 'c1']),
	},
	live: ['gamepad', 'serial'],
	fields,
	samples,
};
