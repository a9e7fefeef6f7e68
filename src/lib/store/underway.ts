import Dexie, { type Table } from 'dexie';
import { newId } from './repository';

/** What a recording was made with. */
export interface UnderwayFrom {
	name: string;
	/** The data are simulated. */
	practice: boolean;
}

/** A recording that was begun and is in no record yet: its pieces in the order in which they came. */
export interface Underway {
	from: UnderwayFrom;
	pieces: unknown[];
}

interface Piece {
	id?: number;
	/** Whose it is: one recording is under way for a key. */
	key: string;
	run: string;
	/** When it came, milliseconds. */
	at: number;
	from: UnderwayFrom;
	data: unknown;
}

/** Beside the record, not in it: what is lost here was never said to be recorded, and no page waits for this store. */
class UnderwayDb extends Dexie {
	declare pieces: Table<Piece, number>;

	constructor() {
		super('winglogos-underway');
		this.version(1).stores({ pieces: '++id, key, at' });
	}
}

const store = new UnderwayDb();
/** What was begun and left this long ago is not gone on with, as with drafts. */
const KEPT_MS = 12 * 3_600_000;

/** One after the other, as they were asked for; one that fails, in a store that is full or refused, keeps nothing and breaks nothing. */
let queue: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T | null> {
	const result = queue.then(work).catch(() => null);
	queue = result;
	return result;
}

const lockOf = (run: string) => `winglogos-underway-${run}`;

/** Says to other pages, for as long as this one is open, that a run is in hand here. */
function hold(run: string): void {
	if (typeof navigator === 'undefined' || !('locks' in navigator)) return;
	navigator.locks.request(lockOf(run), () => new Promise<void>(() => undefined)).catch(() => undefined);
}

async function inHand(run: string): Promise<boolean> {
	if (typeof navigator === 'undefined' || !('locks' in navigator)) return false;
	const { held = [] } = await navigator.locks.query();
	return held.some(({ name }) => name === lockOf(run));
}

/** Begins to write down a recording as it comes; what was under way for this key before is forgotten. */
export function beginUnderway(key: string, from: UnderwayFrom): { write(data: unknown): void } {
	const run = newId();
	hold(run);
	void inTurn(() => store.pieces.where('key').equals(key).delete());
	return {
		write(data) {
			const piece = { key, run, at: Date.now(), from, data };
			void inTurn(() => store.pieces.add(piece));
		},
	};
}

/** What was under way for a key when its page went, if it is not too old and not in hand on another page; null where there is none. */
export function underwayOf(key: string): Promise<Underway | null> {
	return inTurn(async () => {
		await store.pieces
			.where('at')
			.below(Date.now() - KEPT_MS)
			.delete();
		const pieces = await store.pieces.where('key').equals(key).sortBy('id');
		const last = pieces.at(-1);
		if (!last || (await inHand(last.run))) return null;
		return { from: last.from, pieces: pieces.filter(({ run }) => run === last.run).map(({ data }) => data) };
	});
}

/** Forgets it: it is in the record, or was thrown away. */
export function forgetUnderway(key: string): void {
	void inTurn(() => store.pieces.where('key').equals(key).delete());
}
