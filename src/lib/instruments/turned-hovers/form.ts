import { form, number, speed } from '../form';

const drift = <const N extends 1 | 2>(n: N, heading: number, speedMps: number, toward: number) => [
	number(`heading${n}` as const, `Hover ${n}: nose toward`, '°', heading, { min: 0, max: 360 }),
	speed(`speed${n}` as const, `Hover ${n}: drifted at`, speedMps),
	number(`toward${n}` as const, `Hover ${n}: drifted toward`, '°', toward, { min: 0, max: 360 }),
];

export const fields = form([
	...drift(1, 60, 0.9, 95),
	...drift(2, 240, 0.5, 40),
	{ ...speed('sigma', 'Drifts known to about', 0.08, 5), usual: true, note: 'usual for a track of a minute' },
]);
