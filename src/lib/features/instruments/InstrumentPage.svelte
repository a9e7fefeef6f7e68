<script lang="ts">
	import { live } from '$lib/store/live.svelte';
	import { listSites } from '$lib/store/tables';
	import type { Site } from '$lib/schema/records';
	import type { Instrument } from './instrument';
	import { InstrumentState } from './instrumentState.svelte';
	import InstrumentView from './InstrumentView.svelte';
	import LiveInstrument from './LiveInstrument.svelte';
	import type { LiveId } from './registry';

	/** An instrument on its own, without a session. */
	let { instrument, liveId }: { instrument: Instrument | null; liveId: LiveId | null } = $props();

	const sites = live(listSites);
	/** Where no site is on this device: the middle of the model, said so in the margin. */
	const NOWHERE = {
		id: '',
		name: 'no site',
		latDeg: 54,
		lonDeg: -3,
		altM: 10,
		notes: '',
		updatedAt: '',
	} satisfies Site;
	let siteId = $state('');
	const site = $derived(sites.current?.find(({ id }) => id === siteId) ?? sites.current?.[0] ?? NOWHERE);
	const date = new Date().toISOString().slice(0, 10);

	// svelte-ignore state_referenced_locally
	const work =
		instrument &&
		new InstrumentState(
			instrument,
			() => site,
			() => date,
		);
	$effect(() => () => work?.dispose());
</script>

{#if work}
	<InstrumentView
		{work}
		{site}
		lead="Instrument · {work.instrument.title.toLowerCase()}"
		onsite={(id) => (siteId = id)}
	/>
{:else if liveId}
	<LiveInstrument id={liveId} {site} {date} onsite={(id) => (siteId = id)} />
{/if}
