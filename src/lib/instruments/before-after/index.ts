import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const repeats: Instrument = {
	id: 'before-after',
	title: 'Before and after',
	group: 'Records',
	does: 'Whether a difference between repeated measurements is larger than their noise.',
	calls:
		'automatic tuning gains compare comparison before after repeat noise difference significant foam cold calibration improvement',
	opening: 'Enter what was measured before, and after',
	method: [
		'Two or more on each side: Welch’s test (1947). One on each side: their stated uncertainties. Neither: it cannot be told. A difference rarer than one in twenty by chance counts.',
	],
	fields,
	samples,
};
