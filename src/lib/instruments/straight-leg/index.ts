import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const straightLeg: Instrument = {
	id: 'straight-leg',
	title: 'Straight leg',
	group: 'Position and flight',
	does: 'The compass error that a hover hides: heading shown against the course flown, nose first.',
	calls: 'heading course compass check straight line veers track known bearing',
	opening: 'Fly straight ahead in self-level, stick forward only, then back the same way',
	caution:
		'Not in position hold: it flies the course it believes and shows nothing. Clear ground ahead, a spotter beside you.',
	method: [
		'Heading less course over ground. Two legs flown opposite ways: the wind falls out of their difference. One alone carries the wind in its uncertainty.',
	],
	fields,
	samples,
};
