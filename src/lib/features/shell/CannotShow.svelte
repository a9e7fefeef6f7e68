<script lang="ts">
	import { localDay } from '$lib/words/calendar';
	import { readRaw } from '$lib/store/failure.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { download } from '$lib/ui/download';
	import { failed } from '$lib/ui/notify';
	import Page from './Page.svelte';

	/** Instead of a page that cannot be shown: why, another try, and a way to save what lies on this device. */
	type Props = { title: string; lead: string; reason: string; words: string; again: () => void };
	let { title, lead, reason, words, again }: Props = $props();

	async function save() {
		try {
			const text = JSON.stringify(await readRaw(), null, '\t');
			download(`winglogos-as-it-lies-${localDay(Date.now())}.json`, text, 'application/json');
		} catch (error) {
			failed(error);
		}
	}
</script>

<Page {title} name="Cannot be shown" {lead}>
	<p class="mb-3 font-semibold" role="alert">{reason}</p>
	<p>{words}</p>
	<div class="mt-5 flex flex-wrap gap-3">
		<Button kind="primary" onclick={again}>Try again</Button>
		<Button class="min-h-14" onclick={() => void save()}>Save what lies there</Button>
	</div>
</Page>
