<script lang="ts">
	import Button from '$lib/ui/Button.svelte';
	import Happened from './Happened.svelte';
	import { getSessionView } from './sessionView.svelte';

	const view = getSessionView();
	let open = $state(false);
</script>

{#if !view.readOnly}
	<Button onclick={() => (open = true)}>Log event</Button>
	<Happened bind:open />
{/if}
