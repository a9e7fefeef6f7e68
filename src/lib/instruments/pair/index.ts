import { PAIR_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const pair: Instrument = {
	id: 'pair',
	title: 'Two compasses',
	group: 'Compass',
	does: 'Whether two compasses agree over a whole turn, and how the second is mounted against the first.',
	calls: 'dual compass second external internal disagree inconsistent compare',
	opening: 'Turn the aircraft through all poses while both compasses are recorded',
	method: [
		'The rotation that takes one’s directions of the field onto the other’s (least squares, Kabsch 1976); what is left is the angle they part by, as degrees of a level heading.',
	],
	needsSite: true,
	file: {
		kind: 'table',
		hint: 'CSV with time and both compasses, calibrated: m1_x … m1_z and m2_x … m2_z.',
		roles: PAIR_LOG,
		complete: hasColumns(['t', 'm1x', 'm1y', 'm1z', 'm2x', 'm2y', 'm2z']),
	},
	live: ['serial'],
	fields,
	samples,
};
