<script lang="ts">
	import { counted } from '$lib/words/counted';
	import type { ChainFinding } from '$lib/core/record/chain';

	/** What verifying a chain found: each break with its number, and what is worth knowing. */
	let { chain, head }: { chain: ChainFinding; head: string } = $props();
</script>

{#if chain.ok}
	<p class="m-0">
		The chain of {counted(chain.entries, 'entry', 'entries')} holds; its head is
		<span class="font-mono text-note break-all">{head}</span>.
	</p>
{:else}
	<p class="m-0 font-semibold text-hold" role="alert">The chain does not hold.</p>
	<ul class="m-0 mt-1 pl-5 text-hold">
		{#each chain.broken as { where, what }, k (k)}<li><b>{where}</b>: {what}.</li>{/each}
	</ul>
{/if}
{#if chain.remarks.length > 0}
	<ul class="m-0 mt-1 pl-5 text-ink-2">
		{#each chain.remarks as { where, what }, k (k)}<li><b>{where}</b>: {what}.</li>{/each}
	</ul>
{/if}
