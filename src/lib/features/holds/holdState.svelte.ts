import { coachHolds, type Accepted, type CoachView } from '$lib/core/guide/coach';
import type { Held, Hold, HoldPlan } from '$lib/core/guide/holds';
import { fromYawPitchRoll } from '$lib/core/frames/rotation';
import type { Mat3 } from '$lib/core/frames/mat3';
import { Recording } from '$lib/features/measuring/recording.svelte';
import { csvFile } from '$lib/instruments/files';
import type { obedientHands } from '$lib/rig/turning';
import type { Source } from '$lib/sources/source';
import type { Underway } from '$lib/store/underway';
import { inTheHand } from '$lib/ui/screen';
import { say, silence, tone } from '$lib/ui/speech';

const TICK_MS = 100;
/** What is wrong is said once, and again only after this long. */
const REPEAT_MS = 5000;

type Hands = ReturnType<typeof obedientHands>;

/** What hands do instead when they get a hold wrong: another face, a quarter instead of a half, hardly a tilt. */
function wrongPose({ wanted, pose }: Hold): Held | null {
	if (wanted.kind === 'face') return { ...pose, rollDeg: pose.rollDeg + 90 };
	if (wanted.kind === 'turned') return { ...pose, yawDeg: 90 };
	if (wanted.kind === 'lifted') return { pitchDeg: pose.pitchDeg / 4, rollDeg: pose.rollDeg / 4 };
	return null;
}

/** A procedure of holds, followed live: cues are spoken, what is held is counted, and the recording is handed on. */
export class HoldState {
	readonly recording: Recording;
	plan = $state.raw<HoldPlan | null>(null);
	view = $state.raw<CoachView | null>(null);
	running = $state(false);
	big = $state(false);
	/** Where the data are the practice aircraft's. */
	practice = $state(false);
	#accepted: Accepted[] = [];
	/** When a hold was last asked for again: what was held before is not taken for it. */
	#againS = -Infinity;
	#hands: Hands | null = null;
	#timer: ReturnType<typeof setInterval> | null = null;
	#said = '';
	#saidAt = 0;
	#onfinished: (file: File, practice: boolean) => void;

	/** With a key its recording comes back after its page was loaded again. */
	constructor(onfinished: (file: File, practice: boolean) => void, key: string | null = null) {
		this.recording = new Recording(key);
		this.#onfinished = onfinished;
	}

	get words(): string {
		return this.view?.words ?? 'Waiting for the first reading';
	}

	/** Share of all holds that is in, the one being held included. */
	progress = $derived.by(() => {
		const { plan, view } = this;
		if (!plan || !view) return 0;
		const held = view.asked ? Math.min(1, view.heldS / view.asked.holdS) : 0;
		return (view.accepted.length + (view.asked ? held : 0)) / plan.holds.length;
	});

	/** How it is held now: what the source knows, else what gravity says. */
	attitude = $derived.by((): Mat3 | null => {
		if (this.recording.attitude) return this.recording.attitude;
		const down = this.view?.down;
		if (!down) return null;
		return fromYawPitchRoll(0, Math.asin(Math.max(-1, Math.min(1, -down[0]))), Math.atan2(down[1], down[2]));
	});

	begin(plan: HoldPlan, source: Source, hands: Hands | null, practice: boolean): void {
		this.#halt();
		this.plan = plan;
		this.practice = practice;
		this.#hands = hands;
		this.#accepted = [];
		this.#againS = -Infinity;
		this.#said = '';
		this.running = true;
		// On a phone the screen is small and both hands are taken: one cue, nothing else.
		this.big = !source.turnable && inTheHand();
		this.recording.start(source);
		this.#follow();
		this.#timer = setInterval(() => this.#follow(), TICK_MS);
	}

