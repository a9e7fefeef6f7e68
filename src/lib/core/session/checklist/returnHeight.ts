import type { Setting } from './conditions';
import type { ValueLimit } from './item';

/** Above the tallest thing on the way: what a pressure height drifts, and a margin. */
const MARGIN_M = 10;
/** Where no obstacle was entered: above most trees. */
const LEAST_M = 15;
/** What many rules allow at most. */
const MOST_M = 120;

/** What a return height is held against at a place: the tallest thing there, with a margin. */
export function returnHeight({ site }: Setting): ValueLimit {
	const tallest = (site?.obstacles ?? []).reduce<{ name: string; heightM: number } | null>(
		(most, o) => (most && most.heightM >= o.heightM ? most : o),
		null,
	);
	const low = tallest ? tallest.heightM + MARGIN_M : LEAST_M;
	return {
		low,
		high: Math.max(MOST_M, low + MARGIN_M),
		unit: 'm',
		quantity: 'height',
		source: tallest
			? `${tallest.name}, ${tallest.heightM.toFixed(0)} m high, and ${MARGIN_M} m above it`
			: 'Winglogos default: enter what stands at this place, and mind the local rules',
		possible: { low: 0, high: 1000 },
	};
}
