import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const headingCheck: Instrument = {
	id: 'heading-check',
	title: 'Heading check',
	group: 'Compass',
	does: 'Headings shown against bearings that you know: mounting, declination or the compass itself.',
	calls: 'heading check known bearing landmark compass direction north map nose points declination wrong quarter',
	opening: 'Point the nose along a bearing that you know, and read what it shows',
	caution: 'Propellers off. Stand away from cars and fences: they turn this check, too.',
	method: [
		'Shown less known, both from true north. Alike at every heading: the mounting (right angles), or the declination of this place left out or applied twice. Changing with the heading: the compass.',
		'A bearing is known from a map: from where you stand to a mast, a church, the end of a straight road. By eye the nose is pointed right to two or three degrees.',
	],
	needsSite: true,
	fields,
	samples,
};
