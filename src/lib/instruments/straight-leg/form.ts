import { choice, form, metres, number, speed } from '../form';

const legFields = <const N extends 1 | 2>(n: N, heading: number) => [
	number(`legHeading${n}` as const, `Leg ${n}: heading shown`, '°', heading, { min: 0, max: 360 }),
	number(`course${n}` as const, `Leg ${n}: course over ground`, '°', heading, { min: 0, max: 360 }),
	speed(`legSpeed${n}` as const, `Leg ${n}: speed over ground`, 4),
	metres(`length${n}` as const, `Leg ${n}: length`, 12),
];

export const fields = form([
	...legFields(1, 20),
	choice('back', 'Flown back too', { yes: 'yes', no: 'no' }, 'yes'),
	...legFields(2, 200),
	{ ...speed('wind', 'Wind, where only one leg was flown', 3), optional: true },
]);
