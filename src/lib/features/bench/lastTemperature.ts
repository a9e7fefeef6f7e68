import type { Entry } from '$lib/schema/entries';

/** The temperature that was last written down in a session; null where none was. */
export function lastTemperature(entries: readonly Entry[]): number | null {
	const warm = entries.findLast(({ payload }) => payload.kind === 'test' && payload.temperatureC !== undefined);
	return warm?.payload.kind === 'test' ? (warm.payload.temperatureC ?? null) : null;
}
