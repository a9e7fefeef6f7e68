<script lang="ts">
	import type { Snippet } from 'svelte';
	let { children }: { children: Snippet } = $props();
</script>

<div class="border-l-4 border-caution bg-caution-soft px-3 py-2.5 text-small" role="note">
	<span class="sr-only">Caution: </span>{@render children()}
</div>
