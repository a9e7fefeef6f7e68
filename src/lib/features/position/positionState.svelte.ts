import type { LockRule } from '$lib/core/position/lock';
import type { GnssAnswer } from '$lib/schema/gnss';
import { readText } from '$lib/instruments/readText';
import type { Source } from '$lib/sources/source';
import type { Underway } from '$lib/store/underway';
import { failed } from '$lib/ui/notify';
import { say, tone } from '$lib/ui/speech';
import { call } from '$lib/workers/core';
import type { Found, LiveMeasurement } from '$lib/features/measuring/liveMeasurement';
import { positionFigures } from './figures';
import { failedOnce } from '$lib/features/measuring/failedOnce';
import { Recording } from '$lib/features/measuring/recording.svelte';

const UPDATE_MS = 600;

/** A receiver being watched, or its log being reviewed, against the aircraft's own lock rule. */
export class PositionState implements LiveMeasurement {
	readonly recording: Recording;
	phase = $state<'choose' | 'watching' | 'result'>('choose');
	busy = $state(false);
	answer = $state.raw<GnssAnswer | null>(null);
	/** Read from a file, where it was not followed live. */
	#file: { name: string; text: string } | null = null;
	#rule: () => LockRule;
	#abort: AbortController | null = null;

	/** With a key its recording comes back after its page was loaded again. */
	constructor(rule: () => LockRule, key: string | null = null) {
		this.recording = new Recording(key);
		this.#rule = rule;
	}

	get rule(): LockRule {
		return this.#rule();
	}

	title = $derived.by(() => {
		if (this.phase === 'choose') return 'Let the receiver see the sky, and watch the lock come';
		const { answer } = this;
		if (!answer && this.phase === 'result' && !this.busy) return 'What was recorded is not judged yet';
		if (!answer) return 'Listening to the receiver…';
		if (answer.lockS !== null && answer.verdict !== 'fail')
			return `Locked: ${answer.satellitesUsed.last} satellites, held for ${this.rule.holdS} s`;
		return answer.reasons[0].text;
	});

	begin(source: Source): void {
		this.answer = null;
		this.#file = null;
		this.phase = 'watching';
		this.recording.start(source);
		void this.#follow();
	}

	get idle(): boolean {
		return !this.answer && !this.recording.running;
	}

	get practice(): boolean {
		return this.#file === null && this.recording.practice;
	}

	get sourceName(): string {
		return this.#file?.name ?? this.recording.sourceName;
	}

	get found(): Found | null {
		const { answer } = this;
		return answer && !this.recording.running ? { ...answer, figures: positionFigures(answer), answer } : null;
	}

	async readFile(file: File): Promise<void> {
		try {
			const text = await readText(file, 'latin1');
			this.repeat();
			this.#file = { name: file.name, text };
			await this.finish();
		} catch (error) {
			failed(error);
		}
	}

	async #follow(): Promise<void> {
		const tell = failedOnce();
		while (this.phase === 'watching' && this.recording.running) {
			if (this.recording.lines.length > 0) {
				try {
					const answer = await this.#review();
					if (this.phase !== 'watching') return;
					this.answer = answer;
				} catch (error) {
					tell(error);
				}
				if (this.phase !== 'watching') return;
				if (this.answer && this.answer.lockS !== null && this.answer.verdict !== 'fail') {
					tone('done');
					say('Locked. Home is stored.');
					await this.finish();
					return;
				}
			}
			await new Promise((resolve) => setTimeout(resolve, UPDATE_MS));
		}
	}

	#review(signal?: AbortSignal): Promise<GnssAnswer> {
		const text = this.#file?.text ?? this.recording.lines.join('\n');
		const rule = { ...this.rule };
		return call('reviewGnss', { text, rule }, { signal });
	}

	async finish(): Promise<void> {
		this.recording.stop();
		this.busy = true;
		this.phase = 'result';
		this.#abort = new AbortController();
		try {
			this.answer = await this.#review(this.#abort.signal);
		} catch (error) {
			// A log can be opened again; what was recorded here stays, to be judged again.
			if (this.#file) this.repeat();
			else this.answer = null;
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			this.busy = false;
		}
	}

	cancel(): void {
		this.#abort?.abort();
	}

	repeat(): void {
		this.recording.stop();
		this.recording.clear();
		this.#file = null;
		this.answer = null;
		this.phase = 'choose';
	}

	get holds(): boolean {
		return this.phase !== 'choose' && (this.#file !== null || this.recording.lines.length > 0);
	}

	/** Lets the source go; what was heard stays, to be judged when one comes back. */
	rest(): void {
		this.dispose();
		if (this.phase !== 'watching') return;
		this.phase = this.holds ? 'result' : 'choose';
		this.answer = null;
	}

	/** What was written down before the page went: to be worked out. */
	takeUp(kept: Underway): void {
		this.recording.takeUp(kept);
		this.phase = 'watching';
		this.rest();
	}

	dispose(): void {
		this.#abort?.abort();
		this.recording.stop();
	}
}
