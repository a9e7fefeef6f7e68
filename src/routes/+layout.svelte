<script lang="ts">
	import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
	import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
	import mono from '@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2?url';
	import '../app.css';
	import type { Snippet } from 'svelte';
	import Shell from '$lib/features/shell/Shell.svelte';

	let { children }: { children: Snippet } = $props();
</script>

<!-- Figures are among the first words of most pages: their face is fetched before one stands there. -->
<svelte:head><link rel="preload" href={mono} as="font" type="font/woff2" crossorigin="anonymous" /></svelte:head>

<Shell>{@render children()}</Shell>
