<script lang="ts">
	import type { Snippet } from 'svelte';
	import { asBlocks } from './asBlocks';

	/** A table that may be wider than the screen: its rows stand as blocks there; a `matrix` is scrolled, by touch or with the keys. */
	let { label, matrix = false, children }: { label: string; matrix?: boolean; children: Snippet } = $props();
</script>

{#if matrix}
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<div class="relative overflow-x-auto" role="region" aria-label={label} tabindex="0">{@render children()}</div>
{:else}
	<!-- Until it is laid out again it is cut off, not wider than the page. -->
	<div class="relative overflow-x-clip" role="region" aria-label={label} {@attach asBlocks}>{@render children()}</div>
{/if}
