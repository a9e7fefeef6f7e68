<script lang="ts">
	import { page } from '$app/state';
	import { untrack, type Snippet } from 'svelte';

	/** A part of a long form: its name and what stands in it now, opened to change it; the address may name it (#id). */
	type Props = { id: string; title: string; brief: string; open?: boolean; children: Snippet };
	let { id, title, brief, open = false, children }: Props = $props();
	let shown = $derived(open || page.url.hash === `#${id}`);
	/** Once opened it stays drawn; before, nothing of it is: a long form is there at once. */
	let drawn = $state(untrack(() => shown));
	$effect(() => {
		if (shown) drawn = true;
	});
</script>

<details {id} bind:open={shown} class="hairline">
	<summary class="min-h-14 cursor-pointer py-3">
		<h2 class="m-0 inline text-lead">{title}</h2>
		<span class="ml-2 text-small text-ink-2">{brief}</span>
	</summary>
	{#if drawn}<div class="pt-2 pb-6">{@render children()}</div>{/if}
</details>
