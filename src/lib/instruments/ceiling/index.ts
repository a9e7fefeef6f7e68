import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const ceiling: Instrument = {
	id: 'ceiling',
	title: 'Under a ceiling',
	group: 'Payload and camera',
	does: 'Room left under a ceiling over the tallest thing flown over.',
	calls: 'indoor indoors ceiling height furniture clearance room table shelf',
	opening: 'Enter the room, and what it is flown over',
	caution:
		'A first hover belongs outdoors. Indoors without the link: hover or land, never return. Vents, windows and walls push it about.',
	method: [
		'Ceiling − (hold height + tallest thing) − margin where the downward sensor follows what it sees; otherwise the hold height above the floor must clear the tallest thing.',
	],
	fields,
	samples,
};
