<script lang="ts">
	import { goto } from '$app/navigation';
	import { calibrationPayload } from '$lib/core/compass/payload';
	import { live } from '$lib/store/live.svelte';
	import { listKept } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import Sheet from '$lib/features/session/Sheet.svelte';
	import { getSessionView } from '$lib/features/session/sessionView.svelte';
	import CompassBody from './CompassBody.svelte';
	import CompassWhy from './CompassWhy.svelte';
	import { CompassState } from './compassState.svelte';

	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	const place = { latDeg: site.latDeg, lonDeg: site.lonDeg, altM: site.altM };
	const date = new Date().toISOString().slice(0, 10);
	const work = new CompassState(() => ({ ...place, date, limitDeg: aircraft.compassHeadingLimitDeg }));
	const last = $derived(view.compassInForce);
	const earlier = live(
		() => listKept(aircraft.id, 'compass'),
		() => aircraft.id,
	);

	$effect(() => () => work.dispose());

	async function accept(accepted: 'accepted' | 'kept-aside') {
		const payload = work.answer && calibrationPayload(work.answer, accepted, work.recording.sourceName, place);
		if (!payload) return;
		try {
			await view.record('site', work.recording.practice ? { ...payload, practice: true } : payload);
			done(
				accepted === 'accepted' ? 'Calibration accepted and recorded' : 'Kept aside; the values before stay in force',
			);
			await goto(view.href('site'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet
	title={work.title}
	lead="Compass of {aircraft.name} · both hands on the aircraft, watch off, pivot on one spot"
	name="Compass"
>
	{#snippet corner()}
		{#if work.phase === 'turning'}<Button onclick={() => (work.big = true)} kbd="b">Big cue</Button>{/if}
	{/snippet}
	{#snippet margin()}<CompassWhy {work} {last} />{/snippet}
	<CompassBody
		state={work}
		{place}
		{date}
		aircraftName={aircraft.name}
		rotors={aircraft.rotors}
		earlier={earlier.current ?? []}
		onaccept={accept}
	/>
</Sheet>
