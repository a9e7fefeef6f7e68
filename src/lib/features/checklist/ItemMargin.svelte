<script lang="ts">
	import { group } from 'd3-array';
	import type { Item } from '$lib/core/session/items';
	import { OCCASION_WORDS, VENUE_WORDS } from '$lib/core/session/occasion';
	import type { TaskState } from '$lib/core/session/task';
	import WordsHere from '$lib/features/help/WordsHere.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import type { StationId } from '$lib/schema/records';
	import { preferences } from '$lib/ui/preferences.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';

	/** Beside a station's list: why the item at hand is asked, and the reasons of what stands there; the same ones are told once. */
	type Props = { station: StationId; item: Item | null; tasks: readonly TaskState[] };
	let { station, item, tasks }: Props = $props();
	const view = getSessionView();
	const made = $derived(OCCASION_WORDS[view.bundle.session.occasion ?? 'routine']);
	const where = $derived(VENUE_WORDS[view.bundle.session.venue ?? 'open']);
	const reasoned = $derived([
		...group(
			tasks.filter(({ reasons }) => reasons.length > 0),
			({ reasons }) => JSON.stringify(reasons),
		).values(),
	]);
</script>

{#if item}
	<h2 class="mt-4 mb-2">Why</h2>
	{#if preferences.detail !== 'explained'}<p class="m-0">{item.why}</p>{/if}
	{#if station === 'plan'}
		<p class="mt-2 text-note text-ink-2">
			This list is made for {view.bundle.aircraft.name}, {made.label.toLowerCase()}, {where.label.toLowerCase()}.
		</p>
	{/if}
	{#if item.because}
		<p class="mt-2 text-note text-ink-2">Asked of {view.bundle.aircraft.name} today because: {item.because}.</p>
	{/if}
	{#if item.limit}
		<p class="mt-2 text-note text-ink-2">
			Limit from: {item.limit.source}. The maker's manual and local rules stand above it.
		</p>
	{/if}
	<p class="mt-2 text-note text-ink-2">
		If it is not as it should be, it counts as <b>{item.weight === 'hold' ? 'hold' : 'caution'}</b>.
	</p>
	<WordsHere text="{item.text} {item.why}" />
{/if}
{#each reasoned as alike (alike[0].task)}
	<h2 class="mt-5 mb-1">
		{#each alike as { task, title: what } (task)}<span class="block">{what}</span>{/each}
	</h2>
	<Reasons reasons={[...alike[0].reasons]} />
{/each}
