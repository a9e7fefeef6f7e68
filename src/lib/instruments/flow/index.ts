import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const flow: Instrument = {
	id: 'flow',
	title: 'Spray flow',
	group: 'Payload and camera',
	does: 'Bucket test: flow against what is set, evenness of the nozzles, litres per hectare.',
	calls: 'spray nozzle flow pump litre hectare bucket calibration sprayer rate even meter',
	remembers: { seconds: true, set: true, speed: true, swath: true, nozzles: ['name'] },
	opening: 'Catch what each nozzle gives in a measured time',
	caution:
		'Water, not the product. Propellers off. Vent the lines first: loosen the relief valves, spray until it runs evenly, close them.',
	method: [
		'Collected volume over time against the setting; correction = set / measured; coefficient of variation over the nozzles; litres per hectare = 600·Q/(v·w), Q in L/min, v in km/h, w in m.',
	],
	fields,
	samples,
};
