<script lang="ts">
	import type { TurnBack } from '$lib/core/session/homeEntry';
	import { valueOf } from '$lib/core/facts/facts';
	import type { HomePlan } from '$lib/core/return/planned';
	import { LOSS_WORDS } from '$lib/core/radio/linkLossTest';
	import AbortCard from '$lib/features/running/AbortCard.svelte';
	import { clock } from '$lib/words/clock';
	import { formatQuantity } from '$lib/words/units';
	import { units } from '$lib/ui/preferences.svelte';
	import { bearingWord } from '$lib/words/bearing';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import type { Site } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import { showDate } from '$lib/ui/format';

	/** The few lines that a pilot wants in the hand while flying: to print, or to keep open on the phone. */
	type Props = {
		plan: HomePlan;
		turnBack: TurnBack;
		site: Site | null;
		height: (m: number) => string;
	};
	let { plan, turnBack, site, height }: Props = $props();
	const view = getSessionView();
	const action = $derived(valueOf(view.facts, 'failsafeAction'));
	const { aircraft, pack, session } = $derived(view.bundle);
	const nearest = $derived(plan.answer.reach.reduce((a, b) => (b.maxDistanceM < a.maxDistanceM ? b : a)));
	const speed = (mps: number) => formatQuantity(mps, 'speed', units());
	const tallest = $derived((site?.obstacles ?? []).toSorted((a, b) => b.heightM - a.heightM)[0]);
</script>

<section class="mt-8 max-w-md rounded border border-ink p-5 text-lead break-inside-avoid" aria-label="Pocket card">
	<h2 class="m-0">{aircraft.name}, {showDate(session.startedAt)}</h2>
	<p class="m-0 text-small text-ink-2">{[site?.name, pack?.name].filter(Boolean).join(' · ')}</p>
	{#if view.wind}<p class="mt-1 mb-0 text-small text-ink-2">
			Holds for a wind from {view.wind.fromDeg.toFixed(0)}°, {speed(view.wind.speedMps)}, gusts {speed(
				view.wind.gustMps,
			)}; plan again when it freshens.
		</p>{/if}
	<p class="mt-3 mb-0">
		Turn back <b class="figure-mono text-head">{clock(turnBack.carefulS)}</b> after takeoff from
		{turnBack.startPct.toFixed(0)} %, or at
		<b class="figure-mono">{turnBack.pct.toFixed(0)} %</b>{turnBack.cellV === null
			? ''
			: `, ${turnBack.cellV.toFixed(2)} V a cell at rest`}.
	</p>
	<p class="mt-1 mb-0">
		Not beyond <b>{height(plan.worst.distanceM)}</b>; toward {bearingWord(nearest.bearingDeg)} its reach ends at
		<b>{height(nearest.maxDistanceM)}</b>.
	</p>
	<p class="mt-1 mb-0">
		Link loss: it will {action ? LOSS_WORDS[action] : 'do what nobody has read yet'}{action === 'return'
			? ` at ${height(valueOf(view.facts, 'returnAltitudeM') ?? 0)}`
			: ''}.{tallest ? ` Tallest here: ${tallest.name}, ${height(tallest.heightM)}.` : ''}
	</p>
	<h3 class="mt-3 mb-0 text-lead">If it goes wrong</h3>
	<AbortCard {aircraft} />
	<div class="no-print mt-3"><Button onclick={() => window.print()}>Print the card</Button></div>
</section>
