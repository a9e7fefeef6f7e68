import type { Chemistry } from '../../schema/power';

/**
 * Cell voltage at rest against charge, V at 0, 10, … 100 %. Typical open-circuit curves at 25 °C of the four lithium
 * families; cells differ by ±20 mV, which the stated uncertainty carries. Chemistry notes name what a full cell shows.
 */
const REST_V: Record<Chemistry, readonly number[]> = {
	lipo: [3.27, 3.69, 3.73, 3.77, 3.8, 3.84, 3.87, 3.95, 4.02, 4.11, 4.2],
	lihv: [3.3, 3.71, 3.75, 3.79, 3.83, 3.88, 3.95, 4.04, 4.13, 4.23, 4.35],
	liion: [2.8, 3.3, 3.45, 3.53, 3.6, 3.66, 3.74, 3.84, 3.94, 4.06, 4.2],
	lifepo4: [2.6, 3.0, 3.2, 3.23, 3.26, 3.28, 3.29, 3.3, 3.32, 3.34, 3.45],
};

/** Usual voltage of a cell over a discharge, V: turns mAh into Wh. */
export const NOMINAL_V: Record<Chemistry, number> = { lipo: 3.7, lihv: 3.8, liion: 3.6, lifepo4: 3.2 };

/** Cells of one kind differ by about this at the same charge. */
const CELL_SIGMA_V = 0.015;
const STEP_PCT = 10;

/** A full cell of a chemistry, volts. */
export const fullV = (chemistry: Chemistry): number => REST_V[chemistry][10];
/** An empty cell of a chemistry at rest, volts. */
export const emptyV = (chemistry: Chemistry): number => REST_V[chemistry][0];

/** What a cell of a charge (%) shows at rest, volts; under load it shows less. */
export function restV(chemistry: Chemistry, pct: number): number {
	const table = REST_V[chemistry];
	const at = Math.max(0, Math.min(100, pct)) / STEP_PCT;
	const k = Math.min(table.length - 2, Math.floor(at));
	return table[k] + (at - k) * (table[k + 1] - table[k]);
}

/** Charge of a cell from its voltage at rest, % with one sigma; the ends are held. */
export function chargeOf(chemistry: Chemistry, cellV: number): { pct: number; sigmaPct: number } {
	const table = REST_V[chemistry];
	const above = table.findIndex((v) => v > cellV);
	const k = above < 0 ? table.length - 2 : Math.max(0, above - 1);
	const slope = STEP_PCT / (table[k + 1] - table[k]);
	const pct = Math.max(0, Math.min(100, STEP_PCT * k + slope * (cellV - table[k])));
	// On the flat part a few millivolts are many per cent.
	return { pct, sigmaPct: Math.min(30, Math.max(1, slope * CELL_SIGMA_V)) };
}
