import { figure } from '$lib/core/figures/figure';
import { begunSmall } from '$lib/words/begun';
import { knownOf } from '$lib/core/symptoms/asked';
import { reopenedBy } from '$lib/core/symptoms/reopens';
import { fittingTo } from '$lib/core/symptoms/table';
import type { TestPayload } from '$lib/schema/entries';
import type { Aircraft } from '$lib/schema/records';
import { symptomRequestSchema, type SymptomAnswer, type SymptomKind, type SymptomRequest } from '$lib/schema/symptoms';
import { InputError } from '$lib/core/finding/inputError';
import { failed } from '$lib/ui/notify';
import { call } from '$lib/workers/core';

type Told = SymptomRequest['observations'][number];

const blank = (kind: SymptomKind): SymptomRequest => symptomRequestSchema.parse({ kind, observations: [] });

/** "What does it do?": what was told, and what follows from it. Every change is worked out again in a worker. */
export class FinderState {
	request = $state.raw<SymptomRequest>(blank('multirotor'));
	answer = $state.raw<SymptomAnswer | null>(null);
	busy = $state(false);
	#abort: AbortController | null = null;

	/** Of which aircraft, with what is known of it; nothing told is lost where it still fits. */
	take(aircraft: Aircraft, now: string): void {
		const known = knownOf(aircraft, now);
		const { observations } = fittingTo(known);
		this.#change({
			...blank(known.kind),
			...known,
			observations: this.request.observations.filter(({ id }) => observations.some((o) => o.id === id)),
		});
	}

	takeKind(kind: SymptomKind): void {
		this.#change({ ...blank(kind), place: this.request.place });
	}

	/** What was told before a reload. */
	restore(kept: unknown): boolean {
		const found = symptomRequestSchema.safeParse(kept);
		if (!found.success) return false;
		this.#change(found.data);
		return true;
	}

	tell(id: string, state: Told['state'], asked = false): void {
		const others = this.request.observations.filter((o) => o.id !== id);
		this.#change({ ...this.request, observations: [...others, { id, state, asked }] });
	}

	untell(id: string): void {
		const observations = this.request.observations.filter((o) => o.id !== id);
		// What was asked within reach of a sign that is gone may be out of reach now.
		const within = observations.some(({ state }) => state === 'present') ? observations : [];
		this.#change({ ...this.request, observations: within });
	}

	tested(id: string, outcome: string | null): void {
		const others = this.request.tests.filter((t) => t.id !== id);
		this.#change({ ...this.request, tests: outcome === null ? others : [...others, { id, outcome }] });
	}

	skip(id: string): void {
		this.#change({ ...this.request, skip: [...this.request.skip.filter((s) => s !== id), id] });
	}

	remedied(cause: string, result: 'gone' | 'persists'): void {
		const { remedies } = this.request;
		const same = remedies.filter((r) => r.cause === cause);
		const others = remedies.filter((r) => r.cause !== cause);
		const again = result === 'persists' ? same.filter((r) => r.result === 'persists').slice(0, 1) : [];
		this.#change({ ...this.request, remedies: [...others, ...again, { cause, result }] });
	}

	lately(recent: SymptomRequest['recent']): void {
		this.#change({ ...this.request, recent });
	}

	at(place: SymptomRequest['place']): void {
		this.#change({ ...this.request, place });
	}

	/** A new run: what it is and what it has stay, all that was told goes. */
	startOver(): void {
		const { kind, has, recent, place } = this.request;
		this.#change({ ...blank(kind), has, recent, place });
	}

	get begun(): boolean {
		return this.request.observations.length > 0 || this.request.tests.length > 0;
	}

	#change(request: SymptomRequest): void {
		this.request = request;
		void this.#rank();
	}

	async #rank(): Promise<void> {
		this.#abort?.abort();
		const abort = new AbortController();
		this.#abort = abort;
		if (!this.begun) {
			this.answer = null;
			this.busy = false;
			return;
		}
		this.busy = true;
		try {
			this.answer = await call('rankSymptoms', $state.snapshot(this.request), { signal: abort.signal });
		} catch (error) {
			if (abort.signal.aborted) return;
			// A sign out of reach of what was told: nothing told is lost, the page says what does not go together.
			if (error instanceof InputError) this.answer = null;
			failed(error);
		} finally {
			if (this.#abort === abort) this.busy = false;
		}
	}

	title = $derived.by(() => {
		const { answer } = this;
		if (!answer) return 'What does it do?';
		const [top] = answer.ranked;
		if (answer.danger.locked) return 'Propellers off: nothing more is tried with them on';
		if (answer.stop.state === 'ask-maker') return 'Nothing here fits: ask the maker';
		if (top && top.probability >= 0.5) return `Most likely: ${begunSmall(top.text)}`;
		return answer.ranked.length > 1 ? 'Several causes are about as likely' : 'What else does it do?';
	});

	/** The finding as it is kept. */
	payload(): TestPayload | null {
		const { answer, request } = this;
		if (!answer) return null;
		const present = request.observations.filter(({ state }) => state === 'present').map(({ id }) => id);
		const [top] = answer.ranked;
		const result = request.remedies.findLast(({ cause }) => cause === top?.cause)?.result;
		const seen = fittingTo(request)
			.observations.filter(({ id }) => present.includes(id))
			.map(({ text }) => text);
		return {
			kind: 'test',
			task: 'finder',
			grade: 'seen',
			sourceName: `seen: ${seen.join('; ')}`.slice(0, 200),
			headline: this.title,
			figures: answer.ranked
				.slice(0, 5)
				.map(({ cause, text, probability }) =>
					figure('likely-cause', 100 * probability, { part: cause, name: text.slice(0, 120) }),
				),
			troubleshooting: {
				sign: seen.join('; ').slice(0, 400),
				cause: (top?.text ?? '').slice(0, 400),
				remedy: (top?.remedy ?? '').slice(0, 400),
				outcome: answer.stop.state === 'ask-maker' ? 'ask-maker' : (result ?? 'open'),
				locked: answer.danger.locked,
				reopens: reopenedBy(top?.repeat ?? []),
			},
			verdict: answer.verdict,
			reasons: answer.reasons,
		};
	}

	dispose(): void {
		this.#abort?.abort();
	}
}
