import { HOVER_ROLES } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const levelFlight: Instrument = {
	id: 'level-flight',
	title: 'Level from a flight',
	group: 'Sensors',
	does: 'What straight and level flight shows, beside what it should: the correction of a wing’s bench guess.',
	calls: 'wing level trim correction after flight climbs when level held nose-up offset attitude legs',
	opening: 'Bring the log of a flight with straight legs at one height',
	caution: 'The bench guess comes first, and a small one. A wing that climbs when level is held has it too high.',
	method: [
		'Pieces of two seconds without climb or turn are straight and level; the median of their attitude is what level shows. What is wanted less that is the correction. ± from the spread between pieces, gusts included.',
	],
	sensor: 'level',
	file: {
		kind: 'table',
		hint: 'CSV with time, roll, pitch and height; heading beside them tells turns from legs.',
		roles: HOVER_ROLES,
		complete: hasColumns(['t', 'roll', 'pitch', 'up']),
	},
	fields,
	samples,
};
