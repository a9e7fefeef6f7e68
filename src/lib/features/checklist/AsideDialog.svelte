<script lang="ts">
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	/** Asks for a reason; without one nothing is set aside. */
	type Props = {
		open: boolean;
		title: string;
		action: string;
		onclose: () => void;
		onreason: (reason: string) => void;
	};
	let { open, title, action, onclose, onreason }: Props = $props();

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

<Dialog bind:open={() => open, (next) => !next && onclose()} {title}>
	<form onsubmit={submit} class="grid gap-3">
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">In a few words, for whoever reads the record</span>
			<textarea class="field-input" rows="3" maxlength="1000" bind:value={reason} aria-invalid={missing}></textarea>
		</label>
		{#if missing}<p class="m-0 font-semibold text-hold" role="alert">
				It needs a reason: without one it stays open.
			</p>{/if}
		<div class="flex gap-3">
			<Button kind="primary" type="submit">{action}</Button>
			<Button onclick={onclose}>Back</Button>
		</div>
	</form>
</Dialog>
