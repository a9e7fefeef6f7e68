<script lang="ts">
	import { CURRENT_DAYS, currencyOf } from '$lib/core/session/currency';
	import { handEntries } from '$lib/store/currency';
	import { live } from '$lib/store/live.svelte';
	import { showDate } from '$lib/ui/format';

	/** How lately a pilot flew without position hold, from the record of every aircraft. */
	let { pilot }: { pilot: string } = $props();
	const entries = live(handEntries);
	const found = $derived(currencyOf(entries.current ?? [], pilot, new Date().toISOString()));
</script>

{#if entries.ready && pilot}
	<p class="m-0 mb-3 text-lead">
		{#if found.last}<b>{pilot} last flew without position hold on {showDate(found.last)}</b>, {found.recent === 0
				? `not within the last ${CURRENT_DAYS} days`
				: `${found.recent === 1 ? 'one flight' : `${found.recent} flights`} within the last ${CURRENT_DAYS} days`}.
		{:else}<b>No flight of {pilot} without position hold is on record.</b> Notes on the flying screen and the first rung in
			self-level count.{/if}
	</p>
{/if}
