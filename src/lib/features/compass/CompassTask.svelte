<script lang="ts">
	import { goto } from '$app/navigation';
	import { calibrationPayload, placeOf } from '$lib/core/compass/payload';
	import { showsData } from '$lib/core/session/capabilities';
	import { live } from '$lib/store/live.svelte';
	import { listKept } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { comesBack } from '$lib/features/measuring/leftWork.svelte';
	import CompassBody from './CompassBody.svelte';
	import CompassWhy from './CompassWhy.svelte';
	import { CompassState } from './compassState.svelte';

	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	const place = placeOf(site);
	const date = new Date().toISOString().slice(0, 10);
	const { work, recorded } = comesBack(
		`compass ${view.bundle.session.id}`,
		() => new CompassState(() => ({ place, date, limitDeg: aircraft.compassHeadingLimitDeg })),
	);
	const last = $derived(view.compassInForce);
	const earlier = live(
		() => listKept(aircraft.id, 'compass'),
		() => aircraft.id,
	);

	async function accept(accepted: 'accepted' | 'kept-aside') {
		const payload = work.answer && calibrationPayload(work.answer, accepted, work.sourceName, place);
		if (!payload) return;
		try {
			await view.record('compass', { ...payload, grade: view.grade('measured', work.practice) });
			recorded();
			done(
				accepted === 'accepted' ? 'Calibration accepted and recorded' : 'Kept aside; the values before stay in force',
			);
			await goto(view.href('compass'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet
	title={work.title}
	lead="Compass of {aircraft.name} · both hands on the aircraft, watch off, pivot on one spot"
	name="Compass"
	finding={work.found}
>
	{#snippet corner()}
		{#if work.phase === 'turning'}<Button onclick={() => (work.big = true)} kbd="b">Big cue</Button>{/if}
	{/snippet}
	{#snippet margin()}<CompassWhy {work} {last} />{/snippet}
	{#if work.phase === 'choose'}
		<div class="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2 border-y border-rule py-3">
			<p class="m-0 min-w-0 flex-1 basis-72">
				{showsData(aircraft)
					? 'Or does it give no data? Then its own routine is followed step by step, and a hover proves it.'
					: `${aircraft.name} gives no raw data: its own routine is followed step by step, and a hover proves it.`}
			</p>
			<Button
				kind={showsData(aircraft) ? 'plain' : 'primary'}
				class="min-h-14"
				href={view.href('compass', 'guide-compass')}>By its own routine</Button
			>
		</div>
	{/if}
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
