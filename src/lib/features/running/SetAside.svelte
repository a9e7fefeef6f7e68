<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import { plain } from '$lib/words/plain';
	import type { StationId } from '$lib/schema/records';
	import { checklistFor } from '$lib/core/session/items';
	import type { TaskState } from '$lib/core/session/task';
	import { withoutIt } from '$lib/core/session/consent';
	import Caution from '$lib/ui/Caution.svelte';
	import { comesBack } from '$lib/core/session/deferred';
	import Choice from '$lib/ui/Choice.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Dialog, { typeHere } from '$lib/ui/Dialog.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { getSessionView } from './sessionView.svelte';

	/** Leaves one task undone, with one of the reasons that pilots have or one of one's own. Without a reason nothing is set aside. */
	let { task, onclose }: { task: TaskState | null; onclose: () => void } = $props();
	const view = getSessionView();
	let words = $state('');
	let missing = $state(false);
	let busy = $state(false);
	let back = $state<'next' | 'bench' | 'never'>('next');

	const given = $derived(task && withoutIt(task.task, view.bundle.aircraft));

	/** What every session asks comes back by itself. */
	const routine = (id: string) => checklistFor(view.setting).some((item) => item.id === id && item.because === '');
	function dueAt({ task: id, station }: TaskState, reason: string): StationId | null {
		if (back === 'never' || !comesBack(reason)) return null;
		if (back === 'bench') return 'bench';
		return routine(id) ? null : station;
	}

	async function choose(reason: string) {
		if (!task || busy) return;
		busy = true;
		try {
			const again = dueAt(task, reason);
			// What is known to be given up stands with the reason: that is the consent.
			await view.setAside(task, given ? `${plain(reason)}; known: ${given}` : reason, again);
			back = 'next';
			words = '';
			missing = false;
			onclose();
			done(again ? 'Set aside; it comes back in the next session' : 'Set aside; it stays visible with its reason');
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
	function submit(event: SubmitEvent) {
		event.preventDefault();
		missing = words.trim() === '';
		if (!missing) void choose(words.trim());
	}
</script>

<Dialog
	bind:open={() => task !== null, (next) => !next && onclose()}
	title="Why is it set aside?"
	description={task?.title ?? ''}
>
	{#if given}
		<div class="mb-4"><Caution>Then: {given}. It is written down as known to you.</Caution></div>
	{/if}
	<div class="mb-4">
		<Choice
			label="If it is only put off, it comes back"
			value={back}
			options={[
				{ value: 'next', label: 'With the next session' },
				{ value: 'bench', label: 'On the bench, before it' },
				{ value: 'never', label: 'Not again' },
			]}
			onchange={(when) => (back = when)}
		/>
	</div>
	<div class="grid gap-2">
		{#each task?.offered ?? [] as reason (reason)}
			<Button class="min-h-14 justify-start text-left" disabled={busy} onclick={() => void choose(reason)}
				>{reason}</Button
			>
		{/each}
	</div>
	<form onsubmit={submit} class="mt-4 grid gap-3">
		<TextField
			label="Or in your own words, for whoever reads the record"
			maxlength={1000}
			bind:value={words}
			wrong={missing}
			attach={typeHere}
		/>
		{#if missing}<p class="m-0 font-semibold text-hold" role="alert">
				It needs a reason: without one it stays open.
			</p>{/if}
		<div class="flex gap-3">
			<Button kind="primary" type="submit" disabled={busy}>Set aside</Button>
		</div>
	</form>
</Dialog>
