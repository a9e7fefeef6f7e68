import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const texture: Instrument = {
	id: 'texture',
	title: 'Landing surface',
	group: 'Payload and camera',
	does: 'Whether a downward camera can hold on to a surface.',
	calls: 'vision optical flow downward camera surface texture landing pad mat grass water floor',
	opening: 'Drop a picture of the ground, straight down from hand height',
	method: [
		'Corners to follow (smaller eigenvalue of the structure tensor, Shi and Tomasi 1994), contrast and light, and how alike the pattern is to itself one step further.',
	],
	file: { kind: 'picture', hint: 'JPEG or PNG, straight down at the landing place.' },
	fields,
	samples,
};
