import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const focus: Instrument = {
	id: 'focus',
	title: 'Focus',
	group: 'Payload and camera',
	does: 'Whether far edges are sharp, measured on the part of a picture that you choose.',
	calls: 'focus sharp blurred camera lens goggles video far distance',
	opening: 'Drop a picture of something at twenty metres or more',
	method: [
		'Width of the cleanest steps between 10 and 90 %, the median with its uncertainty. Edges slanting to the pixels are left out: they look wider than they are.',
	],
	file: {
		kind: 'picture',
		hint: 'JPEG or PNG with a far, hard edge in the part that you choose: a mast, a roof, a tree line.',
	},
	fields,
	samples,
};
