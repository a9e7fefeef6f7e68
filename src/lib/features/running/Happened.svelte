<script lang="ts">
	import { EVENT_WORDS } from '$lib/core/due/rules';
	import type { EventKind } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { getSessionView } from './sessionView.svelte';

	/** Notes what happened, and says before it is noted what will be asked again. */
	type Props = { open: boolean; start?: EventKind | null; onnoted?: (what: EventKind, note: string) => void };
	let { open = $bindable(), start = null, onnoted }: Props = $props();
	const view = getSessionView();
	const KINDS = ['unplugged', 'knock', 'part', 'settings', 'firmware', 'odd-flight', 'prompt', 'journey'] as const;

	let picked = $state<EventKind | null>(null);
	const what = $derived(picked ?? start);
	let note = $state('');
	let busy = $state(false);
	const again = $derived(what ? view.reopens(what) : []);

	async function save() {
		if (!what || busy) return;
		busy = true;
		try {
			const names = again.length;
			await view.happened(what, note.trim());
			onnoted?.(what, note.trim());
			open = false;
			done(names === 0 ? 'Noted' : `Noted; ${names} ${names === 1 ? 'thing is' : 'things are'} asked again`);
			[picked, note] = [null, ''];
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
</script>

<Dialog bind:open title="What happened?" description="It is written down, and asks again just what it may have undone.">
	<div class="grid grid-cols-2 gap-2" role="radiogroup" aria-label="What happened">
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
	<label class="mt-4 grid gap-1">
		<span class="text-[15px] text-ink-2">In a few words, if you like</span>
		<input class="field-input" maxlength="400" bind:value={note} />
	</label>
	{#if what}
		<p class="mt-3 mb-0 text-[15px]">
			{#if again.length === 0}Nothing that was seen here is asked again.
			{:else}<b>Asked again:</b> {again.map(({ title }) => title).join('; ')}.{/if}
		</p>
	{/if}
	<div class="mt-4 flex gap-3">
		<Button kind="primary" disabled={!what || busy} onclick={() => void save()}>Note it</Button>
	</div>
</Dialog>
