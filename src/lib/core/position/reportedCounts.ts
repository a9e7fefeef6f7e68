import type { EpochTable } from './epochTable';

const GNS_BIT = 1 << 16;
/** The talker that speaks for all constellations. */
const WHOLE = codeOf('GGA', 'GN');

/** Sentence and talker as one number. */
function codeOf(type: 'GGA' | 'GNS', talker: string): number {
	const letters = (talker.charCodeAt(0) << 8) | talker.charCodeAt(1);
	return type === 'GNS' ? letters | GNS_BIT : letters;
}

/**
 * How many satellites GGA and GNS count at each instant. Nearly always one sentence counts and stands in the columns; receivers that
 * send one a constellation are gathered beside them until all has been read.
 */
export class ReportedCounts {
	/** By row, what each sentence and talker counts, where several do. */
	private readonly several = new Map<number, Map<number, number>>();

	constructor(private readonly table: EpochTable) {}

	/** One sentence's count; a later one of the same kind takes its place. */
	tell(row: number, type: 'GGA' | 'GNS', talker: string, used: number): void {
		const { reported, teller, tellers } = this.table.columns;
		const code = codeOf(type, talker);
		if (tellers[row] === 0 || (tellers[row] === 1 && teller[row] === code)) {
			reported[row] = used;
			teller[row] = code;
			tellers[row] = 1;
			return;
		}
		let counts = this.several.get(row);
		if (!counts) this.several.set(row, (counts = new Map([[teller[row], reported[row]]])));
		counts.set(code, used);
		tellers[row] = Math.min(255, counts.size);
	}

	/**
	 * Adds up what several reported, and settles whose dilution is the receiver's: that of a GGA or GNS for the whole; GSA's where each
	 * constellation has its own, or where the others tell none.
	 */
	addUp(): void {
		const { reported, hdop, gsaHdop } = this.table.columns;
		for (let row = 0; row < this.table.length; row++) {
			if (reported[row] < 0) reported[row] = 0;
			if (Number.isNaN(hdop[row])) hdop[row] = gsaHdop[row];
		}
		for (const [row, counts] of this.several) {
			reported[row] = total(counts);
			const whole = [...counts.keys()].some((code) => (code & ~GNS_BIT) === WHOLE);
			if (!whole && !Number.isNaN(gsaHdop[row])) hdop[row] = gsaHdop[row];
		}
	}
}

/** What several tell together, by GGA where there is one: a talker for all tells the whole, single ones share the satellites between them. */
function total(counts: ReadonlyMap<number, number>): number {
	const byGns = [...counts.keys()].every((code) => code & GNS_BIT);
	let whole = 0;
	let parts = 0;
	for (const [code, used] of counts) {
		if (((code & GNS_BIT) !== 0) !== byGns) continue;
		if ((code & ~GNS_BIT) === WHOLE) whole = used;
		else parts += used;
	}
	return Math.max(whole, parts);
}
