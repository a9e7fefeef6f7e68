import { z } from 'zod';

/** Whether a value fits a schema; numbers well within its range need no parsing. */
function fitOf(item: z.ZodType): (value: unknown) => boolean {
	const fits = (value: unknown) => item.safeParse(value).success;
	if (!(item instanceof z.ZodNumber) || item.isInt) return fits;
	const [least, most] = [item.minValue ?? -Infinity, item.maxValue ?? Infinity];
	return (value) => (typeof value === 'number' && value > least && value < most) || fits(value);
}

/**
 * A list of a request, with a least and a largest length. It is read up to its first fault only: a body of the wrong kind has millions
 * of them, and telling each would take minutes.
 */
export function listOf<S extends z.ZodType>(item: S, most: number, least = 0) {
	const fits = fitOf(item);
	return z.preprocess((value) => {
		if (!Array.isArray(value)) return value;
		const looked: unknown[] = value.length > most ? value.slice(0, most + 1) : value;
		const bad = looked.findIndex((each) => !fits(each));
		return bad < 0 ? looked : looked.slice(0, bad + 1);
	}, z.array(item).min(least).max(most));
}
