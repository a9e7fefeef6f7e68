<script lang="ts">
	import { abortCard } from '$lib/core/session/controls';
	import type { Aircraft } from '$lib/schema/records';

	/** What to do when a test goes wrong, with this aircraft's own mode, switch and stick place. */
	let { aircraft, large = false }: { aircraft: Aircraft; large?: boolean } = $props();
</script>

<ol class="m-0 list-decimal pl-6 {large ? 'text-[22px] leading-snug' : 'text-[17px]'}">
	{#each abortCard(aircraft) as line (line)}<li class={large ? 'py-2' : 'py-1'}>{line}</li>{/each}
</ol>
