<script lang="ts">
	import Dialog from '$lib/ui/Dialog.svelte';
	import { PLACES } from './places';

	let { open = $bindable() }: { open: boolean } = $props();

	const GROUPS = [
		{
			title: 'Everywhere',
			keys: [
				['?', 'this help'],
				...PLACES.map(({ key, label }) => [`g ${key}`, `go to ${label}`]),
				['/', 'search the instruments'],
				['Esc', 'close a dialog or the big cue'],
			],
		},
		{
			title: 'In a checklist',
			keys: [
				['Enter', 'accept the item'],
				['0–9', 'enter a measured value'],
				['x', 'set aside, with a reason'],
				['n', 'note that it is not as it should be'],
				['↑ ↓', 'move between items'],
			],
		},
		{
			title: 'While measuring',
			keys: [
				['b', 'big cue on or off'],
				['Enter', 'finish, or accept the result'],
				['arrows', 'tilt the practice aircraft'],
				['q e', 'turn the practice aircraft'],
			],
		},
	];
</script>

<Dialog bind:open title="Keys" description="Everything works by touch as well.">
	<p class="mt-2 mb-0 text-lead">
		<a href="/help/words" onclick={() => (open = false)}>What the words mean</a> ·
		<a href="/help/methods" onclick={() => (open = false)}>How it computes, and every limit</a>
	</p>
	{#each GROUPS as { title, keys } (title)}
		<h3 class="mt-4">{title}</h3>
		<dl class="m-0 grid grid-cols-[110px_1fr] gap-y-1">
			{#each keys as [key, does] (key)}
				<dt><kbd class="rounded-sm border border-rule px-1.5 font-mono text-note">{key}</kbd></dt>
				<dd class="m-0">{does}</dd>
			{/each}
		</dl>
	{/each}
</Dialog>
