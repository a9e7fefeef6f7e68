import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const turnedHovers: Instrument = {
	id: 'turned-hovers',
	title: 'Hover, turned half round',
	group: 'Position and flight',
	does: 'Wind and level trim told apart by a hover repeated with the nose the other way.',
	calls: 'drift lean wind trim level creep hover repeat half turn',
	opening: 'Hover hands off without position hold, twice, the second time turned half round',
	caution: 'Outdoors, room on the lee side, hands at the sticks: without position hold it drifts.',
	method: [
		'Drift = wind + trim turned with the nose; two headings give both. Trim in degrees by drag 0.28 /s (0.2 to 0.38 is its uncertainty): tan(trim) = drift·drag/g.',
	],
	fields,
	samples,
};
