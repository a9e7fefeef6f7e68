<script lang="ts">
	import { goto } from '$app/navigation';
	import { endSession } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { getSessionView } from './sessionView.svelte';

	/** The end of a session: from then on it is only read. */
	let { settled }: { settled: boolean } = $props();
	const view = getSessionView();
	const { id } = view.bundle.session;
	const flying = $derived(
		view.state.flight.tookOff !== null && (view.state.flight.landed?.seq ?? -1) < view.state.flight.tookOff.seq,
	);

	async function end() {
		try {
			await endSession(id);
			done('The session is ended; it is only read from now on');
			await goto(`/session/${id}/sheet`);
		} catch (error) {
			failed(error);
		}
	}
</script>

<section class="mt-6 rounded border border-ink px-5 py-4">
	<h2 class="m-0">{view.readOnly ? 'This session is ended' : 'End of the session'}</h2>
	<p class="mt-1 mb-3">
		{view.readOnly
			? 'Its sheet says what was seen, what was not, and who decided.'
			: flying
				? 'It is still flying: note the landing first.'
				: settled
					? 'Everything at Close is answered. An ended session is only read; reopening it needs a reason.'
					: 'What is not answered stays visible on the sheet.'}
	</p>
	<div class="flex flex-wrap gap-3">
		{#if !view.readOnly}
			<Button kind={settled ? 'primary' : 'plain'} class="min-h-14" disabled={flying} onclick={() => void end()}
				>End the session</Button
			>
		{/if}
		<Button class="min-h-14" href="/session/{id}/sheet">Session sheet</Button>
	</div>
</section>
