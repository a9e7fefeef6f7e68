<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import { figure } from '$lib/core/figures/figure';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import {
		FREE_SIDES,
		FREE_WORDS,
		judgeRighting,
		nextPush,
		PUSH_WORDS,
		type FreeSide,
		type Push,
	} from '$lib/core/session/righting';
	import { controlsFor, controlWords } from '$lib/core/session/controls';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { stationIdSchema, type StationId } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { done, failed } from '$lib/ui/notify';

	/** It lies upside down: first what must be so, then the side that is free, then short pushes one by one. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const station = $derived<StationId>(stationIdSchema.safeParse(page.params.station).data ?? 'response');
	const FIRST = [
		'Throttle at zero, disarmed: it lies still',
		'On open ground: not in a tree, a hedge or deep grass, nobody within five metres',
		'Nothing hangs off it, no smell, no smoke',
	];
	let ready = $state<boolean[]>(FIRST.map(() => false));
	let side = $state<FreeSide | null>(null);
	let pushes = $state<Push[]>([]);
	const say = $derived(side ? nextPush(pushes, side) : null);
	const finding = $derived(side && say === null ? judgeRighting(pushes) : null);
	const own = $derived(controlsFor(aircraft, 'self-righting').map(controlWords));
	const title = $derived(
		finding
			? finding.headline
			: !ready.every(Boolean)
				? 'It lies upside down'
				: side
					? (say ?? '')
					: 'Which way is nothing in its way?',
	);

	async function keep() {
		if (!finding) return;
		try {
			await view.record(station, {
				kind: 'test',
				task: 'self-righting',
				grade: view.grade('seen'),
				...finding,
				sourceName: 'pushed over by its own motors',
				figures: [figure('pushes', pushes.length)],
			});
			done('Recorded');
			await goto(view.href(station));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet {title} lead="Self-righting of {aircraft.name}" name="Self-righting" {finding}>
	{#snippet margin()}
		<h2 class="mt-5 mb-1">Why short</h2>
		<p class="mt-0">
			A motor that is driven and cannot turn is hot in a second. Short pushes, and a look after each. The maker’s manual
			stands above this card.
		</p>
		<h2 class="mt-5 mb-1">In a tree</h2>
		<p class="mt-0">Never: the blades wind themselves in. Disarm, take the pack out as soon as a hand reaches it.</p>
	{/snippet}
	<div class="mt-4 max-w-read">
		<Caution
			>Armed by this switch the motors start, whichever way up it lies. Nobody reaches for it until it is disarmed.</Caution
		>
	</div>
	{#if own.length > 0}
		<ul class="m-0 mt-3 list-none p-0">
			{#each own as line, k (k)}<li class="text-step">{line}</li>{/each}
		</ul>
	{/if}
	<div class="mt-4 grid max-w-2xl gap-3">
		{#if finding}
			<Reasons reasons={finding.reasons} />
			<div class="flex flex-wrap gap-3">
				<Button kind="primary" onclick={() => void keep()}>Record it</Button>
				<Button class="min-h-14" onclick={() => ([pushes, side] = [[], null])}>Again from the start</Button>
			</div>
		{:else if !ready.every(Boolean)}
			{#each FIRST as line, k (line)}
				<Checkbox bind:checked={ready[k]} label={line} class="text-lead" />
			{/each}
		{:else if side}
			<p class="m-0 text-lead text-ink-2">
				Self-righting on, arm, push. The free side is {FREE_WORDS[side].side}. What did it do?
			</p>
			{#each Object.entries(PUSH_WORDS) as [push, words] (push)}
				<Button
					kind={push === 'over' ? 'primary' : 'plain'}
					class="min-h-14"
					onclick={() => (pushes = [...pushes, push as Push])}>{words}</Button
				>
			{/each}
			<Button kind="quiet" class="min-h-14" onclick={() => ([pushes, side] = [[], null])}>Another side</Button>
		{:else}
			<p class="m-0 text-lead text-ink-2">As you stand behind it. Over that side it turns.</p>
			<div class="grid grid-cols-3 gap-2" role="group" aria-label="The free side">
				{#each FREE_SIDES as free (free)}
					<Button
						class="min-h-20 {free === 'away' || free === 'toward'
							? 'col-start-2'
							: free === 'left'
								? 'col-start-1'
								: 'col-start-3'}"
						onclick={() => (side = free)}>{FREE_WORDS[free].side}</Button
					>
				{/each}
			</div>
		{/if}
	</div>
</Sheet>
