import { judgeLinkLoss, type LinkLossSeen } from '$lib/core/radio/linkLossTest';
import type { Start, Stop } from '$lib/core/radio/stopwatch';
import type { Grade, TestPayload } from '$lib/schema/entries';
import type { LossAction } from '$lib/schema/records';
import { say, tone } from '$lib/ui/speech';

type Step = 'setting' | 'before' | 'running' | 'seen' | 'found';

/** The radio switched off on the bench: from what is set to what was seen. Every answer starts unanswered. */
export class LinkLossState {
	step = $state<Step>('setting');
	action = $state<LossAction | null>(null);
	armed = $state<boolean | null>(null);
	propellersOff = $state(false);
	elapsedS = $state(0);
	/** As timed, of every loss so far; none where it did not react. */
	measuredS = $state<number[]>([]);
	/** How the loss and the reaction are noticed. */
	start = $state<Start>('tap');
	stop = $state<Stop>('seen');
	motors = $state<LinkLossSeen['motors'] | null>(null);
	told = $state<boolean | null>(null);
	linkedAgain = $state<boolean | null>(null);
	#timer: ReturnType<typeof setInterval> | null = null;

	constructor(action: LossAction | undefined) {
		this.action = action ?? null;
	}

	begin(): void {
		const from = performance.now();
		this.step = 'running';
		this.elapsedS = 0;
		say('Radio off. Count.');
		tone('step');
		this.#timer = setInterval(() => (this.elapsedS = (performance.now() - from) / 1000), 50);
	}

	/** The moment it reacted; null where it did not. */
	react(reacted: boolean): void {
		this.measuredS = reacted ? [...this.measuredS, Math.round(this.elapsedS * 100) / 100] : [];
		this.#halt();
		this.step = 'seen';
	}

	/** A time that was read off a recording. */
	timed(seconds: number): void {
		this.measuredS = [...this.measuredS, seconds];
		this.step = 'seen';
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
		this.#halt();
		this.step = 'before';
	}

	repeat(): void {
		this.#halt();
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
				{ label: 'Reacted after', value: time?.meanS ?? null, unit: 's', ...(time ? { sigma: time.sigmaS } : {}) },
				...(time && time.used > 1 ? [{ label: 'Losses timed', value: time.used, unit: '' }] : []),
			],
			verdict,
			reasons,
		};
	}

	#halt(): void {
		if (this.#timer !== null) clearInterval(this.#timer);
		this.#timer = null;
	}

	dispose(): void {
		this.#halt();
	}
}
