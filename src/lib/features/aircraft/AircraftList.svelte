<script lang="ts">
	import { fromYawPitchRoll } from '$lib/core/frames/rotation';
	import Page from '$lib/features/shell/Page.svelte';
	import { live } from '$lib/store/live.svelte';
	import { listAircraft } from '$lib/store/tables';
	import AircraftSketch from '$lib/ui/AircraftSketch.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { KIND_WORDS } from './kindWords';

	const aircraft = live(listAircraft);
	const attitude = fromYawPitchRoll(0.5, 0.1, 0);
</script>

<Page
	title={aircraft.current?.length === 1 ? 'One aircraft' : `${aircraft.current?.length ?? ''} aircraft`}
	name="Aircraft"
	lead="What each one is, its own limits, its packs, and what happened to it."
>
	{#snippet actions()}<Button kind="primary" href="/aircraft/new">Enter an aircraft</Button>{/snippet}
	{#if !aircraft.ready}
		<p role="status" class="text-ink-2">Reading…</p>
	{:else}
		<ul class="m-0 grid list-none gap-0 p-0">
			{#each aircraft.current ?? [] as craft (craft.id)}
				<li class="hairline">
					<a
						href="/aircraft/{craft.id}"
						class="grid grid-cols-[90px_minmax(0,1fr)] items-center gap-4 py-3 text-inherit no-underline hover:bg-fine md:grid-cols-[90px_minmax(0,1fr)_300px]"
					>
						<AircraftSketch {attitude} rotors={craft.rotors} size={84} />
						<span>
							<span class="block text-[18px] font-semibold">{craft.name}</span>
							<span class="block text-ink-2">{craft.description || KIND_WORDS[craft.kind]}</span>
						</span>
						<span class="text-[15px] text-ink-2 max-md:hidden">
							{KIND_WORDS[craft.kind]}<br />firmware {craft.firmware || 'not said'} · {craft.events.length} events
						</span>
					</a>
				</li>
			{:else}
				<li>
					<Empty title="No aircraft yet"
						><p>
							A checklist, limits and records belong to an aircraft. Enter yours, or load the demo from the start page.
						</p></Empty
					>
				</li>
			{/each}
		</ul>
	{/if}
</Page>
