import { figure } from '$lib/core/figures/figure';
import { z } from 'zod';
import { localTrack, trackOf, type LocalTrack } from '$lib/core/hover/track';
import { HOVER_ROLES } from '$lib/core/record/logRoles';
import { isTrackFile } from '$lib/core/record/tracks';
import { phasesOfTrack, type TrackedReturn } from '$lib/core/return/returnTrack';
import { completeTrack } from '$lib/features/hover/hoverState.svelte';
import { Stopwatch } from '$lib/features/measuring/stopwatch.svelte';
import { TableFlow } from '$lib/features/measuring/tableFlow.svelte';
import { failed } from '$lib/ui/notify';
import { call } from '$lib/workers/core';
import type { ReturnTimes } from '$lib/core/return/returnTimes';
import { judgeReturn, PHASES, taskOfTrigger, type Phase, type Trigger } from '$lib/core/return/returnTest';
import type { Grade, TestPayload } from '$lib/schema/entries';
import { say, tone } from '$lib/ui/speech';

/** What is said as a phase is awaited. */
export const WAITS: Record<Phase, { wait: string; done: string }> = {
	turned: { wait: 'It should turn home', done: 'It turned' },
	climbed: { wait: 'It should climb to its return height', done: 'It climbed' },
	overhead: { wait: 'It should come back over home', done: 'It is overhead' },
	descending: { wait: 'It should pause and come down', done: 'It comes down' },
	down: { wait: 'It should touch down', done: 'It is down' },
	disarmed: { wait: 'It should switch its motors off', done: 'Motors are off' },
};
const seconds = z.number().nonnegative().nullable();
const draftSchema = z.object({
	step: z.enum(['running', 'abort', 'found']),
	trigger: z.enum(['switch', 'radio-off']),
	distanceM: z.number().nonnegative(),
	heightM: z.number().nonnegative(),
	seenS: z.record(z.enum(PHASES), seconds),
	takenOverS: seconds,
	at: z.int().min(0).max(PHASES.length),
	fromMs: z.number().nullable(),
});
type Draft = z.infer<typeof draftSchema>;

interface Around {
	minDistanceM: number;
	returnHeightM: number;
	/** What the plan gives for a distance and a height, s. */
	planned: (from: { distanceM: number; heightM: number }) => ReturnTimes | null;
}

/** A return as it is flown: set off, then one tap a phase, in order; a phase may be passed over, and it may be taken over. */
export class ReturnTestState {
	step = $state<'before' | 'running' | 'abort' | 'logged' | 'found'>('before');
	readonly table = new TableFlow('hover', HOVER_ROLES, completeTrack);
	/** The file that the phases come from; empty where they were tapped. */
	sourceName = $state('');
	/** What the log shows, and the track, to move the moment at which it was set off. */
	logged = $state.raw<TrackedReturn | null>(null);
	#track: LocalTrack | null = null;
	trigger = $state<Trigger | null>(null);
	distanceM = $state<number | null>(null);
	heightM = $state<number | null>(null);
	ready = $state(false);
	readonly clock = new Stopwatch();
	seenS = $state<Record<Phase, number | null>>(blank());
	takenOverS = $state<number | null>(null);
	at = $state(0);
	#around: () => Around;

	constructor(around: () => Around) {
		this.#around = around;
	}

	/** What is awaited now; null once all is seen. */
	phase = $derived.by((): Phase | null => PHASES[this.at] ?? null);

	begin(): void {
		[this.step, this.at, this.takenOverS, this.seenS] = ['running', 0, null, blank()];
		tone('step');
		say(WAITS.turned.wait);
		this.clock.start();
	}

