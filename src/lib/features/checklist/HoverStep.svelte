<script lang="ts">
	import { z } from 'zod';
	import AbortCard from '$lib/features/running/AbortCard.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { Stopwatch } from '$lib/features/measuring/stopwatch.svelte';
	import { controlPlace, controlsFor, USE_WORDS } from '$lib/core/session/controls';
	import type { Rung as Step } from '$lib/core/session/items';
	import { formatQuantity } from '$lib/words/units';
	import Button from '$lib/ui/Button.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import { say, tone } from '$lib/ui/speech';

	/** One hover test step: mode and stick before the switch, its time counted aloud, what to watch, what ends it. */
	type Props = {
		step: Step;
		/** Draft key of the step: its time goes on while the page is left. */
		owner: string;
		busy: boolean;
		/** The step was flown: for this many seconds, or null where nobody timed it. */
		onflown: (flownS: number | null) => void;
		/** A fault ended it. */
		onfault: () => void;
	};
	let { step, owner, busy, onflown, onfault }: Props = $props();
	const view = getSessionView();
	const { aircraft, session } = $derived(view.bundle);
	const place = $derived(controlsFor(aircraft, step.mode).map(controlPlace)[0]);
	const gust = $derived(view.wind ? Math.max(view.wind.gustMps, view.wind.speedMps) : null);
	const speed = (mps: number) => formatQuantity(mps, 'speed', units());

	const PROMPT_S = 15;
	let promptedS = 0;
	let announced = false;
	const clock = new Stopwatch(() => {
		const leftS = step.seconds - clock.elapsedS;
		if (leftS <= 0 && !announced) {
			announced = true;
			tone('done');
			say('Time. Land, or go on. Did it hold?');
		} else if (leftS > 0 && clock.elapsedS - promptedS >= PROMPT_S) {
			promptedS += PROMPT_S;
			say(`${Math.ceil(leftS)} seconds.`);
		}
	});
	$effect(() => () => clock.stop());
	/** Seconds of a step that was ended before its time. */
	let shortS = $state<number | null>(null);
	// svelte-ignore state_referenced_locally
	const half = keepDraft(
		`step ${owner}`,
		() => (clock.fromMs === null ? null : { fromMs: clock.fromMs }),
		(found) => {
			const { data } = z.object({ fromMs: z.number() }).safeParse(found);
			if (data) clock.goOn(data.fromMs);
		},
	);
	const running = $derived(clock.fromMs !== null);
	const leftS = $derived(Math.max(0, step.seconds - clock.elapsedS));

	/** The primary action, as the Enter key does it. */
	export function press() {
		if (busy) return;
		if (!running) {
			[promptedS, announced, shortS] = [0, false, null];
			clock.start();
			say(`${USE_WORDS[step.mode]}. Watch: ${step.watch}.`);
		} else if (leftS === 0) {
			const flownS = Math.round(clock.seconds * 10) / 10;
			clock.stop();
			half.forget();
			onflown(flownS);
		}
	}
	function end() {
		shortS = Math.round(clock.seconds);
		clock.stop();
		half.forget();
	}
	/** A fault ends the step too: taken back, the step is flown again from its start. */
	function fault() {
		end();
		onfault();
	}
</script>

<dl class="m-0 mb-4 grid gap-x-4 gap-y-1 text-lead sm:grid-cols-[max-content_minmax(0,1fr)]">
	<dt class="text-ink-2">Mode</dt>
	<dd class="m-0"><b>{USE_WORDS[step.mode]}</b>{place ? `: ${place}` : ''}</dd>
	<dt class="text-ink-2">Throttle stick</dt>
	<dd class="m-0">{step.stick}</dd>
	<dt class="text-ink-2">Watch</dt>
	<dd class="m-0">{step.watch}</dd>
	<dt class="text-ink-2">Ends at once</dt>
	<dd class="m-0 font-semibold text-hold">{step.ends}</dd>
	{#if session.venue !== 'roof'}
		<dt class="text-ink-2">Gusts</dt>
		<dd class="m-0">
			limit {speed(step.gustMps)} (Winglogos default){#if gust === null}; wind not entered{:else}; today {speed(
					gust,
				)}{#if gust > step.gustMps}<b class="text-caution">, above the limit</b>{/if}{/if}
		</dd>
	{/if}
</dl>
<div class="mb-4 grid gap-3">
	{#if running}
		<p class="figure-mono m-0 text-figure leading-none font-bold" role="timer">
			{Math.ceil(leftS)}<span class="ml-1 text-[0.45em] font-medium text-ink-2">s left</span>
		</p>
	{:else if shortS !== null}
		<p class="m-0 font-semibold" role="status">Ended after {shortS} s of {step.seconds} s. Fly the step again.</p>
	{/if}
	<div class="flex flex-wrap gap-3">
		{#if !running}
			<Button kind="primary" kbd="↵" disabled={busy} onclick={press}>Start {step.seconds} s step</Button>
			<Button class="min-h-14" disabled={busy} onclick={() => onflown(null)}>Flown, not timed</Button>
		{:else}
			<Button kind="primary" kbd="↵" disabled={busy || leftS > 0} onclick={press}>Record step OK</Button>
			<Button class="min-h-14" disabled={busy} onclick={end}>End early</Button>
			<Button class="min-h-14 border-hold! text-hold!" disabled={busy} onclick={fault}>Fault: land</Button>
		{/if}
	</div>
</div>
<details class="mb-4">
	<summary class="min-h-11 cursor-pointer py-2 font-semibold text-action">If it goes wrong</summary>
	<AbortCard {aircraft} large />
</details>
