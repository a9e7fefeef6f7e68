import { STICK_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const order: Instrument = {
	id: 'channel-order',
	title: 'Channel order',
	group: 'Radio',
	does: 'Which channel carries which stick, and which are reversed, from four asked gestures.',
	calls: 'channel map order reversed aileron elevator rudder throttle wrong axis mode stick moves',
	opening: 'Roll right, pitch forward, yaw right, throttle up: one after the other, a second apart',
	caution: 'Propellers off whenever the aircraft listens to this radio.',
	method: [
		'Each gesture goes to the channel that moved most; it must carry three fifths of all that moved. Four gestures, four channels; reversed where the value falls.',
	],
	file: {
		kind: 'table',
		hint: 'CSV with time and the channels, at rest first, then the four gestures in this order with a second of rest between.',
		roles: STICK_LOG,
		complete: hasColumns(['t', 'c1', 'c2']),
	},
	gestures: true,
	fields,
	samples,
};
