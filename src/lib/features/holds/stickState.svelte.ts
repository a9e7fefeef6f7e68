import { ASKED_GESTURES, coachOrder, ORDER_BEGIN, type OrderCoach } from '$lib/core/radio/orderCoach';
import { csvFile } from '$lib/instruments/files';
import { Recording } from '$lib/features/measuring/recording.svelte';
import type { obedientSticks } from '$lib/rig/sticks';
import type { Source } from '$lib/sources/source';
import type { Underway } from '$lib/store/underway';
import { say, silence, tone } from '$lib/ui/speech';

const TICK_MS = 100;

type Hands = ReturnType<typeof obedientSticks>;

/** Four gestures asked for one by one on a live radio; what was accepted becomes a recording to be read. */
export class StickState {
	readonly recording: Recording;
	view = $state.raw<OrderCoach>(ORDER_BEGIN);
	/** Where each channel is now, −1 to 1. */
	now = $state.raw<readonly number[]>([]);
	running = $state(false);
	#practice = false;
	#hands: Hands | null = null;
	#timer: ReturnType<typeof setInterval> | null = null;
	#onfinished: (file: File, practice: boolean) => void;

	/** With a key its recording comes back after its page was loaded again. */
	constructor(onfinished: (file: File, practice: boolean) => void, key: string | null = null) {
		this.recording = new Recording(key);
		this.#onfinished = onfinished;
	}

	get words(): string {
		return this.view.words;
	}

	begin(source: Source, hands: Hands | null): void {
		this.#halt();
		this.view = ORDER_BEGIN;
		this.now = [];
		this.#practice = hands !== null;
		this.#hands = hands;
		this.running = true;
		this.recording.start(source);
		say(this.view.words);
		this.#timer = setInterval(() => this.#follow(), TICK_MS);
	}

	#follow(): void {
		const { radio } = this.recording;
		if (radio.t.length === 0) return;
		this.now = radio.channels.map((column) => column[column.length - 1]);
		const before = this.view;
		const view = coachOrder(radio, before);
		this.view = view;
		// On a busy device a whole gesture may come with one tick.
		const isIn = view.windows.length > before.windows.length;
		if (view.wrong > before.wrong) {
			tone('wrong');
			say(view.words);
		} else if (isIn) {
			tone('done');
			if (view.phase === 'done') {
				say('All four are in.');
				this.finish();
				return;
			}
		}
		if (view.phase === 'wait') {
			if ((before.phase !== 'wait' || isIn) && !view.fault) say(ASKED_GESTURES[view.windows.length].say);
			this.#hands?.ask(view.windows.length, view.wrong);
		}
	}

	/** Ends here; only what was accepted is handed on, with the rest before each. */
	finish(): void {
		const { radio } = this.recording;
		const { windows } = this.view;
		this.#halt();
		if (windows.length === 0) return;
		const kept = (column: readonly number[]) => windows.flatMap(([from, to]) => column.slice(from, to + 1));
		const columns = Object.fromEntries(radio.channels.map((column, k) => [`ch${k + 1}`, kept(column)]));
		this.#onfinished(csvFile('gestures.csv', { 't [s]': kept(radio.t), ...columns }), this.#practice);
	}

	/** Hands on the gestures that were written down before their page went. */
	takeUp(kept: Underway): void {
		this.#practice = kept.from.practice;
		this.recording.takeUp(kept);
		this.view = coachOrder(this.recording.radio, ORDER_BEGIN);
		this.finish();
	}

	cancel(): void {
		this.#halt();
		this.recording.clear();
	}

	#halt(): void {
		if (this.#timer !== null) clearInterval(this.#timer);
		this.#timer = null;
		this.recording.stop();
		this.running = false;
	}

	dispose(): void {
		this.#halt();
		silence();
	}
}
