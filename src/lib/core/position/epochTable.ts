import type { ActiveCycle } from './activeCycle';

const FIRST_ROOM = 1024;

/** Empty columns with room for so many instants. */
const columnsFor = (room: number) => ({
	/** Time of day that the sentences carry, seconds. */
	tod: new Float64Array(room),
	/** Receiver's clock, seconds of day unwrapped over midnight; a jump of the clock starts a new stretch. */
	tS: new Float64Array(room),
	/** Counts the jumps of the clock before this instant. */
	stretch: new Int32Array(room),
	/** 1 where a sentence tells a fix. */
	fix: new Uint8Array(room),
	/** Which kind of sentence reported the place: the lower, the better. */
	positionRank: new Uint8Array(room),
	latDeg: new Float64Array(room),
	lonDeg: new Float64Array(room),
	altM: new Float64Array(room),
	/** Satellites that GGA, else GNS, counts, all talkers together, and over how many sentences that was added up. */
	reported: new Float64Array(room),
	tellers: new Uint8Array(room),
	/** Which sentence and talker reported it first. */
	teller: new Int32Array(room),
	/** 1 where a sentence that should carry satellites and HDOP stands in this instant, filled or not. */
	reportsQuality: new Uint8Array(room),
	hdop: new Float64Array(room),
	/** Dilution by GSA: the whole receiver's, where GGA is one of a constellation. */
	gsaHdop: new Float64Array(room),
	/** Quality by GGA's numbers. */
	quality: new Float64Array(room),
	/** Modes of RMC, GLL and GNS, a bit each. */
	modes: new Uint8Array(room),
});

const NAMES = Object.keys(columnsFor(0)) as (keyof ReturnType<typeof columnsFor>)[];
/** What no sentence has reported yet. */
const UNREPORTED = ['latDeg', 'lonDeg', 'altM', 'reported', 'hdop', 'gsaHdop', 'quality'] as const;

/**
 * What the sentences of each instant say, an instant a row; NaN for what none reported. A long log has hundreds of thousands: an
 * object for each takes longer to make than the log takes to read. Columns have more room than there are rows.
 */
export class EpochTable {
	length = 0;
	columns = columnsFor(FIRST_ROOM);
	/** What the GSA sentences of each instant name; null where there was none. */
	active: (ActiveCycle | null)[] = [];

	/** Adds an instant of which only the time of day is known; gives its row. */
	add(tod: number): number {
		const row = this.length++;
		if (row === this.columns.tod.length) {
			const larger = columnsFor(2 * row);
			for (const name of NAMES) larger[name].set(this.columns[name]);
			this.columns = larger;
		}
		this.columns.tod[row] = tod;
		for (const name of UNREPORTED) this.columns[name][row] = NaN;
		this.active.push(null);
		return row;
	}

	/** The rows in another order. */
	inOrder(order: readonly number[]): EpochTable {
		const out = new EpochTable();
		out.length = order.length;
		out.columns = columnsFor(order.length);
		for (const name of NAMES) order.forEach((row, k) => (out.columns[name][k] = this.columns[name][row]));
		out.active = order.map((row) => this.active[row]);
		return out;
	}
}

/** The rows from one to before another of which something is true. */
export function rowsWhere(from: number, to: number, test: (row: number) => boolean): Uint32Array {
	const rows = new Uint32Array(to - from);
	let n = 0;
	for (let row = from; row < to; row++) if (test(row)) rows[n++] = row;
	return rows.subarray(0, n);
}

/** The values of a column in some rows. */
export function valuesAt(column: Float64Array, rows: Uint32Array): Float64Array {
	const values = new Float64Array(rows.length);
	for (let k = 0; k < rows.length; k++) values[k] = column[rows[k]];
	return values;
}
