import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const wayHome: Instrument = {
	id: 'way-home',
	title: 'Way home',
	group: 'Position and flight',
	does: 'If the link fails here, now: does it get home, with how much left, and how far could it be.',
	calls: 'return home failsafe reach distance wind reserve battery headwind turn back link loss',
	opening: 'Enter the aircraft, the pack, the wind and where it is',
	caution: 'It counts with the figures you enter. The maker’s manual and the local rules stand above it.',
	method: [
		'Wind by a power law of the height; wind triangle for every leg; energy by leg; the reach is where the return uses exactly what is above the reserve. A gust’s excess is set straight against the flight and only cautions.',
		'Obstacles within 10 m of the path: below 3 m over one fails, below 10 m cautions.',
	],
	fields,
	samples,
};