	#follow(): void {
		const { plan, recording } = this;
		if (!plan || !this.running) return;
		const before = this.view;
		const stream = { accel: recording.accel, gyro: recording.gyro };
		const view = coachHolds(plan, stream, this.#accepted, this.#againS);
		const more = view.accepted.length > this.#accepted.length;
		this.#accepted = view.accepted;
		this.view = view;
		this.#askHands(view.asked);
		if (!view.asked) {
			tone('done');
			say('All of it is in. Put it down.');
			this.finish();
		} else if (more) {
			tone('done');
			this.#speak(
				`${plan.holds.find(({ id }) => id === view.accepted.at(-1)?.id)?.name ?? ''} is in. ${view.asked.say}.`,
			);
		} else if (view.fault) {
			if (this.#said !== view.words || performance.now() - this.#saidAt > REPEAT_MS) tone('wrong');
			this.#speak(view.words);
		} else if (view.holding && !before?.holding) tone('step');
		else if (this.#said === '') this.#speak(view.asked.say);
	}

	#askHands(asked: Hold | null): void {
		const { plan } = this;
		if (!plan || !asked) return;
		const slips = asked.id === plan.holds[Math.min(1, plan.holds.length - 1)].id;
		this.#hands?.ask({ id: asked.id, pose: asked.pose, wrong: wrongPose(asked), stands: asked.stands ?? false, slips });
	}

	#speak(words: string): void {
		const now = performance.now();
		if (words === this.#said && now - this.#saidAt < REPEAT_MS) return;
		this.#said = words;
		this.#saidAt = now;
		say(words);
	}

	/**
	 * Asks for a hold again that is in already, and in a fixed order for those after it too. What was recorded from its
	 * beginning to the next hold that stays is left out of the reading.
	 */
	again(id: string): void {
		const at = this.#accepted.findIndex((a) => a.id === id);
		if (at < 0) return;
		const gone = this.#accepted.slice(at, this.plan?.anyOrder ? at + 1 : undefined);
		this.#accepted = this.#accepted.filter((a) => !gone.includes(a));
		const { tStart } = gone[0];
		const next = this.#accepted.filter((a) => a.tStart > tStart).map((a) => a.tStart);
		this.#againS = this.recording.atS;
		this.recording.leaveOut([tStart, Math.min(this.#againS, ...next)]);
		this.#follow();
	}

	/** Whether a reading counts: not of a hold that was taken back; of a sensor at rest, only the rest. */
	#counts(tS: number): boolean {
		if (this.recording.leftOut.some(([from, to]) => tS >= from && tS < to)) return false;
		if (!this.plan?.restOnly) return true;
		const [held] = this.#accepted;
		const from = held?.tStart ?? this.recording.atS - (this.view?.heldS ?? 0);
		return tS >= from && tS <= (held?.tEnd ?? Infinity);
	}

	/** Ends here and hands on what was recorded: what is missing is said by the finding. */
	finish(): void {
		this.#halt();
		const { accel, gyro } = this.recording;
		if (accel.t.length < 2) return;
		const kept = accel.t.map((t) => this.#counts(t));
		const only = (values: number[]) => values.filter((_, i) => kept[i]);
		const named = (axes: typeof accel, prefix: string, unit: string) =>
			Object.fromEntries((['x', 'y', 'z'] as const).map((k) => [`${prefix}${k} [${unit}]`, only(axes[k])]));
		const columns = {
			't [s]': only(accel.t),
			...named(accel, 'a', 'm/s2'),
			...(gyro.t.length === accel.t.length ? named(gyro, 'g', 'rad/s') : {}),
		};
		this.#onfinished(csvFile(`${this.plan?.id ?? 'holds'}.csv`, columns), this.practice);
	}

	/** Hands on what was written down of a procedure whose page went: as if it had been ended there. */
	takeUp(plan: HoldPlan, kept: Underway): void {
		this.plan = plan;
		this.practice = kept.from.practice;
		this.recording.takeUp(kept);
		const { accel, gyro, leftOut } = this.recording;
		// What is still being held at its end; that earlier holds were in needs no asking again.
		const fromS = Math.max(-Infinity, ...leftOut.map(([, to]) => to));
		this.view = coachHolds(plan, { accel, gyro }, [], fromS);
		this.#accepted = this.view.accepted;
		this.finish();
	}

	/** Ends without a finding. */
	cancel(): void {
		this.#halt();
		this.recording.clear();
		this.view = null;
	}

	#halt(): void {
		if (this.#timer !== null) clearInterval(this.#timer);
		this.#timer = null;
		this.recording.stop();
		this.running = false;
		this.big = false;
	}

	dispose(): void {
		this.#halt();
		silence();
	}
}
