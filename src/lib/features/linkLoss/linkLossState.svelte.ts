import { figure } from '$lib/core/figures/figure';
import { z } from 'zod';
import { judgeLinkLoss, type LinkLossSeen } from '$lib/core/radio/linkLossTest';
import type { Start, Stop } from '$lib/core/radio/stopwatch';
import type { Grade, TestPayload } from '$lib/schema/entries';
import { lossActionSchema, type LossAction } from '$lib/schema/records';
import { Stopwatch } from '$lib/features/measuring/stopwatch.svelte';
import { say, tone } from '$lib/ui/speech';

const STEPS = ['setting', 'before', 'running', 'seen', 'found'] as const;
type Step = (typeof STEPS)[number];

const draftSchema = z.object({
	step: z.enum(STEPS),
	action: lossActionSchema,
	armed: z.boolean().nullable(),
	measuredS: z.array(z.number().nonnegative()),
	start: z.enum(['tap', 'key', 'called'] satisfies Start[]),
	stop: z.enum(['seen', 'heard', 'sound', 'video', 'text'] satisfies Stop[]),
	motors: z.enum(['stopped', 'ran-on', 'not-turning'] satisfies LinkLossSeen['motors'][]).nullable(),
	told: z.boolean().nullable(),
	linkedAgain: z.boolean().nullable(),
	fromMs: z.number().nullable(),
});
type Draft = z.infer<typeof draftSchema>;

/** The radio switched off on the bench: from what is set to what was seen. Every answer starts unanswered. */
export class LinkLossState {
	step = $state<Step>('setting');
	action = $state<LossAction | null>(null);
	armed = $state<boolean | null>(null);
	propellersOff = $state(false);
	readonly clock = new Stopwatch();
	/** As timed, of every loss so far; none where it did not react. */
	measuredS = $state<number[]>([]);
	/** How the loss and the reaction are noticed. */
	start = $state<Start>('tap');
	stop = $state<Stop>('seen');
	motors = $state<LinkLossSeen['motors'] | null>(null);
	told = $state<boolean | null>(null);
	linkedAgain = $state<boolean | null>(null);

	constructor(action: LossAction | undefined) {
		this.action = action ?? null;
	}

	begin(): void {
		this.step = 'running';
		this.clock.start();
		say('Radio off. Count.');
		tone('step');
	}

	/** The moment it reacted; null where it did not. */
	react(reacted: boolean): void {
		this.measuredS = reacted ? [...this.measuredS, Math.round(this.clock.seconds * 100) / 100] : [];
		this.clock.stop();
		this.step = 'seen';
	}

	/** A time that was read off a recording. */
	timed(seconds: number): void {
		this.measuredS = [...this.measuredS, seconds];
		this.step = 'seen';
	}

	/** What was timed and answered so far, to go on with later; null where nothing was. */
	get draft(): Draft | null {
		const { step, action, armed, measuredS, start, stop, motors, told, linkedAgain, clock } = this;
		const begun = step !== 'setting' && step !== 'before';
		if (!action || (!begun && measuredS.length === 0)) return null;
		return { step, action, armed, measuredS, start, stop, motors, told, linkedAgain, fromMs: clock.fromMs };
	}

	/** Goes on with it, where it is of the action that is set now. That propellers are off is asked again. */
	takeUp(kept: unknown): void {
		const { data } = draftSchema.safeParse(kept);
		if (!data || (this.action && data.action !== this.action)) return;
		const { fromMs, ...seen } = data;
		if (seen.step === 'running' && !this.clock.goOn(fromMs)) return;
		Object.assign(this, seen);
	}

	get seen(): LinkLossSeen | null {
		const { action, armed, motors, told, linkedAgain } = this;
		const turned = armed === false ? 'not-turning' : motors;
		if (!action || armed === null || !turned || told === null || linkedAgain === null) return null;
		const { measuredS, start, stop } = this;
		return { action, armed, measuredS, start, stop, motors: turned, told, linkedAgain };
	}

	finding = $derived.by(() => (this.seen ? judgeLinkLoss(this.seen) : null));

	conclude(): void {
		if (!this.finding) return;
		this.step = 'found';
		tone(this.finding.verdict === 'fail' ? 'wrong' : 'done');
	}

	/** Once more, timed in the same way: the times stand together. */
	another(): void {
		this.clock.stop();
		this.step = 'before';
	}

	repeat(): void {
		this.clock.stop();
		this.step = 'before';
		this.measuredS = [];
		[this.motors, this.told, this.linkedAgain] = [null, null, null];
	}

	payload(grade: Grade): TestPayload | null {
		if (!this.finding) return null;
		const { headline, verdict, reasons, time } = this.finding;
		return {
			kind: 'test',
			task: 'link-loss',
			sensor: 'link-loss',
			grade,
			sourceName: this.armed ? 'radio off on the bench, armed' : 'radio off on the bench, disarmed',
			headline,
			figures: [
				figure('failsafe-delay', time?.meanS ?? null, { sigma: time?.sigmaS }),
				...(time && time.used > 1 ? [figure('failsafe-losses', time.used)] : []),
			],
			verdict,
			reasons,
		};
	}

	dispose(): void {
		this.clock.stop();
	}
}
