<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A place outside a session: heading, a line on what it says, the sheet, and a margin where there is something to add. */
	type Props = {
		title: string;
		name: string;
		lead?: string | undefined;
		actions?: Snippet;
		margin?: Snippet;
		children: Snippet;
	};
	let { title, name, lead = '', actions, margin, children }: Props = $props();
</script>

<svelte:head><title>{name} · Winglogos</title></svelte:head>

<div
	class="grid min-h-[calc(100dvh-52px)] grid-cols-[minmax(0,1fr)] {margin ? 'lg:grid-cols-[minmax(0,1fr)_300px]' : ''}"
>
	<div class="min-w-0 bg-sheet px-7 py-6 max-md:px-gutter">
		<div class="mb-5 flex flex-wrap items-start justify-between gap-4">
			<div class="min-w-0">
				<h1 class="m-0">{title}</h1>
				{#if lead}<p class="m-0 mt-1 max-w-read text-ink-2">{lead}</p>{/if}
			</div>
			{#if actions}<div class="no-print flex flex-wrap gap-3">{@render actions()}</div>{/if}
		</div>
		{@render children()}
	</div>
	{#if margin}<aside class="border-l border-rule px-5 py-6 max-lg:border-t max-lg:border-l-0" aria-label="Why">
			{@render margin()}
		</aside>{/if}
</div>
