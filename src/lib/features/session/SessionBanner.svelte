<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { showDay, showTime } from '$lib/ui/format';
	import { getSessionView } from '../running/sessionView.svelte';

	/** Says what kind of session this is where it is not a running flight. */
	const view = getSessionView();
	const { endedAt } = $derived(view.bundle.session);
	let asking = $state(false);
	let reason = $state('');

	async function reopen(event: SubmitEvent) {
		event.preventDefault();
		if (reason.trim() === '') return;
		try {
			await view.reopen(reason.trim());
			[asking, reason] = [false, ''];
			done('Reopened; the reason is on record');
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if view.rehearsal}
	<p class="no-print m-0 border-b border-aside bg-sheet px-7 py-2 text-small max-md:px-gutter">
		<b class="text-aside">Rehearsal.</b> Nothing of it counts outside it.
	</p>
{/if}
{#if endedAt !== null}
	<div
		class="no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-fine px-7 py-1.5 text-small max-md:px-gutter"
	>
		<span><b>Ended</b> {showDay(endedAt)}, {showTime(endedAt)}: it is only read.</span>
		<Button kind="quiet" onclick={() => (asking = true)}>Reopen it</Button>
	</div>
{/if}

<Dialog bind:open={asking} title="Why is it reopened?" description="The reason stands in the record.">
	<form class="grid gap-3" onsubmit={reopen}>
		<TextField label="Reason" maxlength={400} required bind:value={reason} />
		<div><Button kind="primary" type="submit">Reopen it</Button></div>
	</form>
</Dialog>
