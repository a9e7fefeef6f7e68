import { SURVEY_LOG } from '$lib/core/record/logRoles';
import { hasColumns } from '../files';
import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const survey: Instrument = {
	id: 'survey',
	title: 'Walk-about survey',
	group: 'Compass',
	does: 'A map of where the field leaves its usual strength; where to turn the compass, and where not.',
	calls: 'survey walk map iron rebar buried phone magnetometer field ground clean metal',
	opening: 'Walk the place in lanes with a sensor carried one way up',
	caution: 'Do not carry the sensor beside a watch, a phone or keys.',
	method: [
		'|F| along the track, smoothed by a median over 0.6 s, less its own middle: a sensor carried one way up keeps its own offset, which falls out. Solid places are more than a twentieth of the field off.',
	],
	needsSite: true,
	file: {
		kind: 'table',
		hint: 'CSV with time, three magnetometer axes and the place: north and east in metres, or latitude and longitude.',
		roles: SURVEY_LOG,
		complete: (choices) =>
			hasColumns(['t', 'mx', 'my', 'mz'])(choices) &&
			(hasColumns(['north', 'east'])(choices) || hasColumns(['lat', 'lon'])(choices)),
	},
	live: ['serial'],
	fields,
	samples,
};
