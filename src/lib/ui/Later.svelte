<script lang="ts">
	import type { Snippet } from 'svelte';

	/** What stands beside the answer to a tap: drawn one frame after it, so that a slow device answers at once too. */
	let { children }: { children: Snippet } = $props();
	let framed = $state(false);
	$effect(() => {
		const frame = requestAnimationFrame(() => setTimeout(() => (framed = true)));
		return () => cancelAnimationFrame(frame);
	});
</script>

{#if framed}{@render children()}{/if}
