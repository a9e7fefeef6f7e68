<script lang="ts">
	import type { Snippet } from 'svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Button from '$lib/ui/Button.svelte';

	/** The middle and the right of a session page: the finding as headline, the work in hand, and why. */
	type Props = { title: string; name: string; lead?: string; corner?: Snippet; margin: Snippet; children: Snippet };
	let { title, name, lead = '', corner, margin, children }: Props = $props();
	let whyOpen = $state(false);
</script>

<svelte:head><title>{name} · Winglogos</title></svelte:head>

<div class="grid min-h-full lg:grid-cols-[minmax(0,1fr)_300px]">
	<section class="min-w-0 bg-sheet px-7 py-5 max-md:px-[1rem]">
		<div class="flex flex-wrap items-start justify-between gap-x-4 gap-y-2">
			<div class="min-w-0 flex-1 max-md:basis-full">
				<h1 class="m-0" aria-live="polite">{title}</h1>
				{#if lead}<p class="m-0 mt-1 text-ink-2">{lead}</p>{/if}
			</div>
			<div class="no-print flex gap-2">
				{#if corner}{@render corner()}{/if}
				<Button class="lg:hidden" onclick={() => (whyOpen = true)}>Why</Button>
			</div>
		</div>
		{@render children()}
	</section>
	<aside class="border-l border-rule px-5 py-5 max-lg:hidden" aria-label="Why">{@render margin()}</aside>
</div>

<Dialog bind:open={whyOpen} title="Why" side>{@render margin()}</Dialog>
