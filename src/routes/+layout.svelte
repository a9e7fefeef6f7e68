<script lang="ts">
	import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
	import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
	import '../app.css';
	import type { Snippet } from 'svelte';
	import Shell from '$lib/features/shell/Shell.svelte';

	let { children }: { children: Snippet } = $props();
</script>

<Shell>{@render children()}</Shell>
