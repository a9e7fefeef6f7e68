import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const switches: Instrument = {
	id: 'switches',
	title: 'Switches',
	group: 'Radio',
	does: 'What is active in each switch position; overlaps, near edges, and traps at the arm switch.',
	calls:
		'switch beeper upside down arm guard mode flight mode arm range overlap gap unintended active slots self-righting',
	opening: 'Enter each switch with its positions, and what the aircraft does in each range',
	method: [
		'Every position is laid into every range of its channel. Two ways of flying at once, a return or an arming out of reach, arming at rest and self-righting at rest stop; edges nearer than 6 % and a throttle cut beside an arm switch caution.',
	],
	sensor: 'radio',
	fields,
	samples,
};
