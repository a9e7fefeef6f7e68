import { figure } from '$lib/core/figures/figure';
import { z } from 'zod';
import { judgeGuide, type Shown, type StepAnswer } from '$lib/core/guide/run';
import type { GuideStep, Recipe } from '$lib/core/guide/recipes';
import type { Sensor } from '$lib/schema/records';
import type { TestPayload } from '$lib/schema/entries';
import { say, silence, tone } from '$lib/ui/speech';

type Phase = 'before' | 'steps' | 'found';

const TICK_MS = 100;

const draftSchema = z.object({
	recipe: z.string(),
	phase: z.enum(['before', 'steps', 'found']),
	step: z.int().min(0),
	ready: z.array(z.boolean()),
	answers: z.array(
		z
			.object({
				shown: z.enum(['as-wanted', 'otherwise', 'not-seen']),
				note: z.string(),
				heldS: z.number().nonnegative().optional(),
			})
			.nullable(),
	),
});
type GuideDraft = z.infer<typeof draftSchema>;

/** An aircraft's own routine, step by step: holds run by themselves, what the aircraft showed is asked after each. */
export class GuideState {
	recipe = $state.raw<Recipe>({ id: '', name: '', note: '', before: [], steps: [], after: [] });
	phase = $state<Phase>('before');
	ready = $state<boolean[]>([]);
	step = $state(0);
	/** Seconds of the hold that are over; null where the step is not running. */
	heldS = $state<number | null>(null);
	answers = $state.raw<(StepAnswer | undefined)[]>([]);
	note = $state('');
	#timer: ReturnType<typeof setInterval> | null = null;
	/** How long the hold of this step lasted; null where it has none, or it runs. */
	#heldFor: number | null = null;

	constructor(recipe: Recipe) {
		this.choose(recipe);
	}

	choose(recipe: Recipe): void {
		this.#halt();
		this.recipe = recipe;
		this.phase = 'before';
		this.ready = recipe.before.map(() => false);
		this.step = 0;
		this.answers = recipe.steps.map(() => undefined);
		this.note = '';
	}

	/** What was done so far, to go on with later; null where nothing was. */
	get draft(): GuideDraft | null {
		const { recipe, phase, step } = this;
		if (phase === 'before' && !this.ready.some(Boolean)) return null;
		return { recipe: recipe.id, phase, step, ready: [...this.ready], answers: this.answers.map((a) => a ?? null) };
	}

	/** Goes on with what was done before; a hold begins again. False where it is no draft of these recipes any more. */
	takeUp(kept: unknown, recipes: readonly Recipe[]): boolean {
		const parsed = draftSchema.safeParse(kept);
		const recipe = parsed.success && recipes.find(({ id }) => id === parsed.data.recipe);
		if (!recipe) return false;
		const { phase, step, ready, answers } = parsed.data;
		const fits = step < recipe.steps.length && ready.length === recipe.before.length;
		if (!fits || answers.length !== recipe.steps.length) return false;
		this.choose(recipe);
		this.ready = ready;
		this.answers = answers.map((answer) => answer ?? undefined);
		this.phase = phase;
		if (phase === 'steps') this.#enter(step);
		return true;
	}

	get current(): GuideStep {
		return this.recipe.steps[this.step];
	}

	/** Waiting for what the aircraft showed: nothing to hold, or the hold is over. */
	asking = $derived.by(() => this.phase === 'steps' && this.heldS === null);

	finding = $derived.by(() => judgeGuide(this.recipe, this.ready, this.answers));

	get allReady(): boolean {
		return this.ready.every(Boolean);
	}

	begin(): void {
		this.phase = 'steps';
		this.#enter(0);
	}

	#enter(step: number): void {
		this.#halt();
		this.step = step;
		this.#heldFor = null;
		this.note = this.answers[step]?.note ?? '';
		const { holdS } = this.current;
		say(this.current.say ?? this.current.do);
		tone('step');
		if (holdS === undefined) return;
		const from = performance.now();
		this.heldS = 0;
		this.#timer = setInterval(() => {
			this.heldS = (performance.now() - from) / 1000;
			if (this.heldS < holdS) return;
			this.#halt();
			tone('done');
			say(this.current.watch ? 'Now look at the aircraft.' : 'Done.');
			if (!this.current.watch) this.answer('as-wanted');
		}, TICK_MS);
	}

	/** Ends a hold early: the aircraft said that it is done before the time was over. */
	endHold(): void {
		this.#halt();
	}

	answer(shown: Shown): void {
		const heldS = this.#heldFor === null ? {} : { heldS: this.#heldFor };
		this.answers = this.answers.map((a, k) => (k === this.step ? { shown, note: this.note.trim(), ...heldS } : a));
		// A step that failed ends the routine: nothing after it makes a calibration of it.
		const ends = this.current.watch !== undefined && shown === 'otherwise';
		if (ends && !this.current.mustPass) {
			tone('wrong');
			say('Stop. The step failed.');
			this.stop();
		} else if (this.current.mustPass && shown !== 'as-wanted') {
			tone('wrong');
			say('Stop. Not with the propellers on.');
			this.stop();
		} else if (this.step + 1 < this.recipe.steps.length) this.#enter(this.step + 1);
		else {
			this.#halt();
			this.phase = 'found';
			tone(this.finding.verdict === 'fail' ? 'wrong' : 'done');
			say(this.finding.verdict === 'fail' ? 'Not done.' : 'Done.');
		}
	}

	/** Back to the step before; its answer is given again. */
	back(): void {
		if (this.step > 0) this.#enter(this.step - 1);
	}

	/** Ends the routine here: what was left out is said so. */
	stop(): void {
		this.#halt();
		this.phase = 'found';
	}

	payload(sensor: Sensor): TestPayload {
		const { headline, verdict, reasons } = this.finding;
		return {
			kind: 'test',
			task: `guided-${sensor}`,
			sensor,
			grade: 'guided',
			sourceName: `the aircraft’s own routine: ${this.recipe.name.toLowerCase()}`,
			headline: headline.slice(0, 400),
			figures: [figure('steps-done', this.answers.filter(Boolean).length, { unit: `of ${this.recipe.steps.length}` })],
			verdict,
			reasons,
		};
	}

	#halt(): void {
		if (this.heldS !== null) this.#heldFor = this.heldS;
		if (this.#timer !== null) clearInterval(this.#timer);
		this.#timer = null;
		this.heldS = null;
	}

	dispose(): void {
		this.#halt();
		silence();
	}
}
