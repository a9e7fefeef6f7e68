import { figure as figureOf, type Figure } from '$lib/core/figures/figure';
import { z } from 'zod';
import { reviewSeenHover } from '$lib/core/hover/seen';
import {
	hoverSeenRequestSchema,
	seenMarkSchema,
	type HoverSeenAnswer,
	type HoverSeenRequest,
	type SeenKind,
} from '$lib/schema/hoverSeen';
import { formatQuantity } from '$lib/words/units';
import { Stopwatch } from '$lib/features/measuring/stopwatch.svelte';
import { units } from '$lib/ui/preferences.svelte';
import { say, tone } from '$lib/ui/speech';

type View = HoverSeenRequest['views'][number];
type Mark = View['marks'][number];
type Hold = HoverSeenRequest['hold'];

const figure = z.number().nullable();
const draftSchema = z.object({
	step: z.enum(['before', 'watching', 'after', 'found']),
	hold: hoverSeenRequestSchema.shape.hold,
	person: z.string(),
	heightM: z.number(),
	noseDeg: figure,
	watchedS: z.number(),
	marks: z.array(seenMarkSchema),
	stoppedEarly: z.boolean(),
	farthest: z.object({ value: figure, unit: z.enum(['steps', 'lengths', 'm']) }),
	circleS: figure,
	creep: z.object({ forS: figure, metres: figure, dirDeg: figure }),
	views: hoverSeenRequestSchema.shape.views.or(z.tuple([])),
	fromMs: figure,
});
type Draft = z.infer<typeof draftSchema>;

/** What the page knows of the aircraft and the day. */
export interface SeenSetting {
	lengthM: number;
	stepM: number;
	compassChecked: boolean;
	wind: HoverSeenRequest['wind'];
}

/** Somebody who says nothing for so long is asked. */
const ASK_AFTER_S = 15;

