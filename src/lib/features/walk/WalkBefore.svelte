<script lang="ts">
	import { walkedBefore, type Walk } from '$lib/core/session/walks';
	import type { Aircraft } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { entriesAbout } from '$lib/store/earlier';
	import { showDate } from '$lib/ui/format';

	/** When each thing of a walk was last as it should be, and how often it was done since a part was last changed. */
	let { aircraft, walk }: { aircraft: Aircraft; walk: Walk } = $props();
	const found = live(
		() => entriesAbout(aircraft.id, walk.id),
		() => `${aircraft.id} ${walk.id}`,
	);
	const before = $derived(walkedBefore(walk, found.current ?? [], aircraft.events));
</script>

{#if found.ready && before.times > 0}
	<h2 class="mt-5 mb-1">Before now</h2>
	<p class="m-0">
		{before.times === 1 ? 'Once' : `${before.times} times`}
		{before.since ? `since a part was changed on ${showDate(before.since)}` : 'on record'}.
		{#if walk.id === 'propellers' && aircraft.propellers === 'nut'}A locking nut’s insert wears each time: a nut that
			runs on by fingers is replaced, whatever its count.{/if}
	</p>
	<ul class="m-0 mt-2 list-none p-0 text-small">
		{#each before.last as { name, at }, k (k)}
			<li class="hairline py-1.5"><b>{name}:</b> {at ? `as it should be on ${showDate(at)}` : 'never yet'}</li>
		{/each}
	</ul>
{/if}
