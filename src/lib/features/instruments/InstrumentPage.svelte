<script lang="ts">
	import { localDay } from '$lib/words/calendar';
	import { live } from '$lib/store/live.svelte';
	import { lastSiteId } from '$lib/store/home';
	import { inUse, listSites } from '$lib/store/tables';
	import type { Site } from '$lib/schema/records';
	import type { Instrument } from '$lib/instruments/instrument';
	import { InstrumentState } from './instrumentState.svelte';
	import InstrumentView from './InstrumentView.svelte';
	import type { LiveId } from '$lib/instruments/catalogue';
	import { LIVE_PAGES } from './live';

	/** An instrument on its own, without a session. */
	let { instrument, liveId }: { instrument: Instrument | null; liveId: LiveId | null } = $props();

	const sites = live(async () => ({ all: inUse(await listSites()), last: await lastSiteId() }));
	let siteId = $state('');
	/** The place last used, not the first of the alphabet; none where none was entered. */
	const site = $derived.by((): Site | null => {
		const { all = [], last = null } = sites.current ?? {};
		return all.find(({ id }) => id === (siteId || last)) ?? all[0] ?? null;
	});
	const date = localDay(Date.now());

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
	{@const Live = LIVE_PAGES[liveId]}
	<Live {site} {date} onsite={(id) => (siteId = id)} />
{/if}