/** A hover watched by eye: marks by one tap while it flies, a few questions after it, the finding. More hovers add to it. */
export class SeenState {
	step = $state<'before' | 'watching' | 'after' | 'found'>('before');
	hold = $state<Hold>('position');
	person = $state('');
	/** Head height, where nothing else is said. */
	heightM = $state(2);
	noseDeg = $state<number | null>(null);
	readonly clock = new Stopwatch(() => this.#ask());
	/** How long it was watched, once it is over. */
	watchedS = $state(0);
	marks = $state.raw<Mark[]>([]);
	stoppedEarly = $state(false);
	farthest = $state<{ value: number | null; unit: 'steps' | 'lengths' | 'm' }>({ value: null, unit: 'steps' });
	circleS = $state<number | null>(null);
	/** Hands off: for how long, how far, which way seen from behind its tail; filled in where it holds no place. */
	creep = $state<{ forS: number | null; metres: number | null; dirDeg: number | null }>({
		forS: null,
		metres: null,
		dirDeg: null,
	});
	views = $state.raw<View[]>([]);
	answer = $state.raw<HoverSeenAnswer | null>(null);
	#askedS = 0;
	readonly #setting: () => SeenSetting;

	constructor(setting: () => SeenSetting) {
		this.#setting = setting;
	}

	get last(): Mark | null {
		return this.marks.at(-1) ?? null;
	}

	get circled(): boolean {
		return this.marks.some(({ kind }) => kind === 'circling');
	}

	begin(): void {
		this.step = 'watching';
		this.marks = [];
		this.#askedS = 0;
		tone('step');
		say('Watch it. Tap what it does.');
		this.clock.start();
	}

	#ask(): void {
		const { elapsedS } = this.clock;
		if (elapsedS - Math.max(this.#askedS, this.last?.t ?? 0) < ASK_AFTER_S) return;
		this.#askedS = elapsedS;
		tone('step');
		say('What does it do now?');
	}

	mark(kind: SeenKind, more: Partial<Mark> = {}): void {
		if (this.step !== 'watching') return;
		this.marks = [...this.marks, { t: Math.round(this.clock.seconds * 10) / 10, kind, ...more }];
	}

	/** Takes the last mark back. */
	undo(): void {
		this.marks = this.marks.slice(0, -1);
	}

	end(early: boolean): void {
		this.watchedS = Math.max(1, this.clock.seconds);
		this.clock.stop();
		this.stoppedEarly = early;
		this.step = 'after';
	}

	/** Judges this hover with those before it. @throws InputError where an answer cannot be. */
	judge(): void {
		const { farthest, creep, noseDeg, circleS } = this;
		const whole = creep.forS !== null && creep.metres !== null && creep.dirDeg !== null;
		const durationS = Math.min(600, Math.round(this.watchedS * 10) / 10);
		const view = {
			hover: `hover ${this.views.length + 1}`,
			person: this.person,
			durationS,
			heightM: this.heightM,
			stoppedEarly: this.stoppedEarly,
			marks: this.marks.map((mark) => ({ ...mark, t: Math.min(mark.t, durationS) })),
			...(noseDeg === null ? {} : { noseDeg }),
			...(farthest.value === null ? {} : { farthest: { value: farthest.value, unit: farthest.unit } }),
			...(circleS === null ? {} : { circleS }),
			...(whole && this.hold !== 'position' && noseDeg !== null
				? {
						creep: [
							{
								t0: 0,
								t1: creep.forS,
								dirDeg: creep.dirDeg,
								frame: 'nose',
								fromRest: true,
								distance: { value: creep.metres, unit: 'm' },
							},
						],
					}
				: {}),
		};
		const answer = this.#review([...this.views, view]);
		tone(answer.verdict === 'fail' ? 'wrong' : 'done');
	}

	#review(views: unknown[]): HoverSeenAnswer {
		const { lengthM, stepM, compassChecked, wind } = this.#setting();
		const request = hoverSeenRequestSchema.parse({
			hold: this.hold,
			aircraft: { lengthM },
			stepM,
			compassChecked,
			views,
			...(wind ? { wind } : {}),
		});
		this.views = request.views;
		this.step = 'found';
		return (this.answer = reviewSeenHover(request));
	}

	/** What was seen so far, to go on with later; null where nothing was. */
	get draft(): Draft | null {
		const { step, hold, person, heightM, noseDeg, watchedS, marks, stoppedEarly, circleS, views, clock } = this;
		if (step === 'before' && views.length === 0) return null;
		return {
			step,
			hold,
			person,
			heightM,
			noseDeg,
			watchedS,
			marks,
			stoppedEarly,
			circleS,
			views,
			farthest: { ...this.farthest },
			creep: { ...this.creep },
			fromMs: clock.fromMs,
		};
	}

	takeUp(kept: unknown): void {
		const { data } = draftSchema.safeParse(kept);
		if (!data || (data.step === 'found' && data.views.length === 0)) return;
		const { fromMs, ...seen } = data;
		if (seen.step === 'watching' && !this.clock.goOn(fromMs)) return;
		Object.assign(this, seen);
		if (seen.step === 'found') this.#review(seen.views);
	}

	/** One more hover of the same aircraft, unchanged. */
	another(): void {
		this.clock.stop();
		this.step = 'before';
		this.marks = [];
		this.farthest = { value: null, unit: this.farthest.unit };
		this.circleS = null;
		this.creep = { forS: null, metres: null, dirDeg: null };
		this.noseDeg = null;
	}

	startOver(): void {
		this.another();
		this.views = [];
		this.answer = null;
	}

	title = $derived.by(() => {
		const { answer, step } = this;
		if (step === 'watching') return 'Watch it for a minute, and tap what it does';
		if (step === 'after') return 'How far did it go?';
		if (step === 'before' || !answer) return 'Hover for a minute, hands off, and watch it';
		if (answer.verdict === 'fail') return answer.reasons[0].text;
		const farthest =
			answer.farthestM === null ? '' : `, farthest ${formatQuantity(answer.farthestM, 'height', units())}`;
		if (this.hold === 'position')
			return answer.circling.category === 'none' ? `Held position by eye${farthest}` : 'Circling was seen now and then';
		return answer.verdict === 'pass' ? `Held attitude by eye${farthest}` : answer.reasons[0].text;
	});

	/** Seconds in the air over all hovers watched. */
	get flownS(): number {
		return this.views.reduce((sum, { durationS }) => sum + durationS, 0);
	}

	get figures(): Figure[] {
		const { answer } = this;
		if (!answer) return [];
		return [
			figureOf('farthest', answer.farthestM, { sigma: answer.farthestSigmaM }),
			figureOf('share-still', answer.stillShare === null ? null : 100 * answer.stillShare),
			...(this.hold === 'position'
				? [
						figureOf(
							'circling-probability',
							answer.circling.probability === null ? null : 100 * answer.circling.probability,
						),
						figureOf('compass-error', answer.compassErrorDeg, { sigma: answer.compassErrorSigmaDeg }),
						figureOf('compass-error-excluded', answer.excludedAboveDeg),
					]
				: []),
			figureOf('watched', this.flownS),
		];
	}

	dispose(): void {
		this.clock.stop();
	}
}
