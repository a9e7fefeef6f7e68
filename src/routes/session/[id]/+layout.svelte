<script lang="ts">
	import { page } from '$app/state';
	import type { Snippet } from 'svelte';
	import SessionFrame from '$lib/features/session/SessionFrame.svelte';

	let { children }: { children: Snippet } = $props();
	const id = $derived(page.params.id ?? '');
</script>

{#key id}
	<SessionFrame {id}>{@render children()}</SessionFrame>
{/key}
