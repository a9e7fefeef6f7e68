<script lang="ts">
	import type { Snippet } from 'svelte';
	let { title, children }: { title: string; children: Snippet } = $props();
</script>

<div class="border border-dashed border-rule px-5 py-8">
	<h2 class="m-0">{title}</h2>
	<div class="mt-2">{@render children()}</div>
</div>
