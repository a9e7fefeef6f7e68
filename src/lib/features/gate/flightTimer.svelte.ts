import { z } from 'zod';
import { recallDraft, rememberDraft } from '$lib/store/drafts';
import { pageNow } from '$lib/ui/pageClock';
import { bridge, countOn, type Counted } from '$lib/ui/steadyClock';

const TICK_MS = 500;
const keptSchema = z.object({
	elapsedS: z.number().min(0),
	stepS: z.number(),
	wallMs: z.number(),
	pageMs: z.number(),
});
const clocks = () => ({ wallMs: Date.now(), monoMs: performance.now(), pageMs: pageNow() });

const isHidden = (): boolean => document.visibilityState === 'hidden';

/**
 * The seconds of one flight: counted on a monotonic clock while the page lives, so that a clock of the device that is set neither adds nor
 * takes minutes. What was counted is kept at every tick; after a reload the clock of the device bridges the gap.
 */
export class FlightTimer {
	counted = $state.raw<Counted>({ elapsedS: 0, stepS: 0, wallMs: 0, monoMs: 0 });
	#key = '';
	#hidden = false;
	#timer: ReturnType<typeof setInterval> | null = null;

	/** Runs for the flight of a takeoff: its entry, and the ISO time at which it was recorded. */
	run({ id, at }: { id: string; at: string }): () => void {
		this.#key = `flight ${id}`;
		const now = clocks();
		const kept = keptSchema.safeParse(recallDraft(this.#key, now.wallMs)).data;
		const begunMs = Date.parse(at);
		this.counted = bridge(
			kept ?? { elapsedS: 0, stepS: 0, wallMs: begunMs, pageMs: begunMs + now.pageMs - now.wallMs },
			now,
		);
		this.#hidden = isHidden();
		const hide = () => this.tick();
		document.addEventListener('visibilitychange', hide);
		this.#timer = setInterval(() => this.tick(), TICK_MS);
		return () => {
			document.removeEventListener('visibilitychange', hide);
			if (this.#timer !== null) clearInterval(this.#timer);
			this.#timer = null;
		};
	}

	/** Counts on to now, and keeps what was counted. */
	tick(): void {
		const now = clocks();
		this.counted = countOn(this.counted, { ...now, hidden: this.#hidden || isHidden() });
		// Hidden until the next count too: the device may sleep at any moment, and wakes with a count.
		this.#hidden = isHidden();
		const { elapsedS, stepS, wallMs } = this.counted;
		rememberDraft(this.#key, { elapsedS, stepS, wallMs, pageMs: now.pageMs }, wallMs);
	}

	/** Forgets the flight once its landing is recorded. */
	forget(): void {
		if (this.#key !== '') rememberDraft(this.#key, null, Date.now());
	}
}
