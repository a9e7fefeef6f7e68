import { LOAD_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const interference: Instrument = {
	id: 'interference',
	title: 'Throttle interference',
	group: 'Compass',
	does: 'How much the motors’ current turns the heading, in the hover and at full power.',
	calls: 'motor current throttle interference compass power wires heading shift',
	opening: 'Bring a log of the compass on a stand while the power goes up and down',
	caution:
		'Held down by a proper stand, by the maker’s rules, nobody in the plane of the propellers. If there is no stand, leave this out.',
	method: [
		'Each axis regressed on the load with a slow drift beside it, robustly; the shift at hover power against the horizontal field of this place: asin(shift/H). The whole shift counts, which errs to the safe side.',
	],
	needsSite: true,
	file: {
		kind: 'table',
		hint: 'CSV with time, three magnetometer axes, and current or throttle: half a minute, idle to hover power and back, twice.',
		roles: LOAD_LOG,
		complete: hasColumns(['t', 'mx', 'my', 'mz', 'load']),
	},
	live: ['serial'],
	fields,
	samples,
};
