import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const horizon: Instrument = {
	id: 'horizon',
	title: 'Camera horizon',
	group: 'Payload and camera',
	does: 'How far a picture’s horizon is tilted, and the trim that levels it.',
	calls: 'gimbal camera horizon tilt roll photo picture level crooked sloping',
	opening: 'Drop a picture with the horizon right across it',
	caution: 'Never turn a gimbal by hand while it is powered; cover off before power.',
	method: [
		'The picture at 640 px in three channels; steps right across it at every angle to 20°, weighted by how much quieter it is above; refined column by column to a fraction of a pixel; refused where the line is not clear.',
		'A skyline and a waterline can differ by a degree: the line found is drawn, and yours can be laid over it.',
	],
	sensor: 'camera',
	file: {
		kind: 'picture',
		hint: 'JPEG or PNG from the camera, in the hover or on a stand: open sea, a far plain, an even skyline.',
	},
	fields,
	samples,
};
