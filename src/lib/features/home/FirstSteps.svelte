<script lang="ts">
	import Button from '$lib/ui/Button.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';

	/** The way in for a newcomer: an aircraft, a place, the first check; each ticks off once it is there. */
	let { aircraft, sites }: { aircraft: number; sites: number } = $props();

	const steps = $derived([
		{
			title: 'Your aircraft',
			words: 'A name and what kind it is; the rest is asked when it is first needed.',
			href: '/aircraft/new',
			does: 'Enter your aircraft',
			done: aircraft > 0,
		},
		{
			title: 'Where you fly',
			words: 'A name, and “Here” while you stand there, or a position pasted.',
			href: '/sites?new',
			does: 'Enter a site',
			done: sites > 0,
		},
		{
			title: 'Your first check',
			words: 'A checklist made for this aircraft, this place and today. Nothing turns a propeller before you say so.',
			href: '/session/new',
			does: 'Start a session',
			done: false,
		},
	]);
	const next = $derived(steps.findIndex(({ done }) => !done));
</script>

<ol class="m-0 list-none p-0">
	{#each steps as { title, words, href, does, done }, k (href)}
		<li class="hairline flex flex-wrap items-center gap-x-5 gap-y-2 py-4">
			<MarkIcon mark={done ? 'clear' : 'unseen'} word={false} />
			<div class="min-w-0 flex-1 basis-64">
				<h2 class="m-0 text-step">{k + 1}. {title}{done ? ': entered' : ''}</h2>
				<p class="m-0 text-ink-2">{words}</p>
			</div>
			{#if k === next}<Button kind="primary" {href}>{does}</Button>{/if}
		</li>
	{/each}
</ol>
