<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A table that may be wider than the screen: scrolled by touch, and by keys once it has the focus. */
	let { label, children }: { label: string; children: Snippet } = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="relative overflow-x-auto" role="region" aria-label={label} tabindex="0">{@render children()}</div>
