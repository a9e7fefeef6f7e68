import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const response: Instrument = {
	id: 'ground-response',
	title: 'Ground response',
	group: 'Position and flight',
	does: 'The fault behind a wrong tilt on the ground, ranked, and the one check that tells most.',
	calls: 'motor order direction propeller prop flip wrong way yaw spins squats ground nudge response diagnose',
	opening: 'Nudge each stick on the ground and enter what the aircraft did',
	caution:
		'Three metres away, tail toward you, nobody else near. At the first wrong sign: throttle down, disarm, disconnect. Never add throttle.',
	method: [
		'Every single fault and the plausible pairs of this layout are flown in a small model of the controller and compared with what was seen; the posterior ranks them, and the next check is the one expected to tell most (bits). What a check showed narrows the ranking further.',
	],
	fields,
	samples,
};
