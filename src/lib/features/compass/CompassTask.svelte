<script lang="ts">
	import { localDay } from '$lib/words/calendar';
	import { goto } from '$app/navigation';
	import { calibrationPayload, placeOf } from '$lib/core/compass/payload';
	import { usedFacts, valueOf } from '$lib/core/facts/facts';
	import { showsData } from '$lib/core/aircraft/capabilities';
	import { live } from '$lib/store/live.svelte';
	import { listKept } from '$lib/store/earlier';
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
	const date = localDay(Date.now());
	/** The orientation that is set for the compass; null where nobody stated one. */
	function set() {
		const [yawDeg, pitchDeg, rollDeg] = [
			valueOf(view.facts, 'compassYawDeg'),
			valueOf(view.facts, 'compassPitchDeg'),
			valueOf(view.facts, 'compassRollDeg'),
		];
		return yawDeg === null || pitchDeg === null || rollDeg === null ? null : { yawDeg, pitchDeg, rollDeg };
	}
	const { work, recorded } = comesBack(
		`compass ${view.half}`,
		(key) =>
			new CompassState(
				() => ({ place, date, limitDeg: valueOf(view.facts, 'compassHeadingLimitDeg') ?? 1, mounting: set() }),
				key,
			),
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
			const uses = usedFacts(view.facts, ['compassYawDeg', 'compassPitchDeg', 'compassRollDeg']);
			await view.record('compass', { ...payload, uses, grade: view.grade('measured', work.practice) });
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

{#snippet routine()}
	<p class="mt-0 mb-3">
		{showsData(aircraft)
			? 'Where it gives no data, its own routine is followed step by step, and a hover proves it.'
			: `${aircraft.name} gives no raw data: its own routine is followed step by step, and a hover proves it.`}
	</p>
	<Button kind="primary" href={view.href('compass', 'guide-compass')}>Begin its routine</Button>
{/snippet}

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
	<CompassBody
		state={work}
		{place}
		{date}
		aircraftName={aircraft.name}
		rotors={aircraft.rotors}
		earlier={earlier.current ?? []}
		others={[{ value: 'routine', label: 'Its own routine', body: routine }]}
		first={showsData(aircraft) ? undefined : 'routine'}
		onaccept={accept}
	/>
	{#if work.answer?.reasons.some(({ code, level }) => code === 'mounting-differs' && level === 'fail')}
		<div class="mt-4">
			<Button kind="primary" href={view.href('compass', 'measure-compass-module')}>Record compass orientation</Button>
		</div>
	{/if}
</Sheet>
