<script lang="ts">
	import { readRaw } from '$lib/store/failure.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { download } from '$lib/ui/download';
	import { failed } from '$lib/ui/notify';
	import Page from './Page.svelte';

	/** Instead of a page whose data cannot be read: why, and a way to save what lies there. */
	let { reason }: { reason: string } = $props();

	async function save() {
		try {
			const text = JSON.stringify(await readRaw(), null, '\t');
			download(`winglogos-as-it-lies-${new Date().toISOString().slice(0, 10)}.json`, text, 'application/json');
		} catch (error) {
			failed(error);
		}
	}
</script>

<Page title="The data on this device cannot be read" name="Not readable" lead="Nothing was changed.">
	<p class="mb-3 font-semibold" role="alert">The browser says: {reason}</p>
	<p>
		It may be short of room, refuse site data, or have been closed while it wrote. Try again first; then save what lies
		there before anything else is tried.
	</p>
	<div class="mt-5 flex flex-wrap gap-3">
		<Button kind="primary" onclick={() => location.reload()}>Try again</Button>
		<Button class="min-h-14" onclick={() => void save()}>Save what lies there</Button>
	</div>
</Page>
