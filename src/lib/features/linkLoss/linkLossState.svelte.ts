import { judgeLinkLoss, type LinkLossSeen } from '$lib/core/radio/linkLossTest';
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
	reactedS = $state<number | null>(null);
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
		this.reactedS = reacted ? Math.round(this.elapsedS * 10) / 10 : null;
		this.#halt();
		this.step = 'seen';
	}

	get seen(): LinkLossSeen | null {
		const { action, armed, motors, told, linkedAgain } = this;
		const turned = armed === false ? 'not-turning' : motors;
		if (!action || armed === null || !turned || told === null || linkedAgain === null) return null;
		return { action, armed, reactedS: this.reactedS, motors: turned, told, linkedAgain };
	}

	finding = $derived.by(() => (this.seen ? judgeLinkLoss(this.seen) : null));

	conclude(): void {
		if (!this.finding) return;
		this.step = 'found';
		tone(this.finding.verdict === 'fail' ? 'wrong' : 'done');
	}

	repeat(): void {
		this.#halt();
		this.step = 'before';
		this.reactedS = null;
		[this.motors, this.told, this.linkedAgain] = [null, null, null];
	}

	payload(grade: Grade): TestPayload | null {
		if (!this.finding) return null;
		const { headline, verdict, reasons } = this.finding;
		return {
			kind: 'test',
			task: 'link-loss',
			sensor: 'link-loss',
			grade,
			sourceName: this.armed ? 'radio off on the bench, armed' : 'radio off on the bench, disarmed',
			headline,
			figures: [{ label: 'Reacted after', value: this.reactedS, unit: 's' }],
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
