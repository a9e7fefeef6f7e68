<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import { confirmation, confirmations, toConfirm } from '$lib/core/session/confirmed';
	import type { TaskState } from '$lib/core/session/task';
	import { counted } from '$lib/words/counted';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import type { StationId } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { done, failed } from '$lib/ui/notify';

	/** The second person confirms the answers and findings of a stage at once, or those chosen. */
	let { station, tasks }: { station: StationId; tasks: readonly TaskState[] } = $props();
	const view = getSessionView();
	const crew = $derived(view.bundle.session.crew ?? []);
	const offered = $derived(toConfirm(tasks, confirmations(view.bundle.entries)));
	let open = $state(false);
	let chosenBy = $state('');
	const by = $derived(crew.some(({ name }) => name === chosenBy) ? chosenBy : (crew[0]?.name ?? ''));
	/** Entries left for later. */
	let left = $state<string[]>([]);
	let busy = $state(false);
	const chosen = $derived(offered.filter(({ id }) => !left.includes(id)));

	async function confirm() {
		if (busy || chosen.length === 0) return;
		busy = true;
		try {
			const titles = chosen.map(({ title }) => title);
			const ids = chosen.map(({ id }) => id);
			await view.record(station, confirmation(station, ids, { by, titles }));
			open = false;
			left = [];
			done(`${counted(ids.length, 'answer')} confirmed by ${by}`);
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
</script>

{#if crew.length > 0 && offered.length > 0 && !view.readOnly}
	<div class="mt-4">
		<Button class="min-h-14" onclick={() => (open = true)}
			>Confirm {counted(offered.length, 'answer')} as second person</Button
		>
	</div>
	<Dialog bind:open title="Confirm answers" description="The second person confirms what they heard or saw.">
		<Select
			label="Second person"
			value={by}
			options={crew.map(({ name }) => ({ value: name, label: name }))}
			onchange={(next) => (chosenBy = next)}
		/>
		<fieldset class="m-0 mt-3 border-0 p-0">
			<legend class="sr-only">Answers</legend>
			{#each offered as { id, title } (id)}
				<Checkbox
					bind:checked={
						() => !left.includes(id), (on) => (left = on ? left.filter((one) => one !== id) : [...left, id])
					}
					label={title}
					class="hairline text-small"
				/>
			{/each}
		</fieldset>
		<div class="mt-4">
			<Button kind="primary" disabled={busy || chosen.length === 0} onclick={() => void confirm()}
				>Confirm {counted(chosen.length, 'answer')}</Button
			>
		</div>
	</Dialog>
{/if}
