import type { Chemistry } from '../../../schema/records';
import type { ValueLimit } from './item';

/** Cells of every lithium chemistry stay within, from a dead one to an overcharged one, volts. */
export const CELL_V = { low: 2, high: 4.6 };

/** A full cell at rest, volts: charged to, and what is still called full an hour later. */
const FULL_V: Record<Exclude<Chemistry, 'percent'>, { low: number; high: number; source: string }> = {
	lipo: { low: 4.1, high: 4.25, source: 'Lithium-polymer, full at 4.20 V' },
	'high-voltage': { low: 4.25, high: 4.4, source: 'Lithium-polymer of the high-voltage kind, full at 4.35 V' },
	'lithium-ion': { low: 4.05, high: 4.25, source: 'Lithium-ion, full at 4.20 V' },
};

/** What a cell of a full pack shows at rest, by its chemistry; lithium-polymer where nobody said. */
export function fullCell(chemistry: Chemistry | undefined): ValueLimit {
	const limit = FULL_V[chemistry === undefined || chemistry === 'percent' ? 'lipo' : chemistry];
	return { ...limit, unit: 'V per cell', possible: CELL_V, perCell: true };
}

/** Volts that a cell is not flown below, at rest after the flight. */
const LANDED_V: Record<Exclude<Chemistry, 'percent'>, number> = { lipo: 3.5, 'high-voltage': 3.5, 'lithium-ion': 3.0 };

/** What a cell may be left with after a flight. */
export function landedCell(chemistry: Chemistry | undefined): ValueLimit {
	const known = chemistry === undefined || chemistry === 'percent' ? 'lipo' : chemistry;
	return {
		low: LANDED_V[known],
		high: FULL_V[known].high,
		unit: 'V per cell',
		source: 'Winglogos default: land with a reserve',
		possible: CELL_V,
		perCell: true,
	};
}
