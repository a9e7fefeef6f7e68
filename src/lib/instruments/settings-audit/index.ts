import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const settings: Instrument = {
	id: 'settings-audit',
	title: 'Link-loss settings',
	group: 'Position and flight',
	does: 'What the aircraft is set to do when the link is lost or the pack is low, against the place, the wind and each other.',
	calls: 'failsafe settings return height low battery action audit arm without gps radio loss test',
	opening: 'Enter what the aircraft is set to, and the place',
	caution:
		'Test on the bench with the propellers off, in the air low and near, over clear ground. The maker’s manual stands above every rule here.',
	method: [
		'Thirteen rules; each gives its reason, passing ones too. The wind at head height; higher up it is stronger.',
	],
	fields,
	samples,
};
