<script lang="ts">
	import AbortCard from '$lib/features/running/AbortCard.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { controlPlace, controlsFor, USE_WORDS } from '$lib/core/session/controls';
	import type { Rung } from '$lib/core/session/items';
	import { formatQuantity } from '$lib/core/words/units';
	import Button from '$lib/ui/Button.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import { say, tone } from '$lib/ui/speech';

	/** One rung of the ladder: mode and stick before the switch, how long, what to watch, what ends it; counted aloud. */
	let { rung }: { rung: Rung } = $props();
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const place = $derived(controlsFor(aircraft, rung.mode).map(controlPlace)[0]);
	const gust = $derived(view.wind ? Math.max(view.wind.gustMps, view.wind.speedMps) : null);
	const speed = (mps: number) => formatQuantity(mps, 'speed', units());

	let startedAt = $state<number | null>(null);
	let leftS = $state(0);
	const PROMPT_S = 15;
	$effect(() => {
		if (startedAt === null) return;
		const from = startedAt;
		let said = rung.seconds;
		const timer = setInterval(() => {
			leftS = Math.max(0, rung.seconds - (performance.now() - from) / 1000);
			if (leftS === 0) {
				clearInterval(timer);
				tone('done');
				say('Time. Land, or go on. Did it hold?');
			} else if (leftS <= said - PROMPT_S) {
				said -= PROMPT_S;
				say(`${Math.ceil(leftS)} seconds.`);
			}
		}, 200);
		return () => clearInterval(timer);
	});
	function count() {
		startedAt = performance.now();
		leftS = rung.seconds;
		say(`${USE_WORDS[rung.mode]}. Watch: ${rung.watch}.`);
	}
</script>

<dl class="m-0 mb-4 grid gap-x-4 gap-y-1 text-[17px] sm:grid-cols-[max-content_minmax(0,1fr)]">
	<dt class="text-ink-2">Mode</dt>
	<dd class="m-0"><b>{USE_WORDS[rung.mode]}</b>{place ? `: ${place}` : ''}</dd>
	<dt class="text-ink-2">Throttle stick</dt>
	<dd class="m-0">{rung.stick}</dd>
	<dt class="text-ink-2">Watch</dt>
	<dd class="m-0">{rung.watch}</dd>
	<dt class="text-ink-2">What ends it</dt>
	<dd class="m-0 font-semibold text-hold">{rung.ends}</dd>
	<dt class="text-ink-2">Gusts</dt>
	<dd class="m-0">
		wanted at most {speed(rung.gustMps)} (Winglogos default){#if gust === null}; the wind has not been entered{:else};
			today {speed(gust)}{#if gust > rung.gustMps}<b class="text-caution">: more than it should be flown in</b
				>{/if}{/if}
	</dd>
</dl>
<div class="mb-4 flex flex-wrap items-center gap-4">
	{#if startedAt === null}
		<Button class="min-h-14" onclick={count}>Count {rung.seconds} s aloud</Button>
	{:else}
		<p class="figure-mono m-0 text-[44px] leading-none font-bold" role="timer">
			{Math.ceil(leftS)}<span class="ml-1 text-[0.45em] font-medium text-ink-2">s left</span>
		</p>
		<Button class="min-h-14" onclick={count}>From the beginning</Button>
	{/if}
</div>
<details class="mb-4">
	<summary class="min-h-11 cursor-pointer py-2 font-semibold text-action">If it goes wrong</summary>
	<AbortCard {aircraft} large />
</details>
