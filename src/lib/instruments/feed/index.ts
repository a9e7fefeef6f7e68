import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const feed: Instrument = {
	id: 'feed',
	title: 'Spreader feed',
	group: 'Payload and camera',
	does: 'Feeder turns and mass against what is set, kilograms per hectare, and the setting that gives it.',
	calls: 'spreader feeder seed granule fan rpm kilogram hectare calibration',
	remembers: { set: true, seconds: true, speed: true, swath: true, wanted: true, fanSet: true },
	opening: 'Catch what the feeder gives in a measured time',
	caution: 'Power off to exchange tank and hopper. Fingers out of the feeder and the fan; propellers off.',
	method: [
		'Turns over time against the setting; grams per turn; kg per hectare = 600·(kg/min)/(v·w); the setting that brings what is wanted; the fan beside it.',
	],
	fields,
	samples,
};
