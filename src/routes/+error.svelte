<script lang="ts">
	import { page } from '$app/state';
	import Button from '$lib/ui/Button.svelte';

	const missing = $derived(page.status === 404);
</script>

<svelte:head><title>{missing ? 'Nothing here' : 'Something went wrong'} · Winglogos</title></svelte:head>

<section class="mx-auto max-w-2xl px-5 py-12">
	<h1>{missing ? 'There is nothing at this address' : 'Something went wrong on this page'}</h1>
	<p class="mt-3">
		{missing
			? 'The session, aircraft or page may have been removed from this device, or the address has a slip in it.'
			: page.error?.message}
	</p>
	<p>What was recorded is kept: every entry is written before the screen says so.</p>
	<div class="mt-6 flex flex-wrap gap-3">
		<Button kind="primary" href="/">Go to the start</Button>
		<Button href="/data">Look at the data on this device</Button>
	</div>
</section>
