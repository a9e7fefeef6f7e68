<script lang="ts">
	import CompassBody from '$lib/features/compass/CompassBody.svelte';
	import CompassWhy from '$lib/features/compass/CompassWhy.svelte';
	import { CompassState } from '$lib/features/compass/compassState.svelte';
	import HoverBody from '$lib/features/hover/HoverBody.svelte';
	import HoverWhy from '$lib/features/hover/HoverWhy.svelte';
	import { HoverState } from '$lib/features/hover/hoverState.svelte';
	import PositionBody from '$lib/features/position/PositionBody.svelte';
	import { PositionState } from '$lib/features/position/positionState.svelte';
	import { DEFAULT_LOCK_RULE } from '$lib/core/position/review';
	import Sheet from '$lib/features/session/Sheet.svelte';
	import { live } from '$lib/store/live.svelte';
	import { listSites } from '$lib/store/tables';
	import type { Site } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import type { ToolId } from './tools';

	let { tool }: { tool: ToolId } = $props();

	const sites = live(listSites);
	/** Where no site is on this device: the middle of the model, said so in the margin. */
	const NOWHERE = {
		id: '',
		name: 'no site',
		latDeg: 54,
		lonDeg: -3,
		altM: 10,
		notes: '',
		updatedAt: '',
	} satisfies Site;
	let siteId = $state('');
	const site = $derived(sites.current?.find(({ id }) => id === siteId) ?? sites.current?.[0] ?? NOWHERE);
	const date = new Date().toISOString().slice(0, 10);

	const compass = new CompassState(() => ({
		latDeg: site.latDeg,
		lonDeg: site.lonDeg,
		altM: site.altM,
		date,
		limitDeg: 1,
	}));
	const position = new PositionState(() => DEFAULT_LOCK_RULE);
	const hover = new HoverState(() => undefined);
	$effect(() => () => {
		compass.dispose();
		position.recording.stop();
	});
	const title = $derived(tool === 'compass' ? compass.title : tool === 'position' ? position.title : hover.title);
</script>

<Sheet {title} lead="Instrument · {tool}" name="Instrument: {tool}">
	{#snippet corner()}
		{#if tool === 'compass' && compass.phase === 'turning'}<Button onclick={() => (compass.big = true)} kbd="b"
				>Big cue</Button
			>{/if}
	{/snippet}
	{#snippet margin()}
		{#if tool !== 'hover'}
			<label class="mb-4 grid gap-1">
				<span class="text-[15px] text-ink-2">Site</span>
				<select class="field-input" value={site.id} onchange={(e) => (siteId = e.currentTarget.value)}>
					{#each sites.current ?? [] as { id, name } (id)}<option value={id}>{name}</option>{:else}<option value=""
							>none entered</option
						>{/each}
				</select>
			</label>
			{#if site === NOWHERE}
				<p class="font-semibold">
					No site is on this device: the comparison is with 54° N, 3° W. <a href="/sites">Enter yours</a> to trust it.
				</p>
			{/if}
		{/if}
		{#if tool === 'compass'}
			<CompassWhy work={compass} last={null} />
		{:else if tool === 'position'}
			<Caution>Home is where the aircraft goes when the link is lost.</Caution>
			{#if position.answer}<h2 class="mt-5 mb-2">Why</h2>
				<Reasons reasons={position.answer.reasons} />{/if}
		{:else}
			<HoverWhy answer={hover.answer} />
		{/if}
	{/snippet}
	{#if tool === 'compass'}
		<CompassBody state={compass} place={site} {date} aircraftName="aircraft" rotors={4} last={null} />
	{:else if tool === 'position'}
		<PositionBody state={position} place={site} {date} />
	{:else}
		<HoverBody state={hover} />
	{/if}
</Sheet>
