<script lang="ts">
	import type { Draft } from '$lib/schema/common';
	import { optionsOf } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Trash from '@lucide/svelte/icons/trash';
	import type { Aircraft, Light } from '$lib/schema/records';
	import { newId } from '$lib/store/newId';
	import Button from '$lib/ui/Button.svelte';
	import { DURING, PATTERN_WORDS } from './partWords';

	/** What the aircraft's own lights and tones mean, line by line: the line that fits a step is shown there. */
	let { craft, set }: { craft: Aircraft; set: (change: Draft<Aircraft>) => void } = $props();

	const blank: Omit<Light, 'id'> = { during: '', colour: '', pattern: '', sound: '', meaning: '', next: '' };
	let line = $state({ ...blank });
	let seen = $state('');
	let problem = $state('');

	const table = $derived(craft.lightTable ?? []);
	const words = ({ during, colour, pattern, sound, meaning }: Light) =>
		[during, colour, pattern, sound, meaning].join(' ').toLowerCase();
	const shown = $derived(
		table.filter((l) =>
			seen
				.toLowerCase()
				.split(/\s+/)
				.every((word) => words(l).includes(word)),
		),
	);

	function add() {
		if (!line.meaning.trim() || !(line.colour.trim() || line.sound.trim())) {
			problem = 'A line needs a colour or a sound, and what it means.';
			return;
		}
		problem = '';
		set({ lightTable: [...table, { ...$state.snapshot(line), id: newId() }] });
		line = { ...blank, during: line.during };
	}
	const TEXTS = [
		['colour', 'Colour', 'w-32'],
		['sound', 'Sound', 'w-40'],
		['meaning', 'Means', 'min-w-52 flex-1'],
		['next', 'Do next', 'min-w-52 flex-1'],
	] as const;
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">Lights and tones</legend>
	<p class="m-0 mb-2 text-small text-ink-2">
		As its manual has them, in words. The line that fits a step is shown there.
	</p>
	{#if table.length > 3}
		<div class="mb-2 max-w-xs">
			<TextField label="What do you see or hear?" placeholder="red fast" bind:value={seen} />
		</div>
	{/if}
	<ul class="m-0 list-none p-0">
		{#each shown as { id, during, colour, pattern, sound, meaning, next } (id)}
			<li class="hairline flex items-start gap-4 py-2">
				<p class="m-0 min-w-0 flex-1">
					<b>{[colour, pattern, sound].filter(Boolean).join(', ')}</b>{during ? `, ${during}` : ''}: {meaning}.
					{#if next}<span class="text-ink-2">{next}.</span>{/if}
				</p>
				<button
					type="button"
					class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft"
					aria-label="Take out: {colour} {pattern} {sound}"
					onclick={() => set({ lightTable: table.filter((l) => l.id !== id) })}><Trash size={18} /></button
				>
			</li>
		{:else}
			<li class="py-2 text-ink-2">
				{table.length > 0 ? 'No line of its table is like that: look in the manual.' : 'No line yet.'}
			</li>
		{/each}
	</ul>
	<div class="mt-2 flex flex-wrap items-end gap-3">
		<TextField label="During" class="w-44" list="during" maxlength={80} bind:value={line.during} />
		<datalist id="during"
			>{#each DURING as moment (moment)}<option value={moment}></option>{/each}</datalist
		>
		<Select
			label="Pattern"
			value={line.pattern}
			options={optionsOf(PATTERN_WORDS)}
			onchange={(pattern) => (line.pattern = pattern)}
		/>
		{#each TEXTS as [key, label, width] (key)}
			<div class={width}><TextField {label} class="w-full" maxlength={160} bind:value={line[key]} /></div>
		{/each}
		<Button onclick={add}>Add the line</Button>
	</div>
	{#if problem}<p class="m-0 mt-1 font-semibold text-hold" role="alert">{problem}</p>{/if}
</fieldset>
