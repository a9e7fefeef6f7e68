<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import type { EventKind } from '$lib/schema/entries';
	import { ENTERED_BY_MISTAKE } from '$lib/core/session/stop';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	/** A problem that was found becomes OK only with what was done about it. */
	type Props = {
		open: boolean;
		/** What was found, in words. */
		problem: string;
		/** The armed aircraft showed it: only a logged change, or a slip, ends the stop. */
		stopped: boolean;
		onclose: () => void;
		/** The remedy, and the event that it is, where it may have changed more than this check. */
		onremedy: (remedy: string, event: EventKind | null) => void;
	};
	let { open, problem, stopped, onclose, onremedy }: Props = $props();
	let words = $state('');
	$effect(() => {
		if (!open) words = '';
	});
	const REMEDIES: readonly { label: string; event: EventKind | null; armed: boolean }[] = [
		{ label: 'Put right by hand, nothing replaced', event: null, armed: false },
		{ label: 'Part replaced or refitted', event: 'part', armed: true },
		{ label: 'Setting changed', event: 'settings', armed: true },
		{ label: ENTERED_BY_MISTAKE, event: null, armed: true },
	];
	const offered = $derived(REMEDIES.filter(({ armed }) => armed || !stopped));
	const said = (label: string) =>
		label === ENTERED_BY_MISTAKE || words.trim() === '' ? label : `${label}: ${words.trim()}`;
</script>

<Dialog bind:open={() => open, (next) => !next && onclose()} title="What was done about it?">
	<p class="mt-0 mb-3">{problem}</p>
	<div class="mb-3"><TextField label="In your own words, optional" maxlength={300} bind:value={words} /></div>
	<div class="grid gap-2">
		{#each offered as { label, event } (label)}
			<Button class="min-h-14 justify-start text-left" onclick={() => onremedy(said(label), event)}>{label}</Button>
		{/each}
	</div>
	<p class="mt-3 mb-0 text-small text-ink-2">
		A replaced part or a changed setting is logged as an event and makes the checks that it affects to do again.
	</p>
</Dialog>
