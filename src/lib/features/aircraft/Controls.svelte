<script lang="ts">
	import type { Draft } from '$lib/schema/common';
	import { optionsOf } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Trash from '@lucide/svelte/icons/trash';
	import { abortMode, controlWords, USE_WORDS } from '$lib/core/session/controls';
	import { controlSchema, type Aircraft, type Control } from '$lib/schema/records';
	import { newId } from '$lib/store/newId';
	import Button from '$lib/ui/Button.svelte';

	/** The radio: what every position of a switch does. Items, the card for a test that goes wrong, and the return test use it. */
	let { craft, set }: { craft: Aircraft; set: (change: Draft<Aircraft>) => void } = $props();

	const blank = (control = ''): Omit<Control, 'id'> => ({ control, position: '', does: 'self-level', shown: '' });
	let line = $state(blank());
	let problem = $state('');
	const table = $derived(craft.controls ?? []);
	const fallback = $derived(abortMode(craft));

	function add() {
		const parsed = controlSchema.safeParse({ ...$state.snapshot(line), id: newId() });
		if (!parsed.success) {
			problem = 'Which control is it: the left switch, the red button?';
			return;
		}
		const twice = table.find(
			({ control, position, does }) =>
				control === parsed.data.control && position === parsed.data.position && does === parsed.data.does,
		);
		problem = twice ? 'That line stands there already.' : '';
		if (twice) return;
		set({ controls: [...table, parsed.data] });
		line = blank(line.control);
	}
	const TEXTS = [
		['control', 'Control', 'w-44', 'left switch'],
		['position', 'Position', 'w-32', 'up'],
	] as const;
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">Transmitter</legend>
	<p class="m-0 mb-2 text-small text-ink-2">
		What each position does, so that every step and the card for a test that goes wrong name your own switch.
		{#if fallback}Fallen back to: <b>{fallback.replace(/,$/, '')}</b>.{/if}
	</p>
	<ul class="m-0 list-none p-0">
		{#each table as control (control.id)}
			<li class="hairline flex items-center gap-4 py-1">
				<span class="min-w-0 flex-1">{controlWords(control)}</span>
				<button
					type="button"
					class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft"
					aria-label="Take out: {controlWords(control)}"
					onclick={() => set({ controls: table.filter(({ id }) => id !== control.id) })}><Trash size={18} /></button
				>
			</li>
		{:else}
			<li class="py-2 text-ink-2">No control yet.</li>
		{/each}
	</ul>
	<div class="mt-2 flex flex-wrap items-end gap-3">
		{#each TEXTS as [key, label, width, example] (key)}
			<div class={width}>
				<TextField {label} class="w-full" maxlength={40} placeholder={example} bind:value={line[key]} />
			</div>
		{/each}
		<Select label="Function" value={line.does} options={optionsOf(USE_WORDS)} onchange={(does) => (line.does = does)} />
		<div class="w-44">
			<TextField label="Its screen calls it" class="w-full" maxlength={60} bind:value={line.shown} />
		</div>
		<Button onclick={add}>Add the position</Button>
	</div>
	{#if problem}<p class="m-0 mt-1 font-semibold text-hold" role="alert">{problem}</p>{/if}
</fieldset>
