<script module lang="ts">
	import type { CompassSetting } from '$lib/features/compass/compassState.svelte';

	/** Where and when, for a turning that outlives the page: as the page that is open says. */
	let now = $state.raw<() => CompassSetting>(() => ({ place: null, date: '', limitDeg: 1 }));
</script>

<script lang="ts">
	import { calibrationPayload, placeOf } from '$lib/core/compass/payload';
	import CompassBody from '$lib/features/compass/CompassBody.svelte';
	import CompassWhy from '$lib/features/compass/CompassWhy.svelte';
	import { CompassState } from '$lib/features/compass/compassState.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { comesBack } from '$lib/features/measuring/leftWork.svelte';
	import LiveInstrument from './LiveInstrument.svelte';
	import type { LiveProps } from './live';

	let { site, date, onsite }: LiveProps = $props();

	now = () => ({ place: placeOf(site), date, limitDeg: 1 });
	const { work, recorded } = comesBack('compass', (key) => new CompassState(() => now(), key));
	const calibration = () => work.answer && calibrationPayload(work.answer, 'accepted', work.sourceName, placeOf(site));
</script>

<LiveInstrument id="compass" {work} {site} {onsite} {recorded} {calibration}>
	{#snippet corner()}
		{#if work.phase === 'turning'}<Button onclick={() => (work.big = true)} kbd="b">Big cue</Button>{/if}
	{/snippet}
	{#snippet why()}<CompassWhy {work} last={null} />{/snippet}
	<CompassBody state={work} place={site} {date} aircraftName="aircraft" rotors={4} />
</LiveInstrument>
