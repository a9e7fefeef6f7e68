<script lang="ts">
	import Button from '$lib/ui/Button.svelte';
	import { NewVersion } from './newVersion.svelte';

	/** Offers a new version in one line, where one waits. */
	const newVersion = new NewVersion();
	$effect(() => newVersion.watch());
</script>

{#if newVersion.offered}
	<div class="no-print hairline flex flex-wrap items-center gap-x-3 px-page py-1 max-md:px-3" role="status">
		<p class="m-0 flex-1">A new version is ready.</p>
		<span class="flex">
			<Button kind="quiet" onclick={() => newVersion.load()}>Load it now</Button>
			<Button kind="quiet" onclick={() => newVersion.putOff()}>Later</Button>
		</span>
	</div>
{/if}
