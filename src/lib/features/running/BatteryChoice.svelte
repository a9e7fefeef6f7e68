<script lang="ts">
	import { live } from '$lib/store/live.svelte';
	import { choosePack } from '$lib/store/repository';
	import { listPacks } from '$lib/store/tables';
	import { PACK_STATE_WORDS } from '$lib/ui/packWords';
	import Button from '$lib/ui/Button.svelte';
	import { failed } from '$lib/ui/notify';
	import { getSessionView } from './sessionView.svelte';

	/** The batteries of the session's aircraft: one press chooses the one that is flown. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const packs = live(listPacks);
	const own = $derived((packs.current ?? []).filter((p) => p.aircraftId === aircraft.id && !p.retired));
	const none = $derived(packs.ready && own.length === 0);

	async function take(packId: string) {
		try {
			await choosePack(view.bundle.session.id, packId);
		} catch (error) {
			failed(error);
		}
	}
</script>

<div class="flex flex-wrap gap-3">
	{#each own as { id, name, cycles, state } (id)}
		<Button class="min-h-14" onclick={() => void take(id)}
			>{name}, {cycles} cycles{state ? `, ${PACK_STATE_WORDS[state].toLowerCase()}` : ''}</Button
		>
	{/each}
	<Button kind={none ? 'primary' : 'quiet'} class="min-h-14" href="/aircraft/{aircraft.id}#packs"
		>{none ? 'Enter its pack' : 'Its packs'}</Button
	>
</div>
