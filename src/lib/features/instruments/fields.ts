import type { Field, NumberField } from './instrument';

/** A number to be typed. */
export const number = (
	id: string,
	label: string,
	unit: string,
	start: number | null,
	more: Partial<NumberField> = {},
): NumberField => ({ kind: 'number', id, label, unit, start, ...more });

export const metres = (id: string, label: string, start: number, max = 1000): NumberField =>
	number(id, label, 'm', start, { quantity: 'height', min: 0, max });

export const speed = (id: string, label: string, start: number, max = 100): NumberField =>
	number(id, label, 'm/s', start, { quantity: 'speed', min: 0, max });

/** One of some, by value and label. */
export const choice = (id: string, label: string, options: Record<string, string>, start: string): Field => ({
	kind: 'choice',
	id,
	label,
	options: Object.entries(options).map(([value, l]) => ({ value, label: l })),
	start,
});
