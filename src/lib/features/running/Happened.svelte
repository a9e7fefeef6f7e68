<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { EVENT_WORDS } from '$lib/core/due/rules';
	import { counted } from '$lib/words/counted';
	import type { EventKind } from '$lib/schema/entries';
	import type { Component } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { done, failed } from '$lib/ui/notify';
	import ComponentField from '$lib/ui/ComponentField.svelte';
	import { getSessionView } from './sessionView.svelte';

	/** Logs an event, and shows beforehand which checks it makes to do; those that a part cannot affect are excluded by hand. */
	type Props = { open: boolean; start?: EventKind | null; onnoted?: (what: EventKind, note: string) => void };
	let { open = $bindable(), start = null, onnoted }: Props = $props();
	const view = getSessionView();
	const KINDS = [
		'unplugged',
		'knock',
		'part',
		'cleaned',
		'settings',
		'firmware',
		'odd-flight',
		'prompt',
		'journey',
	] as const;

	let picked = $state<EventKind | null>(null);
	const what = $derived(picked ?? start);
	const ofPart = $derived(what === 'part' || what === 'cleaned');
	let note = $state('');
	let named = $state<Component | null>(null);
	const component = $derived(ofPart ? named : null);
	/** Tasks that the pilot excludes. */
	let excluded = $state<string[]>([]);
	let busy = $state(false);
	const affected = $derived(what ? view.reopens(what, component ? { component } : {}) : []);
	const unaffected = $derived(ofPart ? affected.filter(({ task }) => excluded.includes(task)) : []);

	async function save() {
		if (!what || busy) return;
		busy = true;
		try {
			const count = affected.length - unaffected.length;
			await view.happened(what, note.trim(), {
				...(component ? { component } : {}),
				...(unaffected.length > 0 ? { unaffected } : {}),
			});
			onnoted?.(what, note.trim());
			open = false;
			done(count === 0 ? 'Event logged' : `Event logged; ${counted(count, 'check')} to do again`);
			[picked, note, excluded] = [null, '', []];
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
</script>

<Dialog bind:open title="Log event" description="Only checks that the event can affect are to do again.">
	<div class="grid grid-cols-2 gap-2" role="radiogroup" aria-label="Event">
		{#each KINDS as kind (kind)}
			<button
				type="button"
				role="radio"
				aria-checked={what === kind}
				class="min-h-14 rounded border px-3 text-left {what === kind
					? 'border-action bg-action-soft font-semibold'
					: 'border-rule hover:bg-fine'}"
				onclick={() => (picked = kind)}>{EVENT_WORDS[kind]}</button
			>
		{/each}
	</div>
	<div class="mt-4 grid gap-4 sm:grid-cols-2">
		<TextField label="Note, optional" maxlength={400} bind:value={note} />
		{#if ofPart}<ComponentField aircraft={view.bundle.aircraft} {note} bind:component={named} />{/if}
	</div>
	{#if what}
		{#if affected.length === 0}
			<p class="mt-3 mb-0 text-small">This event affects no check of today.</p>
		{:else if ofPart}
			<fieldset class="m-0 mt-3 border-0 p-0">
				<legend class="p-0 text-small"><b>To do again.</b> Clear those that this work cannot affect.</legend>
				{#each affected as { task, about } (task)}
					<Checkbox
						bind:checked={
							() => !excluded.includes(task),
							(on) => (excluded = on ? excluded.filter((one) => one !== task) : [...excluded, task])
						}
						label={about}
						class="hairline text-small"
					/>
				{/each}
			</fieldset>
		{:else}
			<p class="mt-3 mb-0 text-small"><b>To do again:</b> {affected.map(({ about }) => about).join('; ')}.</p>
		{/if}
	{/if}
	<div class="mt-4 flex gap-3">
		<Button kind="primary" disabled={!what || busy} onclick={() => void save()}>Log event</Button>
	</div>
</Dialog>
