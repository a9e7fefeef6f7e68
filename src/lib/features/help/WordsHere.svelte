<script lang="ts">
	import { termsIn } from '$lib/words/glossary';

	/** Words of a text that the glossary explains, opened where they stand. */
	let { text }: { text: string } = $props();
	const terms = $derived(termsIn(text));
</script>

{#if terms.length > 0}
	<h2 class="mt-5 mb-1">In plain words</h2>
	{#each terms as { id, term, says } (id)}
		<details class="hairline">
			<summary class="min-h-11 cursor-pointer py-2.5">{term}</summary>
			<p class="mt-0 mb-2 text-small">{says}</p>
		</details>
	{/each}
	<p class="mt-1 text-small"><a href="/help/words">All words</a></p>
{/if}
