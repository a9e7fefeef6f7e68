<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Dialog, { typeHere } from '$lib/ui/Dialog.svelte';

	/** Asks what is not as it should be: one of what pilots find, or words of one's own; without a word nothing is noted. */
	type Props = {
		open: boolean;
		onclose: () => void;
		onreason: (reason: string) => void;
		offered: readonly string[];
		/** Where causes are found for what it does. */
		finder: string;
	};
	let { open, onclose, onreason, offered, finder }: Props = $props();
	let reason = $state('');
	let missing = $state(false);

	// Words that were not kept stay until they are; those of one item are not the next one's.
	$effect(() => {
		if (!open) [reason, missing] = ['', false];
	});
	function submit(event: SubmitEvent) {
		event.preventDefault();
		missing = reason.trim() === '';
		if (!missing) onreason(reason.trim());
	}
</script>

<Dialog bind:open={() => open, (next) => !next && onclose()} title="What is not as it should be?">
	<div class="grid gap-2">
		{#each offered as fault (fault)}
			<Button class="min-h-14 justify-start text-left" onclick={() => onreason(fault)}>{fault}</Button>
		{/each}
	</div>
	<form onsubmit={submit} class="mt-4 grid gap-3">
		<TextField
			label="Or in your own words, for whoever reads the record"
			rows={2}
			maxlength={1000}
			bind:value={reason}
			wrong={missing}
			attach={typeHere}
		/>
		{#if missing}<p class="m-0 font-semibold text-hold" role="alert">
				Say what it is: without it nothing is noted.
			</p>{/if}
		<div class="flex gap-3">
			<Button kind="primary" type="submit">Note it</Button>
			<Button kind="quiet" class="min-h-14" href={finder}>What could it be?</Button>
		</div>
	</form>
</Dialog>
