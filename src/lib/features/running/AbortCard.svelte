<script lang="ts">
	import { abortCard } from '$lib/core/session/controls';
	import type { Aircraft } from '$lib/schema/records';

	/** What to do when a test goes wrong, with this aircraft's own mode, switch and stick place. */
	let { aircraft, large = false, upside = '' }: { aircraft: Aircraft; large?: boolean; upside?: string } = $props();
</script>

<ol class="m-0 list-decimal pl-6 {large ? 'text-step leading-snug' : 'text-lead'}">
	{#each abortCard(aircraft) as line, k (k)}<li class={large ? 'py-2' : 'py-1'}>{line}</li>{/each}
</ol>
{#if upside}<p class="mt-2 mb-0">
		<a class="inline-flex min-h-11 items-center" href={upside}>It lies upside down</a>
	</p>{/if}
