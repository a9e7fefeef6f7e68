import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const curve: Instrument = {
	id: 'curve',
	title: 'Stick curve',
	group: 'Radio',
	does: 'Rate over stick: how soft the middle is, how fast the end, and how much of it you find comfortable.',
	calls: 'expo rates curve deg/s sensitivity indoor preset comfort',
	opening: 'Enter the curve and what you are comfortable with',
	caution:
		'Lower rates first; raise them when they feel slow. Note the old figures before an indoor preset, and put them back before flying outdoors.',
	method: ['y = e·x³ + (1 − e)·x; rate = full rate · y. Seconds to 90° at full stick = 90 / full rate.'],
	fields,
	samples,
};
