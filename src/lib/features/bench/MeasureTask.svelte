<script lang="ts">
	import { goto } from '$app/navigation';
	import { InstrumentState } from '$lib/features/instruments/instrumentState.svelte';
	import InstrumentView from '$lib/features/instruments/InstrumentView.svelte';
	import { findInstrument } from '$lib/features/instruments/registry';
	import { getSessionView } from '$lib/features/session/sessionView.svelte';
	import type { StationId, TestPayload } from '$lib/schema/records';
	import Empty from '$lib/ui/Empty.svelte';
	import { done, failed } from '$lib/ui/notify';

	/** An instrument as a procedure of the session: its finding becomes an entry of it. */
	let { station, id }: { station: StationId; id: string } = $props();
	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	const date = new Date().toISOString().slice(0, 10);
	// svelte-ignore state_referenced_locally
	const instrument = findInstrument(id);
	const work =
		instrument &&
		new InstrumentState(
			instrument,
			() => site,
			() => date,
		);
	$effect(() => () => work?.dispose());

	async function accept(payload: TestPayload) {
		try {
			await view.record(station, payload);
			done('Recorded');
			await goto(view.href('bench', 'bench-due'));
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if work}
	<InstrumentView
		{work}
		{site}
		rotors={aircraft.rotors}
		lead="{work.instrument.title} of {aircraft.name}"
		onaccept={(payload) => void accept(payload)}
	/>
{:else}
	<Empty title="There is no such instrument"><a href={view.href('bench')}>Back to the bench</a></Empty>
{/if}
