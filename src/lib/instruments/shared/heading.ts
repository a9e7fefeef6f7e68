import type { NumberField } from '../instrument';

/** An angle of a whole turn either way, to be typed. */
export const angle = (id: string, label: string, note = ''): NumberField => ({
	kind: 'number',
	id,
	label,
	unit: '°',
	min: -360,
	max: 360,
	start: 0,
	...(note ? { note } : {}),
});
