import { newId } from './newId';
import { KEPT_MS, oneByOne, underwayDb, type UnderwayFrom } from './underwayDb';

/** A recording that was begun and is in no record yet: its pieces in the order in which they came. */
export interface Underway {
	from: UnderwayFrom;
	pieces: unknown[];
}

const inTurn = oneByOne();

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
	void inTurn(() => underwayDb.pieces.where('key').equals(key).delete());
	return {
		write(data) {
			const piece = { key, run, at: Date.now(), from, data };
			void inTurn(() => underwayDb.pieces.add(piece));
		},
	};
}

/** What was under way for a key when its page went, if it is not too old and not in hand on another page; null where there is none. */
export function underwayOf(key: string): Promise<Underway | null> {
	return inTurn(async () => {
		await underwayDb.pieces
			.where('at')
			.below(Date.now() - KEPT_MS)
			.delete();
		const pieces = await underwayDb.pieces.where('key').equals(key).sortBy('id');
		const last = pieces.at(-1);
		if (!last || (await inHand(last.run))) return null;
		return { from: last.from, pieces: pieces.filter(({ run }) => run === last.run).map(({ data }) => data) };
	});
}

/** Forgets it: it is in the record, or was thrown away. */
export function forgetUnderway(key: string): void {
	void inTurn(() => underwayDb.pieces.where('key').equals(key).delete());
}
