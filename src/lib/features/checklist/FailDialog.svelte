<script lang="ts">
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	/** Asks what is not as it should be; without words nothing is noted. */
	type Props = {
		open: boolean;
		onclose: () => void;
		onreason: (reason: string) => void;
		/** Where causes are found for what it does. */
		finder: string;
	};
	let { open, onclose, onreason, finder }: Props = $props();
	let reason = $state('');
	let missing = $state(false);

	function submit(event: SubmitEvent) {
		event.preventDefault();
		missing = reason.trim() === '';
		if (missing) return;
		onreason(reason.trim());
		reason = '';
	}
</script>

<Dialog bind:open={() => open, (next) => !next && onclose()} title="What is not as it should be?">
	<form onsubmit={submit} class="grid gap-3">
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">In a few words, for whoever reads the record</span>
			<textarea class="field-input" rows="3" maxlength="1000" bind:value={reason} aria-invalid={missing}></textarea>
		</label>
		{#if missing}<p class="m-0 font-semibold text-hold" role="alert">
				Say what it is: without it nothing is noted.
			</p>{/if}
		<div class="flex gap-3">
			<Button kind="primary" type="submit">Note it</Button>
			<Button kind="quiet" class="min-h-14" href={finder}>What could it be?</Button>
		</div>
	</form>
</Dialog>
