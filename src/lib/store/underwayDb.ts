import Dexie, { type Table } from 'dexie';

/** What a recording was made with. */
export interface UnderwayFrom {
	name: string;
	/** The data are simulated. */
	practice: boolean;
}

/** A piece of a recording that is in no record yet. */
export interface Piece {
	id?: number;
	/** Its owner: one recording is under way for a key. */
	key: string;
	run: string;
	/** When it came, milliseconds. */
	at: number;
	from: UnderwayFrom;
	data: unknown;
}

/** What was typed and not saved. */
export interface Draft {
	key: string;
	/** When it was typed, milliseconds. */
	at: number;
	/** As JSON. */
	text: string;
}

/** Outside the record: what is lost here was never said to be recorded, and no page waits long for this store. */
class UnderwayDb extends Dexie {
	declare pieces: Table<Piece, number>;
	declare drafts: Table<Draft, string>;

	constructor() {
		super('winglogos-underway');
		this.version(1).stores({ pieces: '++id, key, at' });
		// Version 2: drafts.
		this.version(2).stores({ drafts: 'key, at' });
	}
}

export const underwayDb = new UnderwayDb();

/** What was begun and left this long ago is not gone on with, milliseconds. */
export const KEPT_MS = 12 * 3_600_000;

/** Work of one kind: one after the other, as it was asked for; what fails, in a store that is full or refused, keeps nothing and breaks nothing. */
export function oneByOne(): <T>(work: () => Promise<T>) => Promise<T | null> {
	let last: Promise<unknown> = Promise.resolve();
	return (work) => {
		const result = last.then(work).catch(() => null);
		last = result;
		return result;
	};
}
