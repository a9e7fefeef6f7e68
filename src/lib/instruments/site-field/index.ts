import { COMPASS_ROLES } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const siteField: Instrument = {
	id: 'site-field',
	title: 'Site field',
	group: 'Compass',
	does: 'Strength and dip of the field where you stand, against the model of the Earth.',
	calls: 'magnetic site check disturbed metal steel interference strength inclination clean place',
	opening: 'Stand still for five seconds where you would turn the compass',
	caution: 'Watch, belt, phone and knife bend the field too: put them away first.',
	method: [
		'Mean strength and dip of readings at rest against the World Magnetic Model 2025 at the site. A sensor without a calibration brings its own offset: a difference is then a caution, not a verdict on the place.',
	],
	needsSite: true,
	file: {
		kind: 'table',
		hint: 'CSV with time and three magnetometer axes at rest for five seconds, calibrated; accelerometer axes beside them tell the dip.',
		roles: COMPASS_ROLES,
		complete: hasColumns(['t', 'mx', 'my', 'mz']),
	},
	live: ['serial'],
	fields,
	samples,
};
