import { busy, type HttpError } from './fault';
import { poolLimits as limits } from './limits';

/** Does a piece of work, and stops it where the signal says so. */
export type Run<T> = (signal: AbortSignal) => Promise<T>;

interface Work {
	/** Who asked: one client's work never stands before another's. */
	client: string;
	run: () => void;
	refuse: (error: unknown) => void;
}

interface Running {
	client: string;
	sinceMs: number;
	stop: (why: HttpError) => void;
}

/** Most clients that are remembered. */
const MOST_KNOWN = 100;

const LEFT = 'The client went away.';

/** The first of those with the smallest key, compared part by part. */
function least<T>(all: readonly T[], keyOf: (each: T) => readonly [number, number]): T {
	return all.reduce((best, each) => {
		const [[a, b], [c, d]] = [keyOf(each), keyOf(best)];
		return a < c || (a === c && b < d) ? each : best;
	});
}

/** How often it is looked whether others have waited long enough, milliseconds. */
const LOOK_MS = 500;

/**
 * A number of pieces of work at a time, shared fairly: of those that wait, the next is of the client with the least under way, then of the one
 * served longest ago; where others
 * wait, nobody's work runs longer than its turn; when too many wait, the client with most waiting is refused. `now` in milliseconds.
 */
export class FairPool {
	readonly #places: number;
	readonly #now: () => number;
	readonly #waiting: Work[] = [];
	readonly #running = new Set<Running>();
	/** Clients, the one served last at the end. */
	#served: string[] = [];
	#looking: ReturnType<typeof setInterval> | null = null;

	constructor(places: number, now: () => number = () => performance.now()) {
		this.#places = places;
		this.#now = now;
	}

	/**
	 * Does work for a client when its turn comes; what the caller no longer waits for is stopped.
	 * @throws HttpError 503, with the seconds to wait: too many wait, it took too long, or its turn was over and others waited.
	 */
	do<T>(client: string, left: AbortSignal, work: Run<T>): Promise<T> {
		return new Promise<T>((resolve, reject) => {
			const mine: Work = { client, run: () => this.#start(client, left, work).then(resolve, reject), refuse: reject };
			this.#waiting.push(mine);
			left.addEventListener('abort', () => this.#leave(mine), { once: true });
			this.#next();
			this.#refuseTooMany();
		});
	}

	async #start<T>(client: string, left: AbortSignal, work: Run<T>): Promise<T> {
		let why: HttpError | null = null;
		const stop = new AbortController();
		const running: Running = {
			client,
			sinceMs: this.#now(),
			stop(reason) {
				why ??= reason;
				stop.abort();
			},
		};
		this.#running.add(running);
		const late = setTimeout(
			() =>
				running.stop(busy(`This took longer than ${limits.mostMs.value / 1000} s and was stopped. Send less of it.`)),
			limits.mostMs.value,
		);
		try {
			return await work(AbortSignal.any([stop.signal, left]));
		} catch (error) {
			throw why ?? (left.aborted ? busy(LEFT) : error);
		} finally {
			clearTimeout(late);
			this.#running.delete(running);
			this.#next();
		}
	}

	#leave(work: Work): void {
		const at = this.#waiting.indexOf(work);
		if (at < 0) return;
		this.#waiting.splice(at, 1);
		work.refuse(busy(LEFT));
	}

	#countOf(all: Iterable<{ client: string }>, client: string): number {
		let count = 0;
		for (const each of all) if (each.client === client) count++;
		return count;
	}

	#next(): void {
		while (this.#running.size < this.#places && this.#waiting.length > 0) {
			const next = least(this.#waiting, ({ client }) => [
				this.#countOf(this.#running, client),
				this.#served.lastIndexOf(client),
			]);
			this.#waiting.splice(this.#waiting.indexOf(next), 1);
			this.#served = [...this.#served.filter((client) => client !== next.client), next.client].slice(-MOST_KNOWN);
			next.run();
		}
		if (this.#waiting.length > 0) this.#looking ??= setInterval(() => this.#endTurns(), LOOK_MS);
		else if (this.#looking !== null) {
			clearInterval(this.#looking);
			this.#looking = null;
		}
	}

	/** Where others wait, work after its turn makes room. */
	#endTurns(): void {
		for (const running of this.#running) {
			const over = this.#now() - running.sinceMs > limits.turnMs.value;
			if (over && this.#waiting.some(({ client }) => client !== running.client))
				running.stop(busy(`Others wait, so this was stopped after ${limits.turnMs.value / 1000} s. Send less of it.`));
		}
	}

	#refuseTooMany(): void {
		while (this.#waiting.length > limits.waiting.value) {
			const counts = this.#waiting.map(({ client }) => this.#countOf(this.#waiting, client));
			const [work] = this.#waiting.splice(counts.lastIndexOf(Math.max(...counts)), 1);
			work.refuse(busy('Too many requests are waiting.'));
		}
	}
}
