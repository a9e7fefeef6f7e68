import { record } from '$lib/sources/recorder';
import type { Source, SourceBatch } from '$lib/sources/source';
import { beginUnderway, type Underway } from '$lib/store/underway';
import type { UnderwayFrom } from '$lib/store/underwayDb';

/** A span of a recording that is not read, seconds of its own clock. */
export type Span = readonly [from: number, to: number];

/** Some of what a source gave, in the order in which it came. */
export interface Piece {
	batches: SourceBatch[];
	leftOut: Span[];
}

/** A tab that is killed loses at most so much. */
const WRITE_MS = 1000;

/** Writes what is recorded down under a key as it comes, about once a second: a page that is loaded again, or killed, brings it back. */
export class WrittenDown {
	#piece: Piece = { batches: [], leftOut: [] };
	#timer: ReturnType<typeof setInterval>;
	#to: { write(data: unknown): void };

	constructor(key: string, { name, practice }: UnderwayFrom) {
		this.#to = beginUnderway(key, { name, practice });
		this.#timer = setInterval(this.#write, WRITE_MS);
		if (typeof document !== 'undefined') document.addEventListener('visibilitychange', this.#write);
	}

	#write = (): void => {
		const { batches, leftOut } = this.#piece;
		if (batches.length === 0 && leftOut.length === 0) return;
		this.#to.write(this.#piece);
		this.#piece = { batches: [], leftOut: [] };
	};

	take({ attitude: _, ...batch }: SourceBatch): void {
		this.#piece.batches.push(batch);
	}

	leaveOut(span: Span): void {
		this.#piece.leftOut.push(span);
	}

	/** Nothing more comes; what came stays until it is forgotten. */
	end(): void {
		clearInterval(this.#timer);
		if (typeof document !== 'undefined') document.removeEventListener('visibilitychange', this.#write);
		this.#write();
	}
}

const isPiece = (data: unknown): data is Piece =>
	typeof data === 'object' && data !== null && 'batches' in data && Array.isArray(data.batches);

/** What was written down by samples, whole. */
export function piecesOf({ pieces }: Underway): Piece {
	const all = pieces.filter(isPiece);
	return { batches: all.flatMap(({ batches }) => batches), leftOut: all.flatMap(({ leftOut }) => leftOut) };
}

/** A source whose samples are written down under a key as they come. */
export const writtenDown = (source: Source, key: string): Source => ({
	name: source.name,
	practice: source.practice,
	turnable: source.turnable,
	open(sink) {
		const down = new WrittenDown(key, source);
		const close = source.open({
			batch(batch) {
				down.take(batch);
				sink.batch(batch);
			},
			waiting: (words) => sink.waiting(words),
			failed: (error) => sink.failed(error),
		});
		return () => {
			close();
			down.end();
		};
	},
});

/** What was written down, as the file that it would have become: a recording of sound as it is, samples as a table. Null where nothing came. */
export function fileOf(kept: Underway): File | null {
	const [whole] = kept.pieces;
	if (whole instanceof File) return whole;
	const again: Source = {
		...kept.from,
		turnable: false,
		open(sink) {
			for (const batch of piecesOf(kept).batches) sink.batch(batch);
			return () => undefined;
		},
	};
	return record(again, { progress: () => undefined, waiting: () => undefined, failed: () => undefined }).stop();
}
