import { PRESSURE_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const pressure: Instrument = {
	id: 'pressure',
	title: 'Pressure height',
	group: 'Sensors',
	does: 'Noise, drift, and how far throttle or wind moves the height.',
	calls: 'barometer pressure altitude height foam gust prop wash bobbing altitude hold',
	opening: 'Bring a log of the pressure height of an aircraft that does not move',
	caution: 'With the throttle up: on a proper stand only, by the maker’s rules, nobody near.',
	method: [
		'Noise from successive differences (robust); drift per minute and the effect of throttle or wind by one least-squares fit of both, so that a slow ramp is not taken for drift. Compare before and after a foam cover by “Before and after”.',
	],
	file: {
		kind: 'table',
		hint: 'CSV with time and pressure height; throttle (0 to 1, or %) or wind beside it tells what disturbs it.',
		roles: PRESSURE_LOG,
		complete: hasColumns(['t', 'height']),
	},
	live: ['serial'],
	fields,
	samples,
};
