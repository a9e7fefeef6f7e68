import { failed } from '$lib/ui/notify';

const TICK_MS = 100;
/** Nothing that is watched lasts longer: a page that is loaded again after that goes on with nothing. */
const LONGEST_MS = 600_000;

/** Seconds since something began, counted up. It knows when that was by the wall clock, so that a page that is loaded again goes on counting. */
export class Stopwatch {
	elapsedS = $state(0);
	/** When it began, milliseconds of the wall clock; null while it stands. */
	fromMs = $state<number | null>(null);
	#originMs = 0;
	#timer: ReturnType<typeof setInterval> | null = null;
	#ontick: () => void;

	constructor(ontick: () => void = () => undefined) {
		this.#ontick = ontick;
	}

	/** Seconds to this moment, not to the last tick. */
	get seconds(): number {
		return (performance.now() - this.#originMs) / 1000;
	}

	start(fromMs?: number): void {
		this.stop();
		const nowMs = Date.now();
		this.fromMs = fromMs ?? nowMs;
		// The wall clock may be put right meanwhile: it says when it began, and no more.
		this.#originMs = performance.now() - (nowMs - this.fromMs);
		this.elapsedS = this.seconds;
		this.#timer = setInterval(() => {
			this.elapsedS = this.seconds;
			this.#ontick();
		}, TICK_MS);
	}

	/** Goes on with what began before the page was loaded again; false where nothing did, or too long ago. */
	goOn(fromMs: number | null): boolean {
		if (fromMs === null) return false;
		const ageMs = Date.now() - fromMs;
		if (ageMs < 0) {
			failed(new Error('The clock of this device was set back, so the time that ran is lost. Begin again.'));
			return false;
		}
		if (ageMs > LONGEST_MS) return false;
		this.start(fromMs);
		return true;
	}

	stop(): void {
		if (this.#timer !== null) clearInterval(this.#timer);
		this.#timer = null;
		this.fromMs = null;
	}
}
