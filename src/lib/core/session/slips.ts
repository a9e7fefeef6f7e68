import type { Item } from './items';

/** A value that may have been meant instead, and the question that asks it. */
export interface Meant {
	value: number;
	words: string;
}

/** Shifts of the decimal point that fingers make. */
const SHIFTS = [0.1, 10, 0.01, 100, 0.001, 1000] as const;

const shown = (value: number) => String(Number(value.toPrecision(4)));

/** A value that no such thing can have, whatever went wrong. */
export function isImpossible({ limit }: Item, value: number): boolean {
	const { low = -Infinity, high = Infinity } = limit?.possible ?? {};
	return !Number.isFinite(value) || value < low || value > high;
}

/**
 * What an impossible value may have been meant as: the whole pack's voltage instead of a cell's, or a slip of the decimal point; only
 * values that could be. `cells` of the pack in use, null where it is not known.
 */
export function meantBy(item: Item, value: number, cells: number | null): Meant[] {
	const { limit } = item;
	const unit = limit?.unit ?? '';
	const out: Meant[] = [];
	const add = (v: number, words: string) => {
		if (!isImpossible(item, v) && out.every((meant) => Math.abs(meant.value - v) > 1e-9)) out.push({ value: v, words });
	};
	if (limit?.perCell && cells && cells > 1)
		add(value / cells, `${shown(value)} V for the whole pack of ${cells} cells: ${shown(value / cells)} ${unit}`);
	for (const shift of SHIFTS) {
		const v = Number((value * shift).toPrecision(6));
		const inside = v >= (limit?.low ?? -Infinity) && v <= (limit?.high ?? Infinity);
		if (inside) add(v, `${shown(v)} ${unit}`);
	}
	return out.slice(0, 3);
}