	/** Phases from the log of the flight instead of taps. */
	async readLog(file: File): Promise<void> {
		try {
			const read = isTrackFile(file.name) ? await call('readTrack', file) : await this.table.read(file);
			if (!read) return;
			this.#track = localTrack({ track: trackOf({ ...read }), hold: 'position' });
			this.logged = phasesOfTrack(this.#track);
			[this.sourceName, this.step] = [file.name, 'logged'];
		} catch (error) {
			failed(error);
		}
	}

	/** Moves the moment at which it was set off, seconds of the log. */
	setOff(atS: number): void {
		if (!this.#track) return;
		try {
			this.logged = phasesOfTrack(this.#track, this.#track.t[0] + atS);
		} catch (error) {
			failed(error);
		}
	}
	get setOffS(): number | null {
		return this.logged && this.#track ? Math.round(this.logged.setOffS - this.#track.t[0]) : null;
	}

	/** Takes what the log shows as what was seen; that its motors went off no track tells. */
	takeLog(disarmed: boolean): void {
		if (!this.logged) return;
		const { distanceM, heightM, seenS } = this.logged;
		[this.distanceM, this.heightM, this.takenOverS] = [distanceM, heightM, null];
		this.seenS = { ...seenS, disarmed: disarmed ? seenS.down : null };
		this.#end('found');
	}

	/** The phase that is awaited was seen, or passed over unseen. */
	next(seen: boolean): void {
		const { phase } = this;
		if (!phase) return;
		this.seenS = { ...this.seenS, [phase]: seen ? Math.round(this.clock.seconds * 10) / 10 : null };
		this.at++;
		if (this.phase) {
			tone('step');
			say(WAITS[this.phase].wait);
		} else this.#end('found');
	}

	/** It does not do what it should: what to do stands on the screen, and is said. */
	abort(): void {
		this.takenOverS = Math.round(this.clock.seconds * 10) / 10;
		tone('wrong');
		say('Take over.');
		this.#end('abort');
	}

	#end(step: 'abort' | 'found'): void {
		this.clock.stop();
		this.step = step;
		if (step === 'found') tone('done');
	}

	conclude(): void {
		this.step = 'found';
	}

	finding = $derived.by(() => {
		const { trigger, distanceM, heightM, seenS, takenOverS } = this;
		if (!trigger || distanceM === null || heightM === null || this.step !== 'found') return null;
		const { planned, ...around } = this.#around();
		return judgeReturn({
			trigger,
			distanceM,
			heightM,
			seenS,
			takenOverS,
			...around,
			planned: planned({ distanceM, heightM }),
		});
	});

	payload(grade: Grade): TestPayload | null {
		const { finding, trigger, distanceM, heightM, seenS, takenOverS } = this;
		if (!finding || !trigger) return null;
		return {
			kind: 'test',
			task: taskOfTrigger(trigger),
			grade,
			...finding,
			sourceName:
				this.sourceName || (trigger === 'switch' ? 'return by its switch, in the air' : 'radio off in the air'),
			flownS: Math.max(0, takenOverS ?? 0, ...PHASES.map((phase) => seenS[phase] ?? 0)),
			figures: [
				figure('return-distance', distanceM),
				figure('return-height', heightM),
				...PHASES.filter((phase) => seenS[phase] !== null).map((phase) => figure(`return-${phase}`, seenS[phase])),
				...(takenOverS === null ? [] : [figure('taken-over', takenOverS)]),
			],
		};
	}

	repeat(): void {
		[this.step, this.ready, this.sourceName, this.logged] = ['before', false, '', null];
	}

	/** What was tapped so far, to go on with later; null where nothing was, or a log says it: that can be opened again. */
	get draft(): Draft | null {
		const { step, trigger, distanceM, heightM, seenS, takenOverS, at, clock } = this;
		if (this.sourceName || step === 'before' || step === 'logged') return null;
		if (!trigger || distanceM === null || heightM === null) return null;
		return { step, trigger, distanceM, heightM, seenS, takenOverS, at, fromMs: clock.fromMs };
	}

	takeUp(kept: unknown): void {
		const { data } = draftSchema.safeParse(kept);
		if (!data) return;
		const { fromMs, ...seen } = data;
		if (seen.step === 'running' && !this.clock.goOn(fromMs)) return;
		Object.assign(this, seen);
	}

	dispose(): void {
		this.clock.stop();
	}
}

function blank(): Record<Phase, number | null> {
	return { turned: null, climbed: null, overhead: null, descending: null, down: null, disarmed: null };
}
