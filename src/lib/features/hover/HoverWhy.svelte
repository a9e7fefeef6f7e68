<script lang="ts">
	import type { HoverAnswer } from '$lib/schema/hover';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';

	let { answer }: { answer: HoverAnswer | null } = $props();
	const top = $derived(answer?.causes[0]);
</script>

<Caution
	>Outdoors, stand clear, nose away, way out planned. At the first strange sign: self-level, land, disarm, disconnect.</Caution
>
{#if answer}
	<h2 class="mt-5 mb-2">Why</h2>
	<Reasons reasons={answer.reasons} />
	{#if top && answer.verdict !== 'pass'}
		<h2 class="mt-4 mb-1">Next</h2>
		<p class="m-0">{top.next}</p>
	{/if}
{:else}
	<h2 class="mt-5 mb-2">What a hover tells</h2>
	<p>
		A compass that is wrong makes the hold turn one way more than the other, long before the circle grows. Wind and
		level trim look alike until the hover is repeated with the nose turned by half a turn.
	</p>
	<p class="text-ink-2">A quiet hover excludes large compass errors only; the finding says which.</p>
{/if}
